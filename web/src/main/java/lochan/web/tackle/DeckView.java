package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.lures.deck.GearCheck;
import lochan.core.lures.deck.PackItem;
import lochan.web.gear.RodRow;
import lochan.web.plan.StoredPlan;
import org.jspecify.annotations.Nullable;

/** What the page of the rods for a plan shows; the plan and its drawing are null where there are none. */
@RecordBuilder
record DeckView(
        EventData data,
        List<StoredPlan> plans,
        @Nullable StoredPlan shownPlan,
        List<RodRow> rows,
        List<DeckController.Poor> poor,
        List<GearCheck> broken,
        List<GearCheck> inBoat,
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
        List<PackItem> packing,
        Set<String> packed) {}
