package lochan.web.plan;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Objects;
import lochan.core.Assumptions;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Calibration;
import lochan.core.planning.PlanEdits;
import lochan.core.planning.PlanRules;
import lochan.core.planning.PlanValue;
import lochan.core.planning.PlanValuer;
import lochan.core.planning.TwoDays;
import lochan.core.planning.WhatIf;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.DayKey;
import lochan.web.brief.EventKey;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import org.springframework.stereotype.Service;

/**
 * What plans are worth: the scenarios of a day are drawn once and kept as long as what they rest on is the same, so that a change of a plan
 * is valued at once.
 */
@Service
class PlanReckoning {

    static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final int SCENARIOS = 500;
    private static final int SIMULATED_DAYS = 10_000;
    private static final long SEED = 1;
    private static final int KEPT = 4;

    private final DayModels dayModels;
    private final Waters waters;
    private final Cache<DayKey, Drawn> drawn = Caffeine.newBuilder().maximumSize(KEPT).build();

    PlanReckoning(DayModels dayModels, Waters waters) {
        this.dayModels = dayModels;
        this.waters = waters;
    }

    private record Drawn(DayModel model, List<PlanStop> dayBefore, ScenarioSet scenarios) { }

    /** Whether plans of an event can be valued: those paid by length are not reckoned yet. */
    static boolean values(EventData event) {
        return event.brief().format() != Format.LIMIT_LENGTH;
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
        Drawn known = drawn.getIfPresent(new DayKey(key, day));
        if (known == null || known.model() != model || !Objects.equals(known.dayBefore(), before)) {
            known = new Drawn(model, before, after(new ScenarioSet(model, SCENARIOS, SEED), day, before));
            drawn.put(new DayKey(key, day), known);
        }
        return known.scenarios();
    }

    private static ScenarioSet after(ScenarioSet all, int day, List<PlanStop> before) {
        return before.isEmpty() ? all : TwoDays.after(all, day - 1, before);
    }

    /** V of a plan of a day, g. */
    double grams(EventKey key, EventData event, int day, List<PlanStop> stops) {
        return stops.isEmpty() ? 0 : new PlanValuer(scenarios(key, event, day)).formula(stops);
    }

    /** What a plan is worth with its spread, as a forecast. */
    PlanValue value(EventKey key, EventData event, int day, List<PlanStop> stops, Calibration calibration) {
        return new PlanValuer(scenarios(key, event, day)).forecast(stops, SIMULATED_DAYS, calibration);
    }

    /** The same with something else supposed. */
    PlanValue value(EventKey key, EventData event, int day, List<PlanStop> stops, Calibration calibration, WhatIf what) {
        ScenarioSet supposed = after(new ScenarioSet(what.model(event, day, ASSUMPTIONS), SCENARIOS, SEED), day, dayBefore(event, day));
        return new PlanValuer(supposed).forecast(stops, SIMULATED_DAYS, calibration);
    }

    /** The runs of a plan without violations. */
    List<PlanRules.Leg> legs(EventData event, Plan plan) {
        return PlanRules.legs(event, plan, ASSUMPTIONS.planning(), waters.dayRuns(event));
    }

    /** Changes by hand of a plan of a day. */
    PlanEdits edits(EventData event, int day) {
        return new PlanEdits(event, day, ASSUMPTIONS.planning(), waters.dayRuns(event));
    }
}
