package lochan.core.planning;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.competition.Bag;
import lochan.core.competition.Fish;
import lochan.core.eventdata.EventData;
import lochan.core.evidence.Bin;
import lochan.core.plan.PlanStop;
import lochan.core.rate.Cell;
import lochan.core.scenario.CellScenarios;
import lochan.core.scenario.ScenarioSet;
import lochan.core.size.Survival;

/** Values plans over the scenarios of a set, by the formula of {@code model.md} §7 and by simulating the fish one by one. */
public final class PlanValuer {

    private final ScenarioSet scenarios;
    private final List<Fish> bag;
    private final BestFish bestFish;

    /** @param bag what is in the well already; fish not weighed are left out */
    public PlanValuer(ScenarioSet scenarios, Bag bag) {
        this(scenarios, bag.well());
    }

    /** Values from an empty well. */
    public PlanValuer(ScenarioSet scenarios) {
        this(scenarios, List.of());
    }

    private PlanValuer(ScenarioSet scenarios, List<Fish> well) {
        this.scenarios = scenarios;
        this.bag = well.stream().filter(f -> f.grams() != null).toList();
        this.bestFish = new BestFish(scenarios.model().event().brief().countingFish(), bag.stream().map(Fish::grams).toList());
    }

    /** V, grams: the formula averaged over the scenarios. */
    public double formula(List<PlanStop> stops) {
        return formula(stops, scenarios.count());
    }

    /** V over the first so many scenarios, which are a random sample of all. */
    double formula(List<PlanStop> stops, int first) {
        return Arrays.stream(byScenario(stops, first)).average().orElse(0);
    }

    /** The formula in each of the first so many scenarios, grams. */
    private double[] byScenario(List<PlanStop> stops, int first) {
        List<Schedule.Segment> segments = Schedule.segments(stops, scenarios.model().bins());
        CellScenarios[] cells = segments.stream().map(s -> scenarios.cell(s.cell())).toArray(CellScenarios[]::new);
        Schedule.Segment[] parts = segments.toArray(Schedule.Segment[]::new);
        int[] pools = pools(segments);
        double[] values = new double[first];
        double[] lambda = new double[Survival.weights()];
        double[] fished = new double[pools.length];
        for (int j = 0; j < values.length; j++) {
            Arrays.fill(lambda, 0);
            Arrays.fill(fished, 0);
            int i = 0;
            while (i < cells.length) {
                // Neighbouring segments of one cell catch alike: their strikes are added before the sizes are.
                CellScenarios cell = cells[i];
                int pool = pools[i];
                double before = fished[pool];
                while (i < cells.length && cells[i] == cell) {
                    fished[pool] += cell.strikesPerHour(j, parts[i].bin()) * parts[i].hours();
                    i++;
                }
                double strikes = cell.strikes(fished[pool]) - cell.strikes(before);
                cell.addLanded(lambda, strikes, j, scenarios.survival());
            }
            values[j] = bestFish.value(lambda);
        }
        return values;
    }

    /**
     * The formula and the spread.
     *
     * @param days simulated days, spread evenly over the scenarios; each scenario gets one at least
     */
    public PlanValue value(List<PlanStop> stops, int days) {
        return simulated(stops, days, 1);
    }

    /** The same as it is shown: every weight scaled by what finished events taught. */
    public PlanValue forecast(List<PlanStop> stops, int days, Calibration calibration) {
        return simulated(stops, days, calibration.factor());
    }

    private PlanValue simulated(List<PlanStop> stops, int days, double factor) {
        EventData event = scenarios.model().event();
        int perScenario = Math.max(1, Math.ceilDiv(days, scenarios.count()));
        Simulation simulation = new Simulation(event.brief(), bag, hours(), scenarios.seed());
        List<Schedule.Segment> segments = Schedule.segments(stops, scenarios.model().bins());
        CellScenarios[] cells = segments.stream().map(s -> scenarios.cell(s.cell())).toArray(CellScenarios[]::new);
        int[] pools = pools(segments);
        double[] strikes = new double[cells.length];
        for (int j = 0; j < scenarios.count(); j++) {
            double[] fished = new double[cells.length];
            for (int i = 0; i < cells.length; i++) {
                strikes[i] = strikes(cells[i], segments.get(i), j, fished, pools[i]);
            }
            simulation.days(perScenario, cells, strikes, hourOf(segments), j, scenarios.model().assumptions().size());
        }
        return simulation.result(formula(stops), factor);
    }

    /** Expected strikes of a segment in a scenario; what was fished at its spot before, by any presentation, is missing. */
    private static double strikes(CellScenarios cell, Schedule.Segment segment, int scenario, double[] fished, int pool) {
        double before = fished[pool];
        fished[pool] += cell.strikesPerHour(scenario, segment.bin()) * segment.hours();
        return cell.strikes(fished[pool]) - cell.strikes(before);
    }

    /** For each segment the number of its spot. */
    private static int[] pools(List<Schedule.Segment> segments) {
        Map<String, Integer> spots = new HashMap<>();
        return segments.stream().map(Schedule.Segment::cell).map(Cell::spotId)
                .mapToInt(s -> spots.computeIfAbsent(s, x -> spots.size())).toArray();
    }

    private int[] hourOf(List<Schedule.Segment> segments) {
        List<Bin> bins = scenarios.model().bins();
        return segments.stream().mapToInt(s -> (int) java.time.Duration.between(bins.getFirst().start(), bins.get(s.bin()).start()).toHours())
                .toArray();
    }

    private int hours() {
        List<Bin> bins = scenarios.model().bins();
        return (int) Math.ceilDiv(java.time.Duration.between(bins.getFirst().start(), bins.getLast().end()).toMinutes(), 60);
    }
}
