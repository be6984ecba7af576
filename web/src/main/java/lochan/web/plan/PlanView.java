package lochan.web.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.core.planning.valuation.PlanValue;
import lochan.offline.form.Form;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/** What the Plan page shows; what belongs to the plan shown is null without one, and what is computed of it where it cannot be. */
@RecordBuilder
record PlanView(
        EventData data,
        List<StoredPlan> plans,
        StoredPlan shown,
        Map<String, String> strategies,
        String allStrategies,
        boolean valued,
        boolean manyDays,
        List<String> gear,
        Form form,
        List<PlanPage.Row> stops,
        Supposition supposed,
        List<PlanPage.KnownFishLine> known,
        DayDrawing line,
        List<PlanPage.LegRow> legs,
        List<String> late,
        List<String> closed,
        int margin,
        String hours,
        String dayName,
        RouteMap map,
        String leaveBy,
        List<String> ladder,
        PlanValue value,
        @Nullable String valueWords,
        String limitChance,
        String targetChance,
        List<PlanPage.Column> growth,
        @Nullable String runsWords,
        @Nullable String blown,
        String cost,
        BackgroundComputation.State<List<PlanSearch.Result>> search,
        List<PlanPage.FoundRow> found,
        boolean otherLocks) {}
