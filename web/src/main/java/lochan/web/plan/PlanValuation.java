package lochan.web.plan;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.edits.PlanEdits;
import lochan.core.planning.search.TwoDays;
import lochan.core.planning.valuation.Calibration;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.WhatIf;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayKey;
import lochan.web.modelling.DayModels;
import lochan.web.shared.Kept;
import org.springframework.stereotype.Service;

/**
 * What plans are worth: the scenarios of a day are drawn once and kept as long as what they rest on is the same, so that a change of a plan
 * is valued at once.
 */
@Service
public class PlanValuation {

    public static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final int KEPT = 4;

    private final DayModels dayModels;
    private final Lakes lakes;
    private final Budgets budgets;
    private final Kept<DayKey, ScenarioSet> drawn = new Kept<>(KEPT);

    PlanValuation(DayModels dayModels, Lakes lakes, Budgets budgets) {
        this.budgets = budgets;
        this.dayModels = dayModels;
        this.lakes = lakes;
    }

    /** Whether plans of an event can be valued: those paid by length are not computed yet. */
    static boolean values(EventData event) {
        return event.rules().format() != Format.LIMIT_LENGTH;
    }

    /** What practice says of a day. */
    DayModel model(EventKey key, EventData event, int day) {
        return dayModels.of(key, event, day);
    }

    /** The first plan with stops of the day before; its fish are missing. No stops where there is none. */
    static List<PlanStop> dayBefore(EventData event, int day) {
        return event.planOf(day - 1);
    }

    /** The scenarios of a day, after the plan of the day before where there is one. */
    ScenarioSet scenarios(EventKey key, EventData event, int day) {
        DayModel model = dayModels.of(key, event, day);
        List<PlanStop> before = dayBefore(event, day);
        return drawn.get(
                new DayKey(key, day),
                List.of(model, before),
                () -> after(new ScenarioSet(model, budgets.valuation(), Budgets.SEED), day, before));
    }

    private static ScenarioSet after(ScenarioSet all, int day, List<PlanStop> before) {
        return before.isEmpty() ? all : TwoDays.after(all, day - 1, before);
    }

    /** V of a plan of a day, g. */
    double grams(EventKey key, EventData event, int day, List<PlanStop> stops) {
        return stops.isEmpty() ? 0 : new PlanValuer(scenarios(key, event, day)).formula(stops);
    }

    /** What a plan is worth with its spread, as a projection. */
    PlanValue value(EventKey key, EventData event, int day, List<PlanStop> stops, Calibration calibration) {
        return new PlanValuer(scenarios(key, event, day)).projection(stops, budgets.simulatedDays(), calibration);
    }

    /** Returns the value under other suppositions. */
    PlanValue value(
            EventKey key, EventData event, int day, List<PlanStop> stops, Calibration calibration, WhatIf what) {
        ScenarioSet supposed = after(
                new ScenarioSet(what.model(event, day, ASSUMPTIONS), budgets.valuation(), Budgets.SEED),
                day,
                dayBefore(event, day));
        return new PlanValuer(supposed).projection(stops, budgets.simulatedDays(), calibration);
    }

    /** The runs of a plan without violations. */
    List<PlanCheck.Leg> legs(EventData event, Plan plan) {
        return PlanCheck.legs(event, plan, ASSUMPTIONS.planning(), lakes.dayRuns(event));
    }

    /** Changes by hand of a plan of a day. */
    PlanEdits edits(EventData event, int day) {
        return new PlanEdits(event, day, ASSUMPTIONS.planning(), lakes.dayRuns(event));
    }
}
