package lochan.core.planning.runs;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.DoubleFunction;
import java.util.function.IntToLongFunction;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeRuns;
import lochan.core.lake.Runs;
import lochan.core.lake.depth.OpenWater;
import lochan.core.practice.ForecastPeriod;

/**
 * The runs of a competition day: at the boat's running speed, at its rough-water speed when they begin in hours whose forecast wind makes open
 * water rough, and in the lee alone while more wind is forecast than the boat takes. Where the forecast does not say from where that wind comes, or no
 * lake is known, nothing can be said of the lee, and runs are rough ones.
 */
public final class DayRuns {

    /** No run is longer, ms: none is there. */
    static final int NONE = Integer.MAX_VALUE / 4;

    private static final int CALM = 0;
    private static final int ROUGH = 1;
    private static final double DIRECTIONS = 16;

    private final List<Runs> kinds;
    private final Map<Double, Integer> lees;
    private final List<Hours> windy;
    private final List<Hours> beyond;

    /** Hours of wind, epoch ms, and the runs in them. */
    private record Hours(long from, long to, int kind) {

        boolean holds(long time) {
            return time >= from && time < to;
        }
    }

    private DayRuns(List<Runs> kinds, Map<Double, Integer> lees, List<Hours> windy) {
        this.kinds = List.copyOf(kinds);
        this.lees = Map.copyOf(lees);
        this.windy = List.copyOf(windy);
        this.beyond = windy.stream().filter(h -> h.kind > ROUGH).toList();
    }

    /**
     * @param calm  runs at running speed
     * @param rough runs at the rough-water speed
     * @param lee   runs at the rough-water speed that keep off water open to a wind, by the direction it comes from in degrees from north
     */
    public static DayRuns of(
            EventData event, Assumptions.Planning planning, Runs calm, Runs rough, DoubleFunction<Runs> lee) {
        List<Runs> kinds = new ArrayList<>(List.of(calm, rough));
        Map<Double, Integer> byDirection = new HashMap<>();
        List<Hours> windy = new ArrayList<>();
        for (ForecastPeriod f : event.forecast()) {
            Double from = f.windFromDeg();
            int kind = CALM;
            if (isBeyond(event, f) && event.lake() != null && from != null) {
                kind = byDirection.computeIfAbsent(direction(from), d -> {
                    kinds.add(lee.apply(d));
                    return kinds.size() - 1;
                });
            } else if (isBeyond(event, f) || (f.windMps() != null && f.windMps() >= planning.roughWindMps())) {
                kind = ROUGH;
            }
            if (kind != CALM) {
                windy.add(new Hours(f.from().toEpochMilli(), f.to().toEpochMilli(), kind));
            }
        }
        return new DayRuns(kinds, byDirection, windy);
    }

    /** Whether more wind is forecast than the boat takes. */
    public static boolean isBeyond(EventData event, ForecastPeriod period) {
        Double most = event.boat().maxRunWindMps();
        return most != null && period.windMps() != null && period.windMps() >= most;
    }

    /** The directions lees are computed for, degrees. */
    private static double direction(double fromDeg) {
        return Math.round(fromDeg / 360 * DIRECTIONS) % DIRECTIONS * 360 / DIRECTIONS;
    }

    /** The runs of an event's boat on its lake. */
    public static DayRuns of(EventData event, Assumptions.Planning planning) {
        return of(
                event,
                planning,
                Runs.of(event.lake(), event.boat(), planning),
                Runs.of(event.lake(), inRoughWater(event.boat()), planning),
                from -> inLee(event.knownLake(), event.boat(), from, planning));
    }

    /** Returns runs that don't depend on the wind. */
    public static DayRuns always(Runs runs) {
        return new DayRuns(List.of(runs, runs), Map.of(), List.of());
    }

    /** A boat that runs at its rough-water speed. */
    public static Boat inRoughWater(Boat boat) {
        return boat.atSpeeds(Math.min(boat.runMps(), boat.roughMps()), boat.roughMps());
    }

    /** Runs that keep off water open to a wind. */
    public static Runs inLee(Lake lake, Boat boat, double windFromDeg, Assumptions.Planning planning) {
        return new LakeRuns(lake, inRoughWater(boat), OpenWater.of(lake, windFromDeg, planning.exposedFetchM()));
    }

    /** The quickest run that begins at a time; empty when there is none that the boat takes. */
    public Optional<Runs.Run> between(Position from, Position to, Instant leaving) {
        return from.equals(to)
                ? Optional.of(new Runs.Run(0, Duration.ZERO))
                : kinds.get(taken(from, to, leaving)).between(from, to);
    }

    /** Its corners, both ends included. */
    public Optional<List<Position>> route(Position from, Position to, Instant leaving) {
        return from.equals(to)
                ? Optional.of(List.of(from, to))
                : kinds.get(taken(from, to, leaving)).route(from, to);
    }

    /** Time from leaving one spot to the first cast at another; empty when there is no run. */
    public Optional<Duration> runAndSetUp(Position from, Position to, Instant leaving) {
        return between(from, to, leaving).map(calm()::withSetUp);
    }

    /** Whether a run keeps to the lee because more wind is forecast, while it lasts, than the boat takes. */
    public boolean isInLee(Position from, Position to, Instant leaving) {
        return !from.equals(to) && taken(from, to, leaving) > ROUGH;
    }

    private int taken(Position from, Position to, Instant leaving) {
        return taken(leaving.toEpochMilli(), k -> kinds.get(k)
                .between(from, to)
                .map(r -> r.time().toMillis())
                .orElse((long) NONE));
    }

    /** Which kind of runs is taken from a time on: that of its hour, or the slowest that hours under way ask for. */
    int taken(long leaving, IntToLongFunction millis) {
        int kind = CALM;
        for (Hours h : windy) {
            if (h.holds(leaving)) {
                kind = Math.max(kind, h.kind);
            }
        }
        if (!beyond.isEmpty()) {
            long time = millis.applyAsLong(kind);
            for (Hours h : beyond) {
                if (h.kind != kind && h.from < leaving + time && h.to > leaving && millis.applyAsLong(h.kind) >= time) {
                    kind = h.kind;
                    time = millis.applyAsLong(kind);
                }
            }
        }
        return kind;
    }

    List<Runs> kinds() {
        return kinds;
    }

    public boolean isRough(Instant time) {
        return windy.stream().anyMatch(h -> h.holds(time.toEpochMilli()));
    }

    /** Whether the wind of a time is more than the boat takes. */
    public boolean isBeyond(Instant time) {
        return beyond.stream().anyMatch(h -> h.holds(time.toEpochMilli()));
    }

    public Runs calm() {
        return kinds.get(CALM);
    }

    public Runs rough() {
        return kinds.get(ROUGH);
    }

    /** The runs in the lee of each wind that the forecast has beyond the boat, by the direction it comes from in degrees. */
    public SortedMap<Double, Runs> inLee() {
        SortedMap<Double, Runs> all = new TreeMap<>();
        lees.forEach((from, kind) -> all.put(from, kinds.get(kind)));
        return all;
    }

    /**
     * When to leave a place at the latest ({@code model.md} §10): by less the run on rough water, whatever the forecast says; earlier where wind that the
     * boat does not take comes before, and empty when there is no way.
     *
     * @param by when to be there
     */
    public Optional<Instant> leaveBy(Position from, Position to, Instant by) {
        if (from.equals(to)) {
            return Optional.of(by);
        }
        Duration run = rough().between(from, to).map(Runs.Run::time).orElse(null);
        if (run == null) {
            return Optional.empty();
        }
        Instant latest = by.minus(run);
        for (Hours h : beyond.reversed()) {
            if (h.from < latest.plus(run).toEpochMilli() && h.to > latest.toEpochMilli()) {
                Instant before = Instant.ofEpochMilli(h.from).minus(run);
                Instant lee = kinds.get(h.kind)
                        .between(from, to)
                        .map(r -> by.minus(r.time()))
                        .orElse(before);
                latest = lee.isAfter(before) ? lee : before;
            }
        }
        return Optional.of(latest);
    }
}
