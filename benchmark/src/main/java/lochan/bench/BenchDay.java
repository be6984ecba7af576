package lochan.bench;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.plan.PlanStop;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.lake.Runs;

/** A day to be planned, with what every solver needs: the same scenarios, runs, grid and objective for all. */
final class BenchDay {

    static final Assumptions.Planning PLANNING = Assumptions.DEFAULTS.planning();

    private static final int ENDLESS = 20_000;
    private static final Duration LAST_LOOK = Duration.ofMillis(150);

    final EventData event;
    final ScenarioSet scenarios;
    final PlanValuer valuer;
    final DayRuns runs;
    final List<Cell> cells;
    final int grid = PLANNING.gridMinutes();
    final int budget;
    private final Instant start;
    /** Minutes with set-up time from place to place, rounded up to the grid; the launch is the last. */
    private final int[][] run;
    private final double[] home;
    private final int[] placeOf;

    BenchDay(EventData event, int scenarioCount, long seed) {
        this.event = event;
        DayModel model = new FittedDayModel(event, 1, Assumptions.DEFAULTS);
        this.scenarios = new ScenarioSet(model, scenarioCount, seed);
        this.valuer = new PlanValuer(scenarios);
        this.cells = model.cells();
        Runs straight = Runs.straight(event.boat(), PLANNING);
        this.runs = DayRuns.always(straight);
        CompetitionDay day = event.day(1);
        this.start = day.start();
        this.budget = (int) Duration.between(day.start(), day.checkIn()).toMinutes() - PLANNING.checkInMarginMinutes();
        List<Position> places = new ArrayList<>(event.spots().stream().map(s -> s.position()).toList());
        places.add(event.launch());
        int n = places.size();
        this.run = new int[n][n];
        this.home = new double[n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                double minutes = i == j ? 0 : straight.runAndSetUp(places.get(i), places.get(j)).orElseThrow().toMillis() / 60_000.0;
                run[i][j] = grid * (int) Math.ceil(minutes / grid - 1e-9);
            }
            home[i] = straight.between(places.get(i), event.checkInAt()).orElseThrow().time().toMillis() / 60_000.0;
        }
        this.placeOf = cells.stream().mapToInt(c -> IntStream.range(0, event.spots().size()).filter(s -> event.spots().get(s).id().equals(c.spotId())).findFirst().orElseThrow())
                .toArray();
    }

    /** The planner's plan after so many rounds. */
    List<PlanStop> planned(int rounds, long seed) {
        return new DayPlanner(scenarios, runs, DayPlanner.Wishes.of(Strategy.BALANCED), seed).plan(rounds, i -> true);
    }

    /** Returns what the solver finds in a time; it stops a little early so that its last look fits. */
    List<PlanStop> planned(Duration time, long seed) {
        long end = System.nanoTime() + time.toNanos() - Math.min(time.toNanos() / 4, LAST_LOOK.toNanos());
        return new DayPlanner(scenarios, runs, DayPlanner.Wishes.of(Strategy.BALANCED), seed).plan(ENDLESS, i -> System.nanoTime() < end);
    }

    /**
     * A day of visits one after the other, each as early as can be.
     *
     * @param late minutes past the time to be back, 0 when it can be kept
     */
    record Tour(List<PlanStop> stops, double late) { }

    /** @param visits index of a cell and steps of the grid by turns */
    Tour tour(int[] visits, int count) {
        List<PlanStop> stops = new ArrayList<>();
        int here = run.length - 1;
        int time = 0;
        for (int i = 0; i < count; i++) {
            int cell = visits[2 * i];
            time += run[here][placeOf[cell]];
            here = placeOf[cell];
            int leave = time + visits[2 * i + 1] * grid;
            stops.add(new PlanStop(cells.get(cell).spotId(), cells.get(cell).presentationId(), start.plus(Duration.ofMinutes(time)), start.plus(Duration.ofMinutes(leave))));
            time = leave;
        }
        return new Tour(stops, count == 0 ? 0 : Math.max(0, time + home[here] - budget));
    }

    /** V of the best of all days there are, each cell visited twice at most, as the planner may. */
    double enumerated() {
        return enumerated(new int[2 * budget / grid], 0);
    }

    private double enumerated(int[] visits, int count) {
        double best = valuer.formula(tour(visits, count).stops());
        for (int cell = 0; cell < cells.size(); cell++) {
            int of = cell;
            if (IntStream.range(0, count).filter(i -> visits[2 * i] == of).count() == 2 || count > 0 && visits[2 * count - 2] == cell) {
                continue;
            }
            visits[2 * count] = cell;
            for (int steps = PLANNING.minDwellMinutes() / grid; ; steps++) {
                visits[2 * count] = cell;
                visits[2 * count + 1] = steps;
                if (tour(visits, count + 1).late() > 0) {
                    break;
                }
                best = Math.max(best, enumerated(visits, count + 1));
            }
        }
        return best;
    }
}
