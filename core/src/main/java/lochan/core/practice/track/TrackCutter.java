package lochan.core.practice.track;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Spot;

/**
 * Takes a track apart into stops, runs and gaps. The speed at a time is that between the mean places of the half minutes before and after
 * it, which a plotter's noise of a few metres hardly touches; where a stop begins and ends is then told from a few seconds around. Slow time at
 * two anchorages close together is separated by where the boat lay ({@link Stays}).
 */
public final class TrackCutter {

    /** Shorter pauses are not stops. */
    public static final Duration LEAST_STOP = Duration.ofMinutes(4);

    static final Duration LEAST_GAP = Duration.ofMinutes(2);
    /** Faster than this is no fishing, m/s. */
    static final double FAST_MPS = 1.5;

    private static final double LEAST_FAST_SECONDS = 60;
    /** A faster move this long ends a stop however short it is: another place, m. */
    private static final double ANOTHER_PLACE_M = 150;
    /** How far from its middle a stop may reach, m: a drift of twenty minutes goes half a kilometre. */
    private static final double PLACE_RADIUS_M = 350;
    /** Shorter breaks of a stop are none. */
    private static final Duration LONGEST_PAUSE = Duration.ofMinutes(3);
    /** Middles as near as this are one place, m. */
    private static final double ONE_PLACE_M = 60;
    /** Of a bank that is fished to and fro, how far apart the pauses may lie, m. */
    private static final double TO_AND_FRO_M = 150;

    private static final double WINDOW_SECONDS = 30;
    private static final double EDGE_SECONDS = 6;
    /** A fix that would need more than this both ways is a slip of the receiver, m/s. */
    private static final double IMPOSSIBLE_MPS = 45;

    private final List<Spot> spots;
    private final List<Track.Stop> stops = new ArrayList<>();
    private final List<Track.Run> runs = new ArrayList<>();
    private final List<Track.Gap> gaps = new ArrayList<>();

    private TrackCutter(List<Spot> spots) {
        this.spots = spots;
    }

    /**
     * @param fixes in order of time; several of one time count as the first
     * @param spots that stops are matched to
     * @throws IllegalArgumentException when time runs backwards
     */
    public static Track cut(List<Fix> fixes, List<Spot> spots) {
        TrackCutter cutter = new TrackCutter(spots);
        List<Fix> piece = new ArrayList<>();
        for (Fix fix : withoutSlips(fixes)) {
            if (!piece.isEmpty()
                    && Duration.between(piece.getLast().at(), fix.at()).compareTo(LEAST_GAP) >= 0) {
                cutter.gaps.add(new Track.Gap(piece.getLast().at(), fix.at()));
                cutter.cut(piece);
                piece = new ArrayList<>();
            }
            piece.add(fix);
        }
        cutter.cut(piece);
        cutter.joinStops();
        return new Track(cutter.stops, cutter.runs, cutter.gaps);
    }

    /**
     * Joins stops at one place that less than three minutes lie between: a boat that works along a bank, to and fro, is at one place however it
     * pauses. Another place is one it does not come back to, or a spot of its own.
     */
    private void joinStops() {
        List<Track.Stop> joined = new ArrayList<>();
        for (Track.Stop stop : stops) {
            Track.Stop now = stop;
            boolean again = true;
            while (again) {
                Track.Stop last = joined.isEmpty() ? null : joined.getLast();
                Track.Stop before = joined.size() < 2 ? null : joined.get(joined.size() - 2);
                if (last != null && follows(last, now) && isSamePlace(last, now, ONE_PLACE_M)) {
                    joined.removeLast();
                    now = joined(last, now);
                } else if (last != null
                        && before != null
                        && follows(before, last)
                        && follows(last, now)
                        && isSamePlace(before, last, TO_AND_FRO_M)
                        && isSamePlace(before, now, ONE_PLACE_M)) {
                    joined.removeLast();
                    joined.removeLast();
                    now = joined(joined(before, last), now);
                } else {
                    again = false;
                }
            }
            joined.add(now);
        }
        stops.clear();
        stops.addAll(joined);
        runs.removeIf(r -> stops.stream()
                .anyMatch(s -> r.start().isAfter(s.start()) && r.end().isBefore(s.end())));
    }

    private boolean follows(Track.Stop a, Track.Stop b) {
        return Duration.between(a.end(), b.start()).compareTo(LONGEST_PAUSE) < 0
                && gaps.stream()
                        .noneMatch(g -> !g.start().isBefore(a.end()) && !g.end().isAfter(b.start()));
    }

    private static boolean isSamePlace(Track.Stop a, Track.Stop b, double withinM) {
        boolean otherSpot =
                a.spotId() != null && b.spotId() != null && !a.spotId().equals(b.spotId());
        return !otherSpot && a.centre().metresTo(b.centre()) <= withinM;
    }

    private Track.Stop joined(Track.Stop a, Track.Stop b) {
        double longA = Duration.between(a.start(), a.end()).toMillis();
        double longB = Duration.between(b.start(), b.end()).toMillis();
        double share = longA / (longA + longB);
        Position centre = new Position(
                share * a.centre().lat() + (1 - share) * b.centre().lat(),
                share * a.centre().lon() + (1 - share) * b.centre().lon());
        Spot spot = Stays.spot(centre, spots);
        return new Track.Stop(a.start(), b.end(), centre, spot == null ? a.spotId() : spot.id());
    }

    private static List<Fix> withoutSlips(List<Fix> fixes) {
        List<Fix> inOrder = new ArrayList<>();
        for (Fix fix : fixes) {
            if (!inOrder.isEmpty() && fix.at().isBefore(inOrder.getLast().at())) {
                throw new IllegalArgumentException("time runs backwards at " + fix.at());
            }
            if (inOrder.isEmpty() || fix.at().isAfter(inOrder.getLast().at())) {
                inOrder.add(fix);
            }
        }
        List<Fix> kept = new ArrayList<>();
        for (int i = 0; i < inOrder.size(); i++) {
            boolean slip = i > 0
                    && i < inOrder.size() - 1
                    && mps(inOrder.get(i - 1), inOrder.get(i)) > IMPOSSIBLE_MPS
                    && mps(inOrder.get(i), inOrder.get(i + 1)) > IMPOSSIBLE_MPS;
            if (!slip) {
                kept.add(inOrder.get(i));
            }
        }
        return kept;
    }

    private static double mps(Fix a, Fix b) {
        return a.position().metresTo(b.position())
                / (Duration.between(a.at(), b.at()).toMillis() / 1000.0);
    }

    private void cut(List<Fix> fixes) {
        if (fixes.size() < 2) {
            return;
        }
        TrackPiece piece = new TrackPiece(fixes);
        double[] speeds = piece.speeds(WINDOW_SECONDS);
        double[] sharp = piece.speeds(EDGE_SECONDS);
        int n = speeds.length;
        int slowFrom = 0;
        for (int i = 0; i < n; i++) {
            if (speeds[i] > FAST_MPS) {
                int end = i;
                while (end + 1 < n && speeds[end + 1] > FAST_MPS) {
                    end++;
                }
                int from = edge(sharp, i, end, 1);
                int to = edge(sharp, end, i, -1);
                boolean moves = to > from
                        && (piece.seconds[to] - piece.seconds[from] >= LEAST_FAST_SECONDS
                                || piece.straight(from, to) >= ANOTHER_PLACE_M);
                if (moves) {
                    addStops(piece, slowFrom, from);
                    runs.add(new Track.Run(
                            fixes.get(from).at(),
                            fixes.get(to).at(),
                            piece.metres(from, to),
                            piece.cruise(sharp, from, to)));
                    slowFrom = to;
                }
                i = end;
            }
        }
        addStops(piece, slowFrom, n - 1);
    }

    /** The first fix of a fast stretch, from one end of it towards the other, that is fast within a few seconds too. */
    private static int edge(double[] sharp, int from, int to, int step) {
        for (int i = from; i != to + step; i += step) {
            if (sharp[i] > FAST_MPS) {
                return i;
            }
        }
        return from;
    }

    /** Slow fixes [from, to], cut where the boat moved to another anchorage and where it drifted out of one place. */
    private void addStops(TrackPiece piece, int from, int to) {
        int start = from;
        for (Stays.Move move : Stays.moves(piece, from, to, spots)) {
            addPlaces(piece, start, move.last());
            start = move.first();
        }
        addPlaces(piece, start, to);
    }

    /** Slow fixes [from, to], cut where they leave one place. */
    private void addPlaces(TrackPiece piece, int from, int to) {
        int start = from;
        double sumX = 0;
        double sumY = 0;
        for (int i = from; i <= to; i++) {
            int count = i - start;
            if (count > 0 && Math.hypot(piece.x[i] - sumX / count, piece.y[i] - sumY / count) > PLACE_RADIUS_M) {
                // What is left is too short for a stop of its own: it belongs to this one.
                if (piece.seconds[to] - piece.seconds[i] < LEAST_STOP.toSeconds()) {
                    break;
                }
                addStop(piece, start, i - 1);
                start = i;
                sumX = 0;
                sumY = 0;
            }
            sumX += piece.x[i];
            sumY += piece.y[i];
        }
        addStop(piece, start, to);
    }

    private void addStop(TrackPiece piece, int from, int to) {
        Instant start = piece.fixes.get(from).at();
        Instant end = piece.fixes.get(to).at();
        if (Duration.between(start, end).compareTo(LEAST_STOP) >= 0) {
            List<Fix> fixes = piece.fixes.subList(from, to + 1);
            Position centre = new Position(
                    fixes.stream()
                            .mapToDouble(f -> f.position().lat())
                            .average()
                            .orElseThrow(),
                    fixes.stream()
                            .mapToDouble(f -> f.position().lon())
                            .average()
                            .orElseThrow());
            Spot spot = Stays.spot(centre, spots);
            stops.add(new Track.Stop(start, end, centre, spot == null ? null : spot.id()));
        }
    }
}
