package lochan.core.lake.sounding;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lochan.core.Median;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.GridProblem;
import lochan.core.lake.depth.LakeRaster;
import lochan.core.lake.depth.Regions;
import org.jspecify.annotations.Nullable;
import org.tinfour.common.Vertex;
import org.tinfour.interpolation.NaturalNeighborInterpolator;
import org.tinfour.standard.IncrementalTin;

/**
 * Depths between soundings by natural neighbours (Sibson 1981, "A brief description of natural neighbour interpolation"): between its
 * neighbours each place has their mean, weighted by the area it would take of theirs. The shore counts as depth 0. No depth is made that is
 * shallower or deeper than its neighbours, and a sounding keeps its own.
 */
public final class SoundingGrid {

    /** More cells than this for each sounding would only be guessed finer. */
    static final double CELLS_A_SOUNDING = 40;

    private static final int FEWEST_CELLS = 150;
    /** The shore is sampled at places this far apart at least, m. */
    private static final double SHORE_M = 10;
    /** Where nothing was measured, depths are guessed for blocks of so many cells a side: there each costs most and is worth least. */
    private static final int BLOCK = 3;

    private final LakeRaster water;
    private final SoundingRules rules;
    private final SoundingPlane plane;

    private SoundingGrid(Lake lake, SoundingRules rules, int soundings) {
        int worth = (int) Math.sqrt(CELLS_A_SOUNDING * soundings);
        this.water = LakeRaster.of(
                lake, Math.clamp(worth, Math.min(FEWEST_CELLS, rules.cells()), rules.cells()), rules.smallestCellM());
        this.rules = rules;
        this.plane = new SoundingPlane(water.position(water.size() / 2));
    }

    /** Places of a map that are taken along, cells apart: between them natural neighbours fill in. */
    private static final int MAP_STRIDE = 4;
    /** A map counts where no sounding lies as near as this many times the reach of one. */
    private static final double MAP_BEYOND = 2;

    /**
     * The depths of a lake from soundings, with what is guessed.
     *
     * @param cleaned at the lake's reference level
     * @param map     depths that were known before, which hold where no sounding is near, in cells no larger than theirs; null: none were
     * @throws BadGridException when none of them lies on the lake
     */
    public static DepthGrid of(Lake lake, List<Sounding> cleaned, @Nullable DepthGrid map, SoundingRules rules)
            throws BadGridException {
        SoundingGrid grid = new SoundingGrid(lake, rules, cleaned.size());
        Map<Integer, Mean> means = grid.means(cleaned);
        if (means.isEmpty()) {
            throw new BadGridException(GridProblem.SOUNDINGS_OFF_LAKE, cleaned.size());
        }
        if (map == null) {
            return grid.of(lake, means, null);
        }
        List<Sounding> onLake =
                cleaned.stream().filter(s -> lake.holds(s.position())).toList();
        return MapRefinement.of(lake, onLake.isEmpty() ? cleaned : onLake, map, rules, () -> grid.of(lake, means, map));
    }

    /** The soundings of one cell together. */
    static final class Mean {
        private double x;
        private double y;
        private double depth;
        private int n;

        void add(SoundingPlane plane, Sounding s) {
            x += plane.x(s.position());
            y += plane.y(s.position());
            depth += s.depthM();
            n++;
        }

        Vertex vertex(int number) {
            return new Vertex(x / n, y / n, depth / n, number);
        }
    }

    private Map<Integer, Mean> means(List<Sounding> soundings) {
        Map<Integer, Mean> means = new HashMap<>();
        for (Sounding s : soundings) {
            int at = water.cellAt(s.position());
            if (at >= 0 && water.isWater(at)) {
                means.computeIfAbsent(at, c -> new Mean()).add(plane, s);
            }
        }
        return means;
    }

    private DepthGrid of(Lake lake, Map<Integer, Mean> means, @Nullable DepthGrid map) {
        List<Vertex> vertices = new ArrayList<>();
        means.values().forEach(m -> vertices.add(m.vertex(vertices.size())));
        float[] away = Regions.metresTo(water.grid(new float[water.size()]), means::containsKey);
        if (map != null) {
            addMap(map, away, vertices);
        }
        lake.bodies().forEach(b -> b.rings().forEach(ring -> addShore(ring, vertices)));
        IncrementalTin tin = new IncrementalTin(water.heightM());
        tin.add(vertices, null);
        NaturalNeighborInterpolator between = new NaturalNeighborInterpolator(tin);
        float[] depths = new float[water.size()];
        for (int i = 0; i < depths.length; i++) {
            depths[i] = water.isWater(i) ? depth(between, i, away, depths) : Float.NaN;
        }
        tin.dispose();
        DepthGrid grid = water.grid(depths);
        return grid.withGuessed(guessed(grid, away, map));
    }

    /** @param before depths of the cells before */
    private float depth(NaturalNeighborInterpolator between, int cell, float[] away, float[] before) {
        int column = cell % water.columns() / BLOCK * BLOCK;
        int row = cell / water.columns() / BLOCK * BLOCK;
        int first = water.cell(column, row);
        boolean isGuess = away[cell] > 2 * rules.measuredWithinM();
        return isGuess && first < cell && water.isWater(first) ? before[first] : depth(between, water.position(cell));
    }

    private float depth(NaturalNeighborInterpolator between, Position p) {
        double depth = plane.depth(between, p);
        return depth >= 0 ? (float) depth : 0;
    }

    private void addShore(List<Position> ring, List<Vertex> vertices) {
        along(ring, water.heightM(), p -> vertices.add(plane.vertex(p, 0, vertices.size())));
    }

    /** Gives places along a ring, as far apart as cells are high. */
    static void along(List<Position> ring, double cellM, Consumer<Position> to) {
        for (int i = 0; i < ring.size(); i++) {
            Position a = ring.get(i);
            Position b = ring.get((i + 1) % ring.size());
            int parts = Math.max(1, (int) Math.ceil(a.metresTo(b) / Math.max(cellM, SHORE_M)));
            for (int k = 0; k < parts; k++) {
                double share = (double) k / parts;
                to.accept(new Position(a.lat() + share * (b.lat() - a.lat()), a.lon() + share * (b.lon() - a.lon())));
            }
        }
    }

    private void addMap(DepthGrid map, float[] away, List<Vertex> vertices) {
        for (int i = 0; i < water.size(); i++) {
            boolean isTaken = i % water.columns() % MAP_STRIDE == 0 && i / water.columns() % MAP_STRIDE == 0;
            if (isTaken && water.isWater(i) && away[i] > MAP_BEYOND * rules.measuredWithinM()) {
                Position p = water.position(i);
                int at = map.cellAt(p.lon(), p.lat());
                if (at >= 0 && !map.isLand(at)) {
                    vertices.add(plane.vertex(p, map.depth(at), vertices.size()));
                }
            }
        }
    }

    private BitSet guessed(DepthGrid grid, float[] away, @Nullable DepthGrid map) {
        double within = Math.max(rules.measuredWithinM(), 2 * grid.stepM());
        BitSet guessed = new BitSet();
        for (int i = 0; i < away.length; i++) {
            guessed.set(i, !grid.isLand(i) && away[i] > within && !isKnown(map, water.position(i)));
        }
        return guessed;
    }

    private static boolean isKnown(@Nullable DepthGrid map, Position p) {
        int at = map == null ? -1 : map.cellAt(p.lon(), p.lat());
        return at >= 0 && map != null && !map.isLand(at) && !map.isGuessed(at);
    }

    /**
     * How far soundings read deeper than depths that are known where both were measured: a transducer's offset, or another lake level.
     *
     * @return metres; null where they share too little to tell
     */
    public static @Nullable Double deeperBy(List<Sounding> soundings, DepthGrid known, SoundingRules rules) {
        Map<Integer, List<Double>> differences = new HashMap<>();
        for (Sounding s : soundings) {
            int at = known.cellAt(s.position().lon(), s.position().lat());
            if (at >= 0 && !known.isLand(at) && !known.isGuessed(at)) {
                differences.computeIfAbsent(at, c -> new ArrayList<>()).add(s.depthM() - known.depth(at));
            }
        }
        return differences.size() < rules.sharedCells()
                ? null
                : (Double) Median.of(differences.values().stream()
                        .mapToDouble(
                                d -> Median.of(d.stream().mapToDouble(x -> x).toArray()))
                        .toArray());
    }
}
