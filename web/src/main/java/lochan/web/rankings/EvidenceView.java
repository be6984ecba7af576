package lochan.web.rankings;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.lake.Spot;
import lochan.core.model.ranking.RankingRow;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.size.SizeModel;
import lochan.core.practice.Presentation;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/** The contents of the page of evidence behind a row of the rankings. */
@RecordBuilder
record EvidenceView(
        BackgroundComputation.@Nullable State<RankingValues.Values> job,
        RankingRow row,
        Spot spot,
        @Nullable String marks,
        Presentation presentation,
        String spotType,
        List<RankingsController.StopEvidence> stops,
        BiteRates.Evidence effective,
        double lakeMean,
        double presentationMean,
        double patternMean,
        String landedWords,
        String seen,
        SizeModel.@Nullable Predictive bias,
        List<String> why,
        List<String> others) {}
