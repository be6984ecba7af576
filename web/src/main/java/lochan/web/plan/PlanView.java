package lochan.web.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.eventdata.EventData;
import lochan.core.planning.valuation.PlanValue;
import lochan.offline.form.Form;
import lochan.offline.plan.Caution;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/**
 * The contents of the Plan page. The plan's own parts are null without a plan, and computed parts where they cannot be
 * computed.
 */
@RecordBuilder
record PlanView(
        EventData data,
        List<StoredPlan> plans,
        Set<Long> followed,
        @Nullable StoredPlan shown,
        Map<String, String> strategies,
        String allStrategies,
        boolean valued,
        @Nullable List<String> gear,
        @Nullable Form form,
        @Nullable List<PlanPage.Row> stops,
        @Nullable Supposition supposed,
        @Nullable List<PlanPage.KnownFishLine> known,
        @Nullable DayDrawing line,
        @Nullable List<PlanPage.LegRow> legs,
        @Nullable List<String> late,
        @Nullable List<String> closed,
        int margin,
        @Nullable String hours,
        @Nullable String dayName,
        @Nullable String map,
        @Nullable String leaveBy,
        @Nullable String waitHome,
        @Nullable List<Caution> minded,
        @Nullable List<String> ladder,
        @Nullable PlanValue value,
        @Nullable String valueWords,
        @Nullable String limitChance,
        @Nullable String targetChance,
        @Nullable List<PlanPage.Column> growth,
        @Nullable String runsWords,
        @Nullable String blown,
        @Nullable String cost,
        BackgroundComputation.@Nullable State<List<PlanSearch.Result>> search,
        @Nullable List<PlanPage.FoundRow> found,
        boolean otherLocks) {}
