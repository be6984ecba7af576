package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.web.gear.PackLine;
import lochan.web.gear.RodRow;
import lochan.web.plan.StoredPlan;
import org.jspecify.annotations.Nullable;

/** The contents of the page of rods for a plan; the plan and its drawing are null when there are none. */
@RecordBuilder
record DeckView(
        EventData data,
        List<StoredPlan> plans,
        @Nullable StoredPlan shownPlan,
        List<RodRow> rows,
        List<DeckController.Poor> poor,
        List<String> broken,
        List<String> inBoat,
        List<String> noSheet,
        boolean noRods,
        String rodsWords,
        @Nullable String spares,
        boolean hasStops,
        boolean backupsKnown,
        String gearRules,
        @Nullable DeckDrawing drawing,
        List<DeckController.AdviceLine> said,
        int dayNumber,
        List<String> signs,
        List<PackLine> packing,
        Set<String> packed) {}
