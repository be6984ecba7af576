package lochan.core.planning.edits;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Passages;
import lochan.core.planning.runs.RunTable;

/**
 * Changes of a plan by hand. Each gives a new list of stops in which what comes after the change is put off as far as the runs need and no
 * farther, each stop keeping its length; a locked stop never moves, the one before it is cut shorter where it must be. A change may still
 * make a plan that breaks {@link PlanCheck}: those say so.
 */
public final class PlanEdits {

    private final EventData event;
    private final DayRuns runs;
    private final int dayNumber;
    private final CompetitionDay day;
    private final Assumptions.Planning planning;
    private final Duration grid;
    private final Duration shortest;
    private final RunTable table;
    private final Passages passages;

    public PlanEdits(EventData event, int day, Assumptions.Planning planning, DayRuns runs) {
        this.event = event;
        this.runs = runs;
        this.dayNumber = day;
        this.day = event.day(day);
        this.planning = planning;
        this.grid = Duration.ofMinutes(planning.gridMinutes());
        this.shortest = Duration.ofMinutes(planning.minDwellMinutes());
        this.table = new RunTable(event, runs);
        this.passages = Passages.onGrid(event, planning, table, this.day.start());
    }

    /** A stop with exactly these values in the place of one; those after it are put off as they must be. */
    public List<PlanStop> replaced(List<PlanStop> stops, int index, PlanStop stop) {
        List<PlanStop> changed = new ArrayList<>(stops);
        changed.set(index, stop);
        return putOff(changed, index + 1);
    }

    /** A stop begun at another time, as early as the run to it allows, as long as before. */
    public List<PlanStop> startedAt(List<PlanStop> stops, int index, Instant arrive) {
        PlanStop stop = stops.get(index);
        Instant earliest = earliest(stops, index, stop.spotId(), length(stop));
        Instant from = arrive.isBefore(earliest) ? earliest : onGrid(arrive);
        return replaced(stops, index, stop.during(from, from.plus(length(stop))));
    }

    /** A stop ended at another time, no shorter than a stop may be. */
    public List<PlanStop> endedAt(List<PlanStop> stops, int index, Instant leave) {
        PlanStop stop = stops.get(index);
        Instant least = stop.arrive().plus(shortest);
        return replaced(stops, index, stop.during(stop.arrive(), leave.isBefore(least) ? least : onGrid(leave)));
    }

    /** A stop at another place in the order; from the first that changes on, the day follows as close as the runs allow. */
    public List<PlanStop> moved(List<PlanStop> stops, int from, int to) {
        List<PlanStop> changed = new ArrayList<>(stops);
        changed.add(to, changed.remove(from));
        return pulledUp(changed, Math.min(from, to));
    }

    public List<PlanStop> without(List<PlanStop> stops, int index) {
        List<PlanStop> rest = new ArrayList<>(stops);
        rest.remove(index);
        return rest;
    }

    /** Start each stop as early as the runs allow. */
    public List<PlanStop> pulledUp(List<PlanStop> stops) {
        return pulledUp(stops, 0);
    }

    /**
     * A new stop where it makes the day best, among the places at which all stops can be kept; behind all others when there is none.
     *
     * @param value of a plan; more is better
     */
    public List<PlanStop> with(
            List<PlanStop> stops,
            String spotId,
            String presentationId,
            Duration length,
            ToDoubleFunction<List<PlanStop>> value) {
        List<List<PlanStop>> tries = new ArrayList<>();
        for (int at = 0; at <= stops.size(); at++) {
            List<PlanStop> more = new ArrayList<>(stops);
            Instant from = earliest(stops, at, spotId, length);
            more.add(at, new PlanStop(spotId, presentationId, from, from.plus(length)));
            tries.add(putOff(more, at + 1));
        }
        return tries.stream()
                .filter(this::canBeKept)
                .max(Comparator.comparingDouble(value))
                .orElse(tries.getLast());
    }

    /** Whether the boat reaches every stop in time, none overlap, it is ashore in lightning hours, and back with the margin in hand. */
    public boolean canBeKept(List<PlanStop> stops) {
        Plan plan = new Plan(dayNumber, null, stops);
        return PlanCheck.check(event, plan).isEmpty()
                && stops.stream().noneMatch(s -> PlanCheck.lightningAt(event, s, planning)
                        .isPresent())
                && PlanCheck.legs(event, plan, planning, runs).stream().allMatch(PlanCheck.Leg::fits);
    }

    private List<PlanStop> pulledUp(List<PlanStop> stops, int first) {
        return followed(stops, first, true);
    }

    private List<PlanStop> putOff(List<PlanStop> stops, int first) {
        return followed(stops, first, false);
    }

    /** @param closeUp whether stops that could begin later begin as early as the runs allow too */
    private List<PlanStop> followed(List<PlanStop> stops, int first, boolean closeUp) {
        List<PlanStop> changed = new ArrayList<>(stops);
        for (int i = first; i < changed.size(); i++) {
            PlanStop s = changed.get(i);
            Instant from = earliest(changed, i, s.spotId(), length(s));
            if (!s.locked() && (closeUp || s.arrive().isBefore(from))) {
                changed.set(i, s.during(from, from.plus(length(s))));
            }
        }
        return shortenedBeforeLocked(changed, first);
    }

    /** Cuts a stop that leaves too late for the locked one after it, as far as a stop may be cut. */
    private List<PlanStop> shortenedBeforeLocked(List<PlanStop> stops, int first) {
        for (int i = Math.max(1, first); i < stops.size(); i++) {
            PlanStop before = stops.get(i - 1);
            PlanStop s = stops.get(i);
            if (s.locked() && !before.locked()) {
                Optional<Duration> run =
                        runs.runAndSetUp(position(before.spotId()), position(s.spotId()), before.leave());
                Instant latest = run.map(s.arrive()::minus).orElse(before.leave());
                if (latest.isBefore(before.leave())
                        && !latest.isBefore(before.arrive().plus(shortest))) {
                    stops.set(i - 1, before.during(before.arrive(), latest));
                }
            }
        }
        return stops;
    }

    /**
     * The first time of the grid at which a spot can be fished for a time after the stops before an index: after lightning where it would come between, and
     * after the run alone where nothing leads ashore.
     */
    private Instant earliest(List<PlanStop> stops, int index, String spotId, Duration stay) {
        Instant left = index == 0 ? day.start() : stops.get(index - 1).leave();
        int here =
                index == 0 ? RunTable.BEGIN : table.place(stops.get(index - 1).spotId());
        int there = table.place(spotId);
        long begin = passages.begin(here, left.toEpochMilli(), there, left.toEpochMilli(), stay.toMillis(), null);
        if (begin != Passages.NEVER) {
            return Instant.ofEpochMilli(begin);
        }
        Position from =
                index == 0 ? event.launch() : position(stops.get(index - 1).spotId());
        return onGrid(left.plus(runs.runAndSetUp(from, position(spotId), left).orElse(Duration.ZERO)));
    }

    private Position position(String spotId) {
        return event.spot(spotId).orElseThrow().position();
    }

    private static Duration length(PlanStop stop) {
        return Duration.between(stop.arrive(), stop.leave());
    }

    private Instant onGrid(Instant time) {
        return day.start()
                .plus(grid.multipliedBy(
                        Math.ceilDiv(Duration.between(day.start(), time).toMillis(), grid.toMillis())));
    }
}
