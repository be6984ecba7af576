package lochan.core.planning.search;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.Passages;
import lochan.core.planning.runs.RunTable;
import lochan.core.planning.valuation.FishVisits;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.core.quantity.Hours;
import org.jspecify.annotations.Nullable;

/**
 * A competition day as tours: items are cells that may be fished, then stops that are locked as they stand. A step is one of the grid's.
 * A stop begins on the grid, after the run and set-up time; in lightning hours the boat is ashore or at a shelter; it is back by check-in less the
 * margin.
 */
public final class DayTours implements Tours {

    private static final int[] STAYS_MINUTES = {15, 30, 60, 120};
    private static final int MOST_VISITS_OF_ONE = 2;
    /** Shorter, a lure was hardly tried. */
    private static final long HASTY_MILLIS = Duration.ofMinutes(30).toMillis();
    /** A change of lure after less than that must be worth half a hundredth of the day. */
    private static final double WORTH_A_CHANGE = 0.995;

    private static final double NEAR = 0.02;
    /** With so few, rounds are quick: more scenarios are looked at and every tour is improved. */
    static final int FEW_CELLS = 12;

    private final PlanValuer valuer;
    private final List<Cell> cells;
    private final List<PlanStop> locked;
    private final Strategy strategy;
    private final int scenarios;
    private final @Nullable Double targetGrams;
    /** Epoch ms, as all times. */
    private final long start;

    private final long grid;
    private final long backBy;
    private final int shortest;
    private final int[] stays;
    private final long[] binEnds;
    private final int[] placeOf;
    private final CellScenarios[] drawn;
    private final PlanValuer.Fishing fishing = new PlanValuer.Fishing(64);
    private final Passages passages;
    private final double[] promises;
    private final FishVisits fishVisits;

    /** Tours are asked for what is left of them and then what they are worth: the times of the last one are kept from the one to the other. */
    private @Nullable List<Visit> timed;

    private long @Nullable [] times = {};

    /**
     * @param cells     what may be fished
     * @param promises  of the cells
     * @param locked    stops that stay as they are
     * @param scenarios so many of the set are looked at
     * @param table     runs from where the day begins
     */
    DayTours(
            ScenarioSet set,
            DayStart begin,
            List<Cell> cells,
            double[] promises,
            List<PlanStop> locked,
            Strategy strategy,
            int scenarios,
            RunTable table) {
        DayModel model = set.model();
        Event event = model.event().event();
        CompetitionDay day = event.day(model.day());
        Assumptions.Planning planning = model.assumptions().planning();
        this.valuer = new PlanValuer(set, begin.bag());
        this.cells = List.copyOf(cells);
        this.locked = List.copyOf(locked);
        this.strategy = strategy;
        this.scenarios = Math.min(scenarios, set.count());
        this.targetGrams = event.rules().targetGrams();
        this.start = begin.at().toEpochMilli();
        this.grid = Duration.ofMinutes(planning.gridMinutes()).toMillis();
        this.backBy = day.checkIn().toEpochMilli()
                - Duration.ofMinutes(planning.checkInMarginMinutes()).toMillis();
        this.shortest = planning.minDwellMinutes() / planning.gridMinutes();
        this.stays = Arrays.stream(STAYS_MINUTES)
                .map(m -> Math.max(shortest, m / planning.gridMinutes()))
                .distinct()
                .toArray();
        this.binEnds =
                model.bins().stream().mapToLong(b -> b.end().toEpochMilli()).toArray();
        this.placeOf = new int[items()];
        this.drawn = new CellScenarios[items()];
        for (int i = 0; i < placeOf.length; i++) {
            placeOf[i] = table.place(cell(i).spotId());
            drawn[i] = set.cell(cell(i));
        }
        this.passages = Passages.onGrid(model.event(), planning, table, begin.at());
        this.promises = promises.clone();
        this.fishVisits = FishVisits.of(model);
    }

    private Cell cell(int item) {
        if (item < cells.size()) {
            return cells.get(item);
        }
        PlanStop stop = locked.get(item - cells.size());
        return Cell.of(stop);
    }

    @Override
    public int items() {
        return cells.size() + locked.size();
    }

    @Override
    public int[] stays(int item) {
        return stays.clone();
    }

    @Override
    public int shortestStay(int item) {
        return shortest;
    }

    @Override
    public boolean isFixed(int item) {
        return item >= cells.size();
    }

    @Override
    public int mostVisits(int item) {
        return isFixed(item) ? 1 : MOST_VISITS_OF_ONE;
    }

    @Override
    public double near() {
        return cells.size() <= FEW_CELLS ? 1 : NEAR;
    }

    @Override
    public double promise(int item) {
        return isFixed(item) ? 0 : promises[item];
    }

    /** The visits of the locked stops. */
    List<Visit> given() {
        List<Visit> visits = new ArrayList<>();
        for (int i = 0; i < locked.size(); i++) {
            visits.add(new Visit(cells.size() + i, (int)
                    (Duration.between(locked.get(i).arrive(), locked.get(i).leave())
                                    .toMillis()
                            / grid)));
        }
        return visits;
    }

    @Override
    public double slack(List<Visit> tour) {
        timed = null;
        long[] at = times(tour);
        if (at == null) {
            return -1;
        }
        return tour.isEmpty() ? (double) (backBy - start) / grid : left(tour, at);
    }

    private double left(List<Visit> tour, long[] at) {
        long back = passages.home(placeOf[tour.getLast().item()], at[at.length - 1], null);
        return back == Passages.NEVER ? -1 : (double) (backBy - back) / grid;
    }

    @Override
    public double value(List<Visit> tour) {
        fish(tour);
        return strategy.score(valuer.outcomes(fishing, scenarios, strategy.needsSpread()), targetGrams);
    }

    /** Fills in what a tour fishes. */
    private void fish(List<Visit> tour) {
        long[] at = timesOfOneThatFits(tour);
        fishing.clear();
        for (int i = 0; i < tour.size(); i++) {
            int item = tour.get(i).item();
            long from = at[2 * i];
            long leave = at[2 * i + 1];
            if (!fishVisits.none()) {
                fishVisits.add(
                        fishing.visits(fishVisits.count()),
                        cell(item).spotId(),
                        Instant.ofEpochMilli(from),
                        Instant.ofEpochMilli(leave));
            }
            for (int bin = 0; bin < binEnds.length && from < leave; bin++) {
                if (from < binEnds[bin] || bin == binEnds.length - 1) {
                    long to = bin == binEnds.length - 1 ? leave : Math.min(binEnds[bin], leave);
                    fishing.add(drawn[item], placeOf[item], bin, Hours.ofMillis(to - from));
                    from = to;
                }
            }
        }
    }

    /** Arrival and leaving of each visit by turns, null when they cannot be. */
    private long @Nullable [] times(List<Visit> tour) {
        if (tour != timed) {
            times = computed(tour);
            timed = tour;
        }
        return times;
    }

    private long[] timesOfOneThatFits(List<Visit> tour) {
        return Objects.requireNonNull(times(tour), "the tour does not fit");
    }

    private long @Nullable [] computed(List<Visit> tour) {
        long[] at = new long[2 * tour.size()];
        long time = start;
        int here = RunTable.BEGIN;
        for (int i = 0; i < tour.size(); i++) {
            Visit v = tour.get(i);
            int there = placeOf[v.item()];
            if (isFixed(v.item())) {
                PlanStop stop = locked.get(v.item() - cells.size());
                at[2 * i] = stop.arrive().toEpochMilli();
                at[2 * i + 1] = stop.leave().toEpochMilli();
                if (passages.begin(here, time, there, at[2 * i], at[2 * i + 1] - at[2 * i], null) > at[2 * i]) {
                    return null;
                }
            } else {
                long stay = v.stay() * grid;
                at[2 * i] = passages.begin(here, time, there, time, stay, null);
                at[2 * i + 1] = at[2 * i] + stay;
                if (at[2 * i] == Passages.NEVER) {
                    return null;
                }
            }
            time = at[2 * i + 1];
            here = there;
        }
        return at;
    }

    /**
     * Returns the tour without lure changes at one spot that gain next to nothing and come before either lure was
     * fished for long: anglers don't fish like that.
     */
    List<Visit> calmed(List<Visit> tour) {
        List<Visit> calm = tour;
        for (int i = 1; i < calm.size(); i++) {
            Visit before = calm.get(i - 1);
            Visit after = calm.get(i);
            boolean isHasty = !isFixed(before.item())
                    && !isFixed(after.item())
                    && placeOf[before.item()] == placeOf[after.item()]
                    && before.item() != after.item()
                    && Math.min(before.stay(), after.stay()) * grid < HASTY_MILLIS;
            if (isHasty) {
                List<Visit> one = best(joined(calm, i, before.item()), joined(calm, i, after.item()));
                if (slack(one) >= 0 && value(one) >= WORTH_A_CHANGE * valueOf(calm)) {
                    calm = one;
                    // From the first again: beside fewer stops another change may be worth next to nothing.
                    i = 0;
                }
            }
        }
        return calm;
    }

    private double valueOf(List<Visit> tour) {
        return slack(tour) >= 0 ? value(tour) : 0;
    }

    private List<Visit> best(List<Visit> a, List<Visit> b) {
        return valueOf(a) >= valueOf(b) ? a : b;
    }

    private static List<Visit> joined(List<Visit> tour, int at, int item) {
        List<Visit> joined = new ArrayList<>(tour);
        joined.set(
                at - 1, new Visit(item, tour.get(at - 1).stay() + tour.get(at).stay()));
        joined.remove(at);
        return joined;
    }

    /** A tour as stops of a plan; neighbouring visits of one cell are one stop. */
    List<PlanStop> stops(List<Visit> tour) {
        long[] at = timesOfOneThatFits(tour);
        List<PlanStop> stops = new ArrayList<>();
        for (int i = 0; i < tour.size(); i++) {
            Cell cell = cell(tour.get(i).item());
            PlanStop stop = new PlanStop(
                    cell.spotId(),
                    cell.presentationId(),
                    Instant.ofEpochMilli(at[2 * i]),
                    Instant.ofEpochMilli(at[2 * i + 1]),
                    isFixed(tour.get(i).item()));
            boolean same = i > 0
                    && cell.equals(cell(tour.get(i - 1).item()))
                    && !isFixed(tour.get(i).item())
                    && !isFixed(tour.get(i - 1).item())
                    && stops.getLast().leave().equals(stop.arrive());
            if (same) {
                stop = new PlanStop(
                        cell.spotId(), cell.presentationId(), stops.removeLast().arrive(), stop.leave());
            }
            stops.add(stop);
        }
        return stops;
    }

    /** V of a plan with a cell put in at its best place for its best stay, or in the place of a stop; 0 when neither can be. */
    static double bestWith(ScenarioSet set, List<PlanStop> plan, Cell cell, RunTable table) {
        List<Cell> cells =
                new ArrayList<>(plan.stream().map(Cell::of).distinct().toList());
        if (!cells.contains(cell)) {
            cells.add(cell);
        }
        DayTours tours = new DayTours(
                set,
                DayStart.of(set.model()),
                cells,
                new double[cells.size()],
                List.of(),
                Strategy.BALANCED,
                set.count(),
                table);
        List<Visit> now = plan.stream()
                .map(s -> new Visit(cells.indexOf(Cell.of(s)), (int)
                        (Duration.between(s.arrive(), s.leave()).toMillis() / tours.grid)))
                .toList();
        List<List<Visit>> tries = new ArrayList<>();
        int item = cells.indexOf(cell);
        for (int at = 0; at <= now.size(); at++) {
            for (int stay : tours.stays) {
                List<Visit> with = new ArrayList<>(now);
                with.add(at, new Visit(item, stay));
                tries.add(with);
            }
        }
        for (int at = 0; at < now.size(); at++) {
            List<Visit> exchanged = new ArrayList<>(now);
            exchanged.set(at, new Visit(item, now.get(at).stay()));
            tries.add(exchanged);
        }
        return tries.stream()
                .filter(t -> tours.slack(t) >= 0)
                .mapToDouble(tours::value)
                .max()
                .orElse(0);
    }
}
