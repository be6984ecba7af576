package lochan.web.competition;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.offline.bag.BagView;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/**
 * The contents of the review of a competition day.
 *
 * @param job     null before the day is over and in length events; what is computed of the day is null until it is done
 * @param planned whether there was a plan; null until it is known
 */
@RecordBuilder
record WeighInView(
        EventData data,
        BagView page,
        int day,
        boolean over,
        boolean byLength,
        List<String> carried,
        @Nullable String marks,
        BackgroundComputation.@Nullable State<DayReviews.Result> job,
        @Nullable List<String> scales,
        @Nullable Boolean planned,
        @Nullable ReviewDrawing drawing,
        @Nullable String said,
        @Nullable List<WeighInController.StopRow> stops,
        @Nullable String elsewhere,
        @Nullable List<WeighInController.TriggerRow> triggers,
        @Nullable List<WeighInController.ScoreRow> scores,
        @Nullable List<ReviewDrawing.Dot> dots,
        @Nullable String scoreWords) {}
