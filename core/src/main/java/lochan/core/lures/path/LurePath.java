package lochan.core.lures.path;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Retrieve;

/**
 * One cast from the side: where the lure is until it is back at the boat. Followed in steps of a tenth of a second by {@link LureMotion}:
 * it falls for the count, then it is worked; what sinks and is pulled at speed u falls by v·(1 − (u/u₀)²), u₀ being the speed at which it
 * keeps its depth, what dives goes down by u·(D − d)/ℓ; the bottom stops it, and near the boat its line lifts it. Wind, current and the bow
 * of the line are left out.
 *
 * @param points    in the order of time
 * @param zoneShare share of the time in the water spent at the fish or up to 2 ft above them, 0 to 1
 * @param belowShare share of it spent deeper than the fish
 * @param deepestM  deepest point, m
 * @param countSeconds seconds it was let fall
 * @param contactToM distance from the boat to which the bottom was felt, m; NaN: never
 */
public record LurePath(
        List<Point> points,
        double zoneShare,
        double belowShare,
        double deepestM,
        double countSeconds,
        double contactToM) {

    private static final double STEP_SECONDS = 0.1;
    private static final double LONGEST_SECONDS = 900;
    private static final double BACK_M = 1;
    private static final double TOUCH_M = 0.05;
    private static final double UNDER_BOAT_SECONDS = 30;
    private static final double RISE_MPS = 0.15;
    private static final double HOP_SECONDS = 0.5;
    private static final double LIFT_SECONDS = 0.8;
    private static final double SLOWEST_FALL_MPS = 0.05;
    /** Deeper by less than this is not below the fish. */
    private static final double SLIGHTLY_M = 0.15;

    /**
     * Where it is.
     *
     * @param fromBoatM  m
     * @param depthM     m, 0 or more
     * @param seconds    after it hit the water
     */
    public record Point(double fromBoatM, double depthM, double seconds) {}

    public LurePath {
        points = List.copyOf(points);
    }

    /** Follows a cast. */
    public static LurePath of(LureMotion lure, Cast cast, WaterSlice water, Assumptions assumptions) {
        return new Follower(lure, cast, water, assumptions).follow();
    }

    /** A cycle of work: pulled for a time, then let rest. */
    private record Rhythm(double pullSeconds, double restSeconds) {

        /**
         * @param fallBack seconds that what was lifted needs to fall back
         */
        static Rhythm of(Retrieve retrieve, double fallBack) {
            return switch (retrieve) {
                case STEADY -> new Rhythm(1, 0);
                case STOP_AND_GO -> new Rhythm(3, 1.5);
                case TWITCH -> new Rhythm(0.8, 1.6);
                case HOP -> new Rhythm(HOP_SECONDS, Math.max(2, fallBack));
                case DRAG -> new Rhythm(2, 1.5);
                case LIFT_AND_FALL, VERTICAL -> new Rhythm(LIFT_SECONDS, Math.max(2, fallBack));
            };
        }

        boolean pulls(double seconds) {
            return restSeconds == 0 || seconds % (pullSeconds + restSeconds) < pullSeconds;
        }
    }

    private static final class Follower {

        private final LureMotion lure;
        private final Cast cast;
        private final WaterSlice water;
        private final Assumptions.LureWays ways;
        private final double above;
        private final boolean vertical;
        private final List<Point> points = new ArrayList<>();
        private double x;
        private double depth;
        private double seconds;
        private double inZone;
        private double below;
        private double deepest;
        private double contactTo = Double.NaN;
        /** Line let out under the boat: it falls no deeper. */
        private double lineDown = Double.MAX_VALUE;

        Follower(LureMotion lure, Cast cast, WaterSlice water, Assumptions assumptions) {
            this.lure = lure;
            this.cast = cast;
            this.water = water;
            this.ways = assumptions.lurePath();
            this.above = assumptions.advice().aboveFishM();
            this.vertical = cast.retrieve() == Retrieve.VERTICAL;
            this.x = vertical ? BACK_M : cast.castM();
        }

        LurePath follow() {
            points.add(new Point(x, 0, 0));
            double count = fall();
            double begun = seconds;
            lineDown = vertical ? depth : Double.MAX_VALUE;
            double lifted = cast.retrieve() == Retrieve.HOP ? ways.hopM() : ways.liftM();
            Rhythm rhythm = Rhythm.of(cast.retrieve(), lifted / Math.max(SLOWEST_FALL_MPS, lure.fallMps(true)));
            while (!isBack(begun) && seconds < LONGEST_SECONDS) {
                work(rhythm.pulls(seconds - begun));
                step();
            }
            return new LurePath(
                    thinned(),
                    seconds == 0 ? 0 : inZone / seconds,
                    seconds == 0 ? 0 : below / seconds,
                    deepest,
                    count,
                    contactTo);
        }

        private boolean isBack(double begun) {
            return vertical ? seconds - begun >= UNDER_BOAT_SECONDS : x <= BACK_M;
        }

        /** Lets it fall, and tells how long. */
        private double fall() {
            double rate = lure.fallMps(cast.tightLine());
            if (rate == 0) {
                return 0;
            }
            double lineOut = Math.hypot(x, 0);
            double to = cast.countSeconds() == null ? aim() : cast.countSeconds() * rate;
            while (depth < to && depth < bottom()) {
                depth = Math.min(Math.min(to, bottom()), depth + rate * STEP_SECONDS);
                if (cast.tightLine() && !vertical) {
                    x = Math.sqrt(Math.max(BACK_M * BACK_M, lineOut * lineOut - depth * depth));
                }
                step();
            }
            return seconds;
        }

        /** To the bottom where it is worked there; to where the fish are seen else. */
        private double aim() {
            if (lure.lure().onBottom()) {
                return Double.MAX_VALUE;
            }
            if (water.fishDepthM() == null) {
                return bottom() - above / 2;
            }
            return water.fishM(x, cast.castM());
        }

        private double bottom() {
            return water.bottomM(x, cast.castM());
        }

        private void work(boolean pulled) {
            switch (lure.lure().motion()) {
                case Motion.Surface s -> x -= pulled ? cast.speedMps() * STEP_SECONDS : 0;
                case Motion.Dives d -> dive(d, pulled);
                case Motion.Sinks s -> sink(s, pulled);
            }
            depth = Math.clamp(depth, 0, Math.min(bottom(), lineDown));
            if (!vertical) {
                depth = Math.min(depth, x * lure.steepest());
            }
        }

        private void dive(Motion.Dives d, boolean pulled) {
            if (pulled) {
                x -= cast.speedMps() * STEP_SECONDS;
                depth += cast.speedMps() * STEP_SECONDS * (lure.longDiveM() - depth) / d.alongM();
            } else if (d.floats()) {
                depth -= RISE_MPS * STEP_SECONDS;
            }
        }

        private void sink(Motion.Sinks s, boolean pulled) {
            if (!pulled) {
                depth += lure.fallMps(true) * STEP_SECONDS;
                return;
            }
            double u = cast.speedMps();
            x -= vertical ? 0 : u * STEP_SECONDS;
            depth += switch (cast.retrieve()) {
                case HOP -> -ways.hopM() * STEP_SECONDS / HOP_SECONDS;
                case LIFT_AND_FALL, VERTICAL -> -ways.liftM() * STEP_SECONDS / LIFT_SECONDS;
                case DRAG -> bottom();
                case STEADY, STOP_AND_GO, TWITCH ->
                    lure.fallMps(false) * (1 - u * u / (s.holdMps() * s.holdMps())) * STEP_SECONDS;
            };
        }

        private void step() {
            seconds += STEP_SECONDS;
            double fish = water.fishM(x, cast.castM());
            if (water.hasFish(x, cast.castM(), above) && depth <= fish + TOUCH_M && depth >= fish - above) {
                inZone += STEP_SECONDS;
            }
            below += depth > fish + SLIGHTLY_M ? STEP_SECONDS : 0;
            deepest = Math.max(deepest, depth);
            if (depth >= bottom() - TOUCH_M) {
                contactTo = x;
            }
            points.add(new Point(x, depth, seconds));
        }

        /** Only the points where it turns: those between two on a straight line are left out. */
        private List<Point> thinned() {
            List<Point> kept = new ArrayList<>();
            for (Point p : points) {
                int n = kept.size();
                if (n >= 2 && isBetween(kept.get(n - 2), kept.get(n - 1), p)) {
                    kept.removeLast();
                }
                kept.add(p);
            }
            return kept;
        }

        private static boolean isBetween(Point a, Point b, Point c) {
            double cross = (b.fromBoatM() - a.fromBoatM()) * (c.depthM() - a.depthM())
                    - (b.depthM() - a.depthM()) * (c.fromBoatM() - a.fromBoatM());
            double dot = (b.fromBoatM() - a.fromBoatM()) * (c.fromBoatM() - b.fromBoatM())
                    + (b.depthM() - a.depthM()) * (c.depthM() - b.depthM());
            return Math.abs(cross) < 1e-4 && dot >= 0;
        }
    }
}
