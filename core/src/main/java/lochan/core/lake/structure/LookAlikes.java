package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.Waypoint;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.Regions;
import org.jspecify.annotations.Nullable;

/**
 * Water that is like a place: as deep, as steep, as far from deep water and from the shore, standing out as much from the bottom around, over
 * the same bottom and cover. Likeness is exp(−½ Σ z²), where z is how far a trait differs in units of {@link Scales}; another cover, or
 * another bottom where both are known, halves it. The scales are judgements.
 */
public final class LookAlikes {

    /** Places less alike are not told. */
    private static final double LEAST = 0.5;

    private static final double APART_M = 150;
    private static final double OTHER_COVER = 0.5;
    private static final double OTHER_BOTTOM = 0.5;
    /** A waypoint this near tells the bottom, m. */
    private static final double BOTTOM_WITHIN_M = 75;
    /** The bottom around that a place stands out from, m. */
    private static final double AROUND_M = 100;
    /** Added to distances before they are compared by their logarithms, m. */
    private static final double NEAR_M = 20;
    /** Farther than this is far, m. */
    private static final double FAR_M = 2000;

    /**
     * A place that is like another.
     *
     * @param likeness   0 to 1, 1 the same
     * @param steepness  metres down for each along
     * @param deepWaterM metres to water at least 3 m deeper than the place it is like; null: none within 2 km
     * @param cover      there by the map; null: none is drawn
     */
    public record Alike(
            int cell,
            double likeness,
            double depthM,
            double steepness,
            @Nullable Double deepWaterM,
            LakeCover.@Nullable Kind cover) {}

    private record Scales(double depthM, double steepness, double deepWater, double shore, double reliefM) {

        static Scales at(double depthM, double steepness, double reliefM) {
            return new Scales(0.5 + 0.12 * depthM, 0.02 + 0.35 * steepness, 0.7, 0.9, 0.4 + 0.4 * Math.abs(reliefM));
        }
    }

    private final DepthGrid grid;
    private final Lake lake;
    private final List<Waypoint> bottoms;
    private final float[] slope;
    private final float[] toShore;
    private final float[] toDeep;
    private final float[] relief;
    private final int origin;

    private LookAlikes(DepthGrid grid, Lake lake, List<Waypoint> waypoints, int origin) {
        this.grid = grid;
        this.lake = lake;
        this.bottoms = waypoints.stream().filter(w -> w.bottom() != null).toList();
        this.origin = origin;
        this.slope = Steepness.of(grid);
        this.toShore = Regions.metresTo(grid, grid::isLand);
        float deep = (float) (grid.depth(origin) + DeepWater.DEEPER_M);
        this.toDeep = Regions.metresTo(grid, i -> grid.depth(i) >= deep);
        this.relief = new Means(grid).relief(AROUND_M);
    }

    /**
     * Places like one, the likest first, none near another or the place itself, none off limits.
     *
     * @param grid      in degrees
     * @param waypoints that may know the bottom
     * @param reachM    of the place itself
     * @param most      how many
     * @return empty where the place is not on the grid's water
     */
    public static List<Alike> find(
            DepthGrid grid, Lake lake, List<Waypoint> waypoints, Position place, double reachM, int most) {
        int origin = grid.cellAt(place.lon(), place.lat());
        if (origin < 0 || grid.isLand(origin)) {
            return List.of();
        }
        return new LookAlikes(grid, lake, waypoints, origin).find(Math.max(APART_M, reachM), most);
    }

    private List<Alike> find(double apartM, int most) {
        double[] shape =
                IntStream.range(0, grid.size()).mapToDouble(this::shape).toArray();
        List<Integer> order = IntStream.range(0, grid.size())
                .filter(i -> shape[i] >= LEAST)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> -shape[i]).thenComparing(i -> i))
                .toList();
        List<Alike> found = new ArrayList<>();
        List<Integer> taken = new ArrayList<>(List.of(origin));
        LakeCover.Kind cover = cover(origin);
        Waypoint.Bottom bottom = bottom(origin);
        for (int i : order) {
            // What is drawn and known halves likeness at most, so that enough are looked at when the shape alone falls
            // below the worst taken.
            if (taken.size() > 2 * most) {
                break;
            }
            if (taken.stream().allMatch(t -> grid.metres(t, i) >= apartM)
                    && lake.offLimitsAt(position(i)).isEmpty()) {
                taken.add(i);
                double likeness = shape[i]
                        * (cover == cover(i) ? 1 : OTHER_COVER)
                        * (isOther(bottom, bottom(i)) ? OTHER_BOTTOM : 1);
                found.add(new Alike(i, likeness, grid.depth(i), slope[i], deepWater(i), cover(i)));
            }
        }
        return found.stream()
                .filter(a -> a.likeness() >= LEAST)
                .sorted(Comparator.comparingDouble(Alike::likeness).reversed())
                .limit(most)
                .toList();
    }

    private @Nullable Double deepWater(int cell) {
        return toDeep[cell] > FAR_M ? null : Double.valueOf(toDeep[cell]);
    }

    private static boolean isOther(Waypoint.@Nullable Bottom a, Waypoint.@Nullable Bottom b) {
        return a != null && b != null && a != b;
    }

    /** Likeness by the shape of the bottom alone; 0 on land. */
    private double shape(int cell) {
        if (grid.isLand(cell)) {
            return 0;
        }
        Scales s = Scales.at(grid.depth(origin), slope[origin], relief[origin]);
        double sum = square((grid.depth(cell) - grid.depth(origin)) / s.depthM())
                + square((slope[cell] - slope[origin]) / s.steepness())
                + square((far(toDeep[cell]) - far(toDeep[origin])) / s.deepWater())
                + square((far(toShore[cell]) - far(toShore[origin])) / s.shore())
                + square((relief[cell] - relief[origin]) / s.reliefM());
        return Math.exp(-sum / 2);
    }

    private static double far(double metres) {
        return Math.log(Math.min(metres, FAR_M) + NEAR_M);
    }

    private static double square(double x) {
        return x * x;
    }

    private Position position(int cell) {
        return new Position(grid.y(cell), grid.x(cell));
    }

    private LakeCover.@Nullable Kind cover(int cell) {
        return LakeCover.at(lake.covers(), position(cell)).orElse(null);
    }

    private Waypoint.@Nullable Bottom bottom(int cell) {
        Position here = position(cell);
        return bottoms.stream()
                .filter(w -> w.position().metresTo(here) <= BOTTOM_WITHIN_M)
                .min(Comparator.comparingDouble(w -> w.position().metresTo(here)))
                .map(Waypoint::bottom)
                .orElse(null);
    }
}
