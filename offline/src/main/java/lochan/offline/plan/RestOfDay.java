package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.live.Effort;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Outlooks;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.search.DayStart;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;
import lochan.wording.Wording;

/**
 * The rest of a day, planned again from the boat's place in days like this one so far. It stays beside the plan until
 * the angler takes it.
 *
 * @param words the stops in words
 * @param adds  what they add to the bag, and what the rest of the plan would
 * @param asOf  when it was looked for, on the clock
 * @param plan  the day's whole plan with them in it
 */
public record RestOfDay(String words, String adds, String asOf, List<PlanStop> plan) {

    public RestOfDay {
        plan = List.copyOf(plan);
    }

    /**
     * @param here   where the boat is
     * @param factor by which weights to come are scaled
     */
    static RestOfDay of(
            DayModel model,
            DayRuns runs,
            MoveAdvice.State standing,
            Position here,
            double factor,
            Effort effort,
            Units units) {
        List<PlanStop> plan = model.event().planOf(model.day());
        ScenarioSet likely =
                Outlooks.likely(model, standing.today(), effort.weighed(), effort.scenarios(), effort.seed());
        DayStart begin = DayStart.now(model, standing.now(), here, standing.bag());
        List<PlanStop> locked = Outlooks.rest(plan, begin.at()).stream()
                .filter(s -> s.locked() && !s.arrive().isBefore(begin.at()))
                .toList();
        DayPlanner keeping = planner(likely, runs, begin, locked, effort.seed());
        DayPlanner planner = keeping.keepsLocked() ? keeping : planner(likely, runs, begin, List.of(), effort.seed());
        List<PlanStop> stops = planner.plan(effort.rounds(), round -> true);
        PlanValuer valuer = new PlanValuer(likely, standing.bag());
        double now = standing.bag().weighedGrams();
        return new RestOfDay(
                stops.isEmpty() ? Wording.text("ahead.no-stop-pays") : PlanWords.stops(stops, model.event()) + ".",
                Wording.text(
                        "ahead.rest-adds",
                        units.weight(factor * (valuer.formula(stops) - now)),
                        units.weight(factor * (valuer.formula(Outlooks.rest(plan, standing.now())) - now))),
                Times.clock(standing.now(), model.event().timeZone()),
                whole(plan, standing.now(), stops));
    }

    private static DayPlanner planner(
            ScenarioSet likely, DayRuns runs, DayStart begin, List<PlanStop> locked, long seed) {
        return new DayPlanner(likely, runs, begin, new DayPlanner.Wishes(Strategy.BALANCED, locked, c -> true), seed);
    }

    /** The plan as fished until now, then the new stops. */
    private static List<PlanStop> whole(List<PlanStop> plan, Instant now, List<PlanStop> rest) {
        List<PlanStop> whole = new ArrayList<>();
        for (PlanStop s : plan) {
            if (s.arrive().isBefore(now)) {
                whole.add(s.leave().isAfter(now) ? s.during(s.arrive(), now) : s);
            }
        }
        whole.addAll(rest);
        return whole;
    }
}
