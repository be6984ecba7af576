package lochan.web.competition;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.competition.Entry;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.live.MoveAdvice;
import lochan.core.live.Outlooks;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.search.DayStart;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.core.quantity.Units;
import lochan.web.eventbook.EventKey;
import lochan.web.map.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayKey;
import lochan.web.modelling.DayModels;
import lochan.web.modelling.PlanWords;
import lochan.web.plan.Plans;
import lochan.web.plan.Projections;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Plans what is left of a day from where the boat is, in days like this one so far. What is found lies beside the plan until the angler takes it. */
@Component
class RestOfDay {

    private static final int KEPT = 8;

    private final LiveAdvisors advisors;
    private final Lakes lakes;
    private final Projections projections;
    private final Plans plans;
    private final Budgets budgets;
    private final BackgroundComputation<DayKey, Result> work =
            new BackgroundComputation<>("rest-of-day", DayKey::event, KEPT, BackgroundComputation.ASKED_FOR);

    RestOfDay(LiveAdvisors advisors, Lakes lakes, Projections projections, Plans plans, Budgets budgets) {
        this.budgets = budgets;
        this.advisors = advisors;
        this.lakes = lakes;
        this.projections = projections;
        this.plans = plans;
    }

    /**
     * What was found.
     *
     * @param at        when it was looked for
     * @param stops     from then on
     * @param grams     that they add to the bag on average
     * @param planGrams that the rest of the plan adds
     */
    private record Result(Instant at, List<PlanStop> stops, double grams, double planGrams) {}

    /**
     * How the looking stands, in words.
     *
     * @param running whether it goes on
     * @param failed  whether it came to nothing
     * @param stops   what was found; null: nothing yet
     * @param adds    what that adds to the bag
     * @param asOf    when it was looked for
     */
    record View(
            boolean running,
            boolean failed,
            @Nullable String stops,
            @Nullable String adds,
            @Nullable String asOf) {}

    private static List<Object> basis(EventData event, int day) {
        return List.of(DayModels.basis(event, day), event.planOf(day));
    }

    /** Null: nothing was looked for since practice or plan changed. */
    @Nullable
    View said(EventKey key, EventData event, int day, Units units) {
        BackgroundComputation.State<Result> state =
                work.state(new DayKey(key, day), basis(event, day)).orElse(null);
        if (state == null || state.result() == null) {
            return state == null ? null : new View(state.running(), state.failed(), null, null, null);
        }
        Result f = state.result();
        String words = f.stops().isEmpty()
                ? "No stop pays for its run any more: stay."
                : PlanWords.stops(f.stops(), event) + ".";
        return new View(
                false,
                false,
                words,
                "It adds " + units.weight(f.grams()) + " to the bag on average, the rest of your plan "
                        + units.weight(f.planGrams()) + ".",
                Dates.clock(f.at(), event.timeZone()));
    }

    void look(EventKey key, EventData event, int day, List<Entry> entries, Instant now, @Nullable Position position) {
        DayModel model = advisors.model(key, event, day);
        MoveAdvice.State standing = MoveAdviceView.standing(event, day, entries, now, position);
        Position here = advisors.of(key, event, day).position(standing);
        List<PlanStop> plan = event.planOf(day);
        work.beginAgain(
                new DayKey(key, day),
                basis(event, day),
                DayPlanner.done(budgets.live().rest().rounds()),
                progress -> {
                    ScenarioSet likely = Outlooks.likely(
                            model,
                            standing.today(),
                            budgets.live().weighed(),
                            budgets.live().rest().scenarios(),
                            Budgets.SEED);
                    DayStart begin = DayStart.now(model, now, here, standing.bag());
                    List<PlanStop> locked = Outlooks.rest(plan, begin.at()).stream()
                            .filter(s -> s.locked() && !s.arrive().isBefore(begin.at()))
                            .toList();
                    DayPlanner planner = planner(likely, event, begin, locked);
                    List<PlanStop> stops = (planner.keepsLocked() ? planner : planner(likely, event, begin, List.of()))
                            .plan(budgets.live().rest().rounds(), progress::goOn);
                    PlanValuer valuer = new PlanValuer(likely, standing.bag());
                    double factor = projections.calibration(key.accountId()).factor();
                    return new Result(
                            now,
                            stops,
                            factor * (valuer.formula(stops) - standing.bag().weighedGrams()),
                            factor
                                    * (valuer.formula(Outlooks.rest(plan, now))
                                            - standing.bag().weighedGrams()));
                });
    }

    private DayPlanner planner(ScenarioSet likely, EventData event, DayStart begin, List<PlanStop> locked) {
        return new DayPlanner(
                likely,
                lakes.dayRuns(event),
                begin,
                new DayPlanner.Wishes(Strategy.BALANCED, locked, c -> true),
                Budgets.SEED);
    }

    /**
     * Puts what was found in the place of the plan's rest.
     *
     * @return where a POST takes it back; empty: nothing is known any more
     */
    Optional<String> take(EventKey key, EventData event, int day) {
        Result found = work.state(new DayKey(key, day), basis(event, day))
                .map(BackgroundComputation.State::result)
                .orElse(null);
        if (found == null) {
            return Optional.empty();
        }
        List<PlanStop> stops = new ArrayList<>();
        for (PlanStop s : event.planOf(day)) {
            if (s.arrive().isBefore(found.at())) {
                stops.add(s.leave().isAfter(found.at()) ? s.during(s.arrive(), found.at()) : s);
            }
        }
        stops.addAll(found.stops());
        drop(key, day);
        return Optional.of(plans.replace(
                key, day, "Rest of the day planned again at " + Dates.clock(found.at(), event.timeZone()), stops));
    }

    void drop(EventKey key, int day) {
        work.forget(new DayKey(key, day));
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
