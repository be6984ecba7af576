package lochan.web.competition;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.offline.bag.BagView;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/** What the review of a competition day shows; null where it is not known, or not yet. */
@RecordBuilder
record WeighInView(
        EventData data,
        BagView page,
        int day,
        boolean over,
        boolean byLength,
        List<String> carried,
        BackgroundComputation.State<DayReviews.Result> job,
        List<String> scales,
        boolean planned,
        ReviewDrawing drawing,
        String said,
        List<WeighInController.StopRow> stops,
        @Nullable String elsewhere,
        List<WeighInController.TriggerRow> triggers,
        List<WeighInController.ScoreRow> scores,
        List<ReviewDrawing.Dot> dots,
        String scoreWords) {}
