package lochan.core.planning;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.rate.Cell;
import lochan.core.rate.Pattern;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.core.water.Runs;

/**
 * What cells and patterns are worth to the day ({@code model.md} §8): what V of the best plan loses without one that it uses, or gains
 * by the best insertion of one that it does not. The best plan is the greedy planner's.
 */
public final class Worth {

    private static final double MINUTES_PER_HOUR = 60;

    private final DayModel model;
    private final Runs runs;
    private final GreedyPlanner.Suggestion plan;
    private final Map<Cell, Double> cells = new HashMap<>();
    private final Map<Pattern, Double> patterns = new HashMap<>();

    private Worth(ScenarioSet scenarios, Runs runs) {
        this.model = scenarios.model();
        this.runs = runs;
        GreedyPlanner planner = new GreedyPlanner(scenarios, runs);
        List<Cell> all = planner.candidates();
        this.plan = planner.suggest(all, c -> true);
        for (Cell cell : model.cells()) {
            boolean used = plan.stops().stream().anyMatch(s -> cell.equals(new Cell(s.spotId(), s.presentationId())));
            cells.put(cell, used ? loss(planner.suggest(all, c -> !c.equals(cell))) : planner.insertionGain(plan, cell));
        }
        model.cells().stream().map(model::pattern).distinct().forEach(pattern -> {
            boolean used = plan.stops().stream().anyMatch(s -> pattern.equals(model.pattern(new Cell(s.spotId(), s.presentationId()))));
            patterns.put(pattern, used ? loss(planner.suggest(all, c -> !model.pattern(c).equals(pattern)))
                    : model.cells().stream().filter(c -> model.pattern(c).equals(pattern)).mapToDouble(cells::get).max().orElse(0));
        });
    }

    public static Worth of(ScenarioSet scenarios, Runs runs) {
        return new Worth(scenarios, runs);
    }

    private double loss(GreedyPlanner.Suggestion without) {
        return Math.max(0, plan.grams() - without.grams());
    }

    /** Grams; 0 for a cell that would not change the day. */
    public double ofCell(Cell cell) {
        return cells.getOrDefault(cell, 0.0);
    }

    /** Grams per hour of its time in the plan (one hour when it has none) with its run from the launch and settling. */
    public double ofCellPerHour(Cell cell) {
        Duration run = runs.runAndSettle(model.event().brief().launch(), model.spot(cell.spotId()).position()).orElse(Duration.ZERO);
        Duration dwell = plan.stops().stream().filter(s -> cell.equals(new Cell(s.spotId(), s.presentationId())))
                .map(s -> Duration.between(s.arrive(), s.leave())).reduce(Duration::plus).orElse(Duration.ofHours(1));
        return ofCell(cell) / (dwell.plus(run).toMinutes() / MINUTES_PER_HOUR);
    }

    /** Grams. */
    public double ofPattern(Pattern pattern) {
        return patterns.getOrDefault(pattern, 0.0);
    }
}
