package lochan.web.plan;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.search.TwoDays;
import lochan.core.planning.valuation.Calibration;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayModels;
import lochan.web.plan.PlanBackups.OfPlan;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Searches in the background for plans around the locked stops of one. What is found never goes into a plan by itself: it lies beside it until
 * it is taken, or practice changes.
 */
@Service
class PlanSearch {

    private static final int KEPT = 50;
    /** Rounds for each of the plans that a spread over two days is compared by, as a share of those asked for. */
    private static final int TWO_DAYS_SHARE = 4;

    private final PlanValuation computation;
    private final Lakes lakes;
    private final Projections projections;
    private final Budgets budgets;
    private final BackgroundComputation<OfPlan, List<Result>> work =
            new BackgroundComputation<>("plan-search", OfPlan::key, KEPT, BackgroundComputation.ASKED_FOR);

    PlanSearch(PlanValuation computation, Lakes lakes, Projections projections, Budgets budgets) {
        this.budgets = budgets;
        this.computation = computation;
        this.lakes = lakes;
        this.projections = projections;
    }

    /**
     * The search's task.
     *
     * @param strategies  one plan for each
     * @param bothDays whether this day and the next are planned together; by the first strategy
     * @param avoid    spots left alone
     * @param rounds   of the search
     */
    record Request(List<Strategy> strategies, boolean bothDays, Set<String> avoid, int rounds) {

        Request {
            strategies = List.copyOf(strategies);
            avoid = Set.copyOf(avoid);
        }

        int progressEnds() {
            return bothDays ? 5 : strategies.size() * DayPlanner.done(rounds);
        }
    }

    /**
     * A plan that was found.
     *
     * @param savedSpotId a spot left alone for the next day; null: none
     * @param next        the next day's plan; null: only this day was planned
     * @param nextGrams   its V; 0 when there is none
     * @param locked      the stops it was searched around
     */
    record Result(
            Strategy strategy,
            List<PlanStop> stops,
            PlanValue value,
            @Nullable String savedSpotId,
            @Nullable List<PlanStop> next,
            double nextGrams,
            List<PlanStop> locked) {

        private Result as(Strategy aim) {
            return new Result(aim, stops, value, savedSpotId, next, nextGrams, locked);
        }
    }

    /** Returns the state for a plan, whatever was done to the plan since. */
    Optional<BackgroundComputation.State<List<Result>>> state(EventKey key, long plan, EventData event, int day) {
        return work.state(new OfPlan(key, plan), basis(event, day));
    }

    /** A new forecast, which a service may bring at any moment, takes nothing away that was found by the one before. */
    private static List<Object> basis(EventData e, int day) {
        EventData anyWeather = e.toBuilder().forecast(List.of()).build();
        return List.of(day, DayModels.basis(anyWeather, day), PlanValuation.dayBefore(e, day));
    }

    void begin(EventKey key, long id, EventData event, Plan plan, Request wanted) {
        List<PlanStop> locked = plan.stops().stream().filter(PlanStop::locked).toList();
        Calibration calibration = projections.calibration(key.accountId());
        work.beginAgain(
                new OfPlan(key, id),
                basis(event, plan.day()),
                wanted.progressEnds(),
                progress -> wanted.bothDays()
                        ? bothDays(key, event, plan.day(), locked, wanted, calibration, progress)
                        : oneDay(key, event, plan.day(), locked, wanted, calibration, progress));
    }

    void stop(EventKey key, long plan) {
        work.stop(new OfPlan(key, plan));
    }

    private List<Result> oneDay(
            EventKey key,
            EventData event,
            int day,
            List<PlanStop> locked,
            Request wanted,
            Calibration calibration,
            BackgroundComputation.Progress<?> progress) {
        ScenarioSet scenarios = computation.scenarios(key, event, day);
        List<Result> found = new ArrayList<>();
        for (Strategy strategy : wanted.strategies()) {
            int before = found.size() * DayPlanner.done(wanted.rounds());
            IntPredicate goOn = round -> progress.goOn(before + round);
            if (!found.isEmpty() && !goOn.test(0)) {
                break;
            }
            List<PlanStop> stops = new DayPlanner(
                            scenarios,
                            lakes.dayRuns(event),
                            DayPlanner.Wishes.avoiding(strategy, locked, wanted.avoid()),
                            Budgets.SEED)
                    .plan(wanted.rounds(), goOn);
            found.add(new Result(
                    strategy,
                    stops,
                    new PlanValuer(scenarios).projection(stops, budgets.simulatedDays(), calibration),
                    null,
                    null,
                    0,
                    locked));
        }
        List<Result> all = List.copyOf(found);
        found.replaceAll(f -> f.strategy().bestOf(all, Result::value).as(f.strategy()));
        return found;
    }

    private List<Result> bothDays(
            EventKey key,
            EventData event,
            int day,
            List<PlanStop> locked,
            Request wanted,
            Calibration calibration,
            BackgroundComputation.Progress<?> progress) {
        ScenarioSet first = computation.scenarios(key, event, day);
        ScenarioSet second = new ScenarioSet(
                new FittedDayModel(event, day + 1, PlanValuation.ASSUMPTIONS), first.count(), Budgets.SEED);
        Strategy strategy = wanted.strategies().getFirst();
        return TwoDays.ways(
                        first,
                        second,
                        lakes.dayRuns(event),
                        DayPlanner.Wishes.avoiding(strategy, locked, wanted.avoid()),
                        Budgets.SEED,
                        Math.max(2, wanted.rounds() / TWO_DAYS_SHARE),
                        progress::goOn)
                .stream()
                .map(w -> new Result(
                        strategy,
                        w.first(),
                        new PlanValuer(first).projection(w.first(), budgets.simulatedDays(), calibration),
                        w.savedSpotId(),
                        w.second(),
                        w.secondGrams() * calibration.factor(),
                        locked))
                .toList();
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
