package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.Notebook;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;

/** The contents of the page of past seasons; lake and stage are null when all are shown. */
@RecordBuilder
record SeasonsView(
        EventData data,
        List<String> lakes,
        SeasonStage[] stages,
        @Nullable String lake,
        @Nullable String stage,
        List<SeasonsController.LineRow> byPresentation,
        List<SeasonsController.LineRow> byPlace,
        List<SeasonsController.LineRow> byStage,
        List<SeasonsController.LineRow> byTemperature,
        List<String> days,
        int events,
        int trustedBites,
        List<String> carried,
        Notebook.Priors priors,
        boolean others,
        List<String> like,
        List<SeasonsController.Effect> effects) {}
