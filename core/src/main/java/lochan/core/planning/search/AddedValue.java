package lochan.core.planning.search;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.RunTable;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;

/**
 * What cells and patterns add to the day ({@code model.md} §8): what V of the best plan loses without one that it uses, or gains
 * by the best insertion or exchange of one that it does not.
 */
public final class AddedValue {

    private static final double MINUTES_PER_HOUR = 60;

    private final ScenarioSet scenarios;
    private final DayModel model;
    private final DayRuns runs;
    private final RunTable table;
    private final long seed;
    private final int rounds;
    private final IntPredicate goOn;
    private final PlanValuer valuer;
    private final List<PlanStop> plan;
    private final double grams;
    private final Map<Cell, Double> cells = new HashMap<>();
    private final Map<Pattern, Double> patterns = new HashMap<>();

    private AddedValue(ScenarioSet scenarios, DayRuns runs, long seed, int rounds, IntPredicate goOn) {
        this.goOn = goOn;
        this.scenarios = scenarios;
        this.model = scenarios.model();
        this.runs = runs;
        this.table = new RunTable(model.event(), runs);
        this.seed = seed;
        this.rounds = rounds;
        this.valuer = new PlanValuer(scenarios);
        this.plan = best(c -> true);
        this.grams = valuer.formula(plan);
        Set<Cell> used = plan.stream().map(Cell::of).collect(Collectors.toSet());
        Set<Pattern> usedPatterns = used.stream().map(model::pattern).collect(Collectors.toSet());
        model.cells().stream()
                .filter(model::isOpen)
                .forEach(c -> cells.put(c, used.contains(c) ? loss(other -> !other.equals(c)) : gain(c)));
        model.cells().stream()
                .map(model::pattern)
                .distinct()
                .forEach(p -> patterns.put(
                        p,
                        usedPatterns.contains(p)
                                ? loss(c -> !model.pattern(c).equals(p))
                                : cells.keySet().stream()
                                        .filter(c -> model.pattern(c).equals(p))
                                        .mapToDouble(cells::get)
                                        .max()
                                        .orElse(0)));
    }

    /** @param rounds of the search for each plan that is compared */
    public static AddedValue of(ScenarioSet scenarios, DayRuns runs, long seed, int rounds) {
        return of(scenarios, runs, seed, rounds, done -> true);
    }

    /**
     * Returns the added value, as long as someone waits for it.
     *
     * @param goOn asked again and again, with the cells done so far
     * @throws CancellationException once it says no
     */
    public static AddedValue of(ScenarioSet scenarios, DayRuns runs, long seed, int rounds, IntPredicate goOn) {
        return new AddedValue(scenarios, runs, seed, rounds, goOn);
    }

    private void stopWhenUnwanted() {
        if (!goOn.test(cells.size())) {
            throw new CancellationException();
        }
    }

    private List<PlanStop> best(Predicate<Cell> usable) {
        stopWhenUnwanted();
        return new DayPlanner(scenarios, table, new DayPlanner.Wishes(Strategy.BALANCED, List.of(), usable), seed)
                .plan(rounds, i -> true);
    }

    private double loss(Predicate<Cell> usable) {
        return Math.max(0, grams - valuer.formula(best(usable)));
    }

    private double gain(Cell cell) {
        stopWhenUnwanted();
        return Math.max(0, DayTours.bestWith(scenarios, plan, cell, table) - grams);
    }

    /** The plan it is computed by, with its value by the formula, g. */
    public List<PlanStop> plan() {
        return plan;
    }

    /** Grams; 0 for a cell that would not change the day. */
    public double ofCell(Cell cell) {
        return cells.getOrDefault(cell, 0.0);
    }

    /** Grams per hour of its time in the plan (one hour when it has none) with its run from the launch and set-up time. */
    public double ofCellPerHour(Cell cell) {
        Duration run = runs.calm()
                .runAndSetUp(model.event().launch(), model.spot(cell.spotId()).position())
                .orElse(Duration.ZERO);
        Duration dwell = plan.stream()
                .filter(s -> Cell.of(s).equals(cell))
                .map(s -> Duration.between(s.arrive(), s.leave()))
                .reduce(Duration::plus)
                .orElse(Duration.ofHours(1));
        return ofCell(cell) / (dwell.plus(run).toMinutes() / MINUTES_PER_HOUR);
    }

    /** Grams. */
    public double ofPattern(Pattern pattern) {
        return patterns.getOrDefault(pattern, 0.0);
    }
}
