package lochan.core.practice.track;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import org.jspecify.annotations.Nullable;

/**
 * Where a boat that was slow all the time lay in one place and then in another. Speed alone can't: a move of 100 m
 * takes less than a minute.
 * <p>
 * A move at a time t, over in g ≤ {@value #LONGEST_MOVE_SECONDS} s, is seen in the means of the four minutes before t and after t + g: they lie
 * d ≥ {@value #LEAST_APART_M} m apart, and d is at least {@value #SPREADS_APART} times the spread of either (root mean square distance from its mean). A boat that
 * drifts or trolls on at a steady speed v stays below that: then d ≤ 300 s · v and each spread is 69 s · v.
 * <p>
 * Where the spots are known their radii decide: four minutes within one and then four within another are two stays, however close; within one
 * they are one stay.
 */
final class Stays {

    static final double LEAST_APART_M = 80;
    static final double SPREADS_APART = 5;
    static final int LONGEST_MOVE_SECONDS = 60;
    private static final int MOVE_STEP_SECONDS = 20;
    private static final double STAY_SECONDS = TrackCutter.LEAST_STOP.toSeconds();
    /** A receiver's noise is averaged out over so long before a fix is held against a spot's radius. */
    private static final double STEADY_SECONDS = 15;

    private final TrackPiece piece;
    private final int from;
    private final int to;
    private final double[] sumX;
    private final double[] sumY;
    private final double[] sumSquares;

    /**
     * A move between two stays.
     *
     * @param last  the last fix of the one
     * @param first the first fix of the other
     */
    record Move(int last, int first) {}

    /** A move that the fixes show, and how clearly: d over the larger spread. */
    private record Seen(Move move, double clearness) {}

    private Stays(TrackPiece piece, int from, int to) {
        this.piece = piece;
        this.from = from;
        this.to = to;
        int n = to - from + 1;
        this.sumX = new double[n + 1];
        this.sumY = new double[n + 1];
        this.sumSquares = new double[n + 1];
        for (int i = 0; i < n; i++) {
            double x = piece.x[from + i] - piece.x[from];
            double y = piece.y[from + i] - piece.y[from];
            sumX[i + 1] = sumX[i] + x;
            sumY[i + 1] = sumY[i] + y;
            sumSquares[i + 1] = sumSquares[i] + x * x + y * y;
        }
    }

    /** Moves between the slow fixes [from, to], in the order of time. */
    static List<Move> moves(TrackPiece piece, int from, int to, List<Spot> spots) {
        Stays stays = new Stays(piece, from, to);
        List<Move> moves = new ArrayList<>(stays.betweenSpots(spots));
        for (Move move : stays.betweenAnchorages()) {
            boolean known = moves.stream().anyMatch(m -> stays.seconds(m.last(), move.last()) < STAY_SECONDS);
            if (!known && !stays.isWithinOneSpot(move, spots)) {
                moves.add(move);
            }
        }
        moves.sort(Comparator.comparingInt(Move::last));
        return moves;
    }

    /** The spot whose radius holds a place, the nearest of several; null: none does. */
    static @Nullable Spot spot(Position place, List<Spot> spots) {
        return spots.stream()
                .filter(s -> s.position().metresTo(place) <= s.radiusM())
                .min(Comparator.comparingDouble(s -> s.position().metresTo(place)))
                .orElse(null);
    }

    private double seconds(int a, int b) {
        return Math.abs(piece.seconds[b] - piece.seconds[a]);
    }

    private List<Move> betweenAnchorages() {
        List<Move> moves = new ArrayList<>();
        Seen best = null;
        for (int i = from; i <= to; i++) {
            if (best != null && seconds(best.move().last(), i) > STAY_SECONDS / 2) {
                moves.add(best.move());
                i = best.move().first();
                best = null;
            }
            Seen here = seenAt(i);
            if (here != null && (best == null || here.clearness() > best.clearness())) {
                best = here;
            }
        }
        if (best != null) {
            moves.add(best.move());
        }
        return moves;
    }

    /** The clearest move that begins at a fix; null: none does. */
    private @Nullable Seen seenAt(int last) {
        int begin = before(last, STAY_SECONDS);
        if (begin < 0) {
            return null;
        }
        Seen best = null;
        for (int move = MOVE_STEP_SECONDS; move <= LONGEST_MOVE_SECONDS; move += MOVE_STEP_SECONDS) {
            int first = after(last, move);
            int end = first < 0 ? -1 : after(first, STAY_SECONDS);
            if (end < 0) {
                return best;
            }
            double apart = Math.hypot(
                    mean(sumX, first, end) - mean(sumX, begin, last), mean(sumY, first, end) - mean(sumY, begin, last));
            double clearness = apart / Math.max(spread(begin, last), spread(first, end));
            if (apart >= LEAST_APART_M
                    && clearness >= SPREADS_APART
                    && (best == null || clearness > best.clearness())) {
                best = new Seen(new Move(last, first), clearness);
            }
        }
        return best;
    }

    /** The last fix at least so long before one; −1: there is none. */
    private int before(int fix, double seconds) {
        int at = search(piece.seconds[fix] - seconds);
        int last = at >= 0 ? at : -at - 2;
        return last < from ? -1 : last;
    }

    /** The first fix at least so long after one; −1: there is none. */
    private int after(int fix, double seconds) {
        int at = search(piece.seconds[fix] + seconds);
        int first = at >= 0 ? at : -at - 1;
        return first > to ? -1 : first;
    }

    /** As {@link Arrays#binarySearch(double[], int, int, double)} has it. */
    private int search(double second) {
        return Arrays.binarySearch(piece.seconds, from, to + 1, second);
    }

    private double mean(double[] sums, int first, int last) {
        return (sums[last - from + 1] - sums[first - from]) / (last - first + 1);
    }

    private double spread(int first, int last) {
        double x = mean(sumX, first, last);
        double y = mean(sumY, first, last);
        return Math.sqrt(Math.max(0, mean(sumSquares, first, last) - x * x - y * y));
    }

    /** Where the boat was within one spot's radius for a stay, and then within another's. */
    private List<Move> betweenSpots(List<Spot> spots) {
        List<Move> moves = new ArrayList<>();
        if (spots.isEmpty()) {
            return moves;
        }
        Spot at = null;
        int last = -1;
        Spot next = null;
        int first = -1;
        for (int i = from; i <= to; i++) {
            Spot here = spot(steady(i), spots);
            if (here == null) {
                continue;
            }
            if (!here.equals(next)) {
                next = here;
                first = i;
            }
            if (here.equals(at)) {
                last = i;
            } else if (seconds(first, i) >= STAY_SECONDS) {
                if (at != null) {
                    moves.add(new Move(last, first));
                }
                at = here;
                last = i;
            }
        }
        return moves;
    }

    /** Where the boat was at a fix, its neighbours' mean. */
    private Position steady(int fix) {
        int begin = Math.max(before(fix, STEADY_SECONDS), from);
        int after = after(fix, STEADY_SECONDS);
        int end = after < 0 ? to : after;
        return piece.position(mean(sumX, begin, end) + piece.x[from], mean(sumY, begin, end) + piece.y[from]);
    }

    private boolean isWithinOneSpot(Move move, List<Spot> spots) {
        Spot one = spot(steady(Math.max(from, before(move.last(), STAY_SECONDS / 2))), spots);
        int later = after(move.first(), STAY_SECONDS / 2);
        Spot other = spot(steady(later < 0 ? to : later), spots);
        return one != null && one.equals(other);
    }
}
