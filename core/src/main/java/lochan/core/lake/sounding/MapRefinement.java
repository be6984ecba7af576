package lochan.core.lake.sounding;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import lochan.core.event.Extent;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.core.lake.depth.LakeRaster;
import lochan.core.lake.depth.Regions;
import org.tinfour.common.Vertex;
import org.tinfour.interpolation.NaturalNeighborInterpolator;
import org.tinfour.standard.IncrementalTin;

/**
 * A map's depths with soundings in them. Its cells are those of the map, each cut into as many as the soundings are finer; depths change only near
 * the soundings, where natural neighbours join them to the map around. Everywhere else the map is kept as it is.
 */
final class MapRefinement {

    /** Soundings change depths so many times their reach around them. */
    private static final double CHANGES_WITHIN = 2;
    /** The map joins in from there to so many times their reach. */
    private static final double JOINS_WITHIN = 4;

    private final DepthGrid map;
    private final SoundingRules rules;
    private final int by;
    private final int columns;
    private final int rows;
    private final double west;
    private final double north;
    private final double cell;
    private final LakeRaster water;
    private final SoundingPlane plane;

    private MapRefinement(Lake lake, List<Sounding> soundings, DepthGrid map, SoundingRules rules) {
        this.map = map;
        this.rules = rules;
        double step = map.cellSize();
        double north0 = map.south() + map.rows() * step;
        Extent shores = lake.extent();
        int westwards = whole((map.west() - shores.west()) / step);
        int northwards = whole((shores.north() - north0) / step);
        int mapColumns = map.columns() + westwards + whole((shores.east() - map.west()) / step - map.columns());
        int mapRows = map.rows() + northwards + whole((map.south() - shores.south()) / step);
        int most = Math.max(1, EsriGrid.MOST_CELLS_PER_SIDE / Math.max(mapColumns, mapRows));
        this.by = Math.clamp((int) Math.floor(map.heightM() / worthM(soundings, rules)), 1, most);
        this.columns = mapColumns * by;
        this.rows = mapRows * by;
        this.cell = step / by;
        this.west = map.west() - westwards * step;
        this.north = north0 + northwards * step;
        this.water = LakeRaster.of(
                lake, Math.min(EsriGrid.MOST_CELLS_PER_SIDE, Math.max(columns, rows)), rules.smallestCellM());
        this.plane = new SoundingPlane(position(rows / 2 * columns + columns / 2));
    }

    private static int whole(double cells) {
        return Math.max(0, (int) Math.ceil(cells - 1e-6));
    }

    /** The side of the cells that so many soundings in their rectangle are worth, m. */
    private static double worthM(List<Sounding> soundings, SoundingRules rules) {
        Extent measured = Extent.of(soundings.stream().map(Sounding::position).toList());
        double high = (measured.north() - measured.south()) * Position.METRES_PER_DEGREE;
        double wide = (measured.east() - measured.west()) * Position.metresPerDegreeEast(measured.south());
        double area = Math.max(rules.measuredWithinM(), high) * Math.max(rules.measuredWithinM(), wide);
        double cells =
                Math.min(SoundingGrid.CELLS_A_SOUNDING * soundings.size(), (double) rules.cells() * rules.cells());
        return Math.max(rules.smallestCellM(), Math.sqrt(area / cells));
    }

    /**
     * Returns the refined map.
     *
     * @param soundings those on the lake, cleaned, at its reference level; at least one
     * @param map       in degrees
     * @param elsewhere depths of the lake's water that the map does not know, asked for only where there is such
     */
    static DepthGrid of(
            Lake lake, List<Sounding> soundings, DepthGrid map, SoundingRules rules, Supplier<DepthGrid> elsewhere) {
        return new MapRefinement(lake, soundings, map, rules).refined(lake, soundings, elsewhere);
    }

    private DepthGrid refined(Lake lake, List<Sounding> soundings, Supplier<DepthGrid> elsewhere) {
        Map<Integer, SoundingGrid.Mean> means = new HashMap<>();
        for (Sounding s : soundings) {
            int at = cellAt(s.position());
            if (at >= 0) {
                means.computeIfAbsent(at, c -> new SoundingGrid.Mean()).add(plane, s);
            }
        }
        DepthGrid empty = grid(new float[columns * rows]);
        float[] away = Regions.metresTo(empty, means::containsKey);
        NaturalNeighborInterpolator between = between(lake, means, away);
        double changed = CHANGES_WITHIN * rules.measuredWithinM();
        float[] depths = new float[columns * rows];
        BitSet guessed = new BitSet();
        DepthGrid other = null;
        for (int i = 0; i < depths.length; i++) {
            Position p = position(i);
            float known = mapDepth(p);
            int at = map.cellAt(p.lon(), p.lat());
            if (Float.isNaN(known) && !isWater(p)) {
                depths[i] = Float.NaN;
                continue;
            }
            if (away[i] <= changed) {
                double depth = plane.depth(between, p);
                depths[i] = depth >= 0 ? (float) depth : Float.isNaN(known) ? 0 : known;
            } else if (Float.isNaN(known)) {
                other = other == null ? elsewhere.get() : other;
                int there = other.cellAt(p.lon(), p.lat());
                depths[i] = there >= 0 && !other.isLand(there) ? other.depth(there) : 0;
            } else {
                depths[i] = known;
            }
            boolean measured = away[i] <= Math.max(rules.measuredWithinM(), 2 * empty.stepM());
            guessed.set(i, !measured && (Float.isNaN(known) || map.isGuessed(at)));
        }
        return grid(depths).withGuessed(guessed);
    }

    private NaturalNeighborInterpolator between(Lake lake, Map<Integer, SoundingGrid.Mean> means, float[] away) {
        List<Vertex> vertices = new ArrayList<>();
        means.values().forEach(m -> vertices.add(m.vertex(vertices.size())));
        for (int i = 0; i < map.size(); i++) {
            if (!map.isLand(i)) {
                Position p = new Position(map.y(i), map.x(i));
                joined(p, map.depth(i), away, vertices, CHANGES_WITHIN);
            }
        }
        for (Lake.Body body : lake.bodies()) {
            for (List<Position> ring : body.rings()) {
                SoundingGrid.along(ring, map.heightM(), p -> joined(p, 0, away, vertices, 0));
            }
        }
        IncrementalTin tin = new IncrementalTin(map.heightM() / by);
        tin.add(vertices, null);
        return new NaturalNeighborInterpolator(tin);
    }

    private void joined(Position p, float depth, float[] away, List<Vertex> vertices, double fromReach) {
        int at = cellAt(p);
        if (at >= 0
                && away[at] >= fromReach * rules.measuredWithinM()
                && away[at] <= JOINS_WITHIN * rules.measuredWithinM() + map.stepM()) {
            vertices.add(plane.vertex(p, depth, vertices.size()));
        }
    }

    /** The map's depth; between the middles of four cells of water bilinear, so that finer cells make no steps. NaN: not known. */
    private float mapDepth(Position p) {
        int at = map.cellAt(p.lon(), p.lat());
        if (at < 0 || map.isLand(at)) {
            return Float.NaN;
        }
        if (by == 1) {
            return map.depth(at);
        }
        double column = (p.lon() - map.x(0)) / map.cellSize();
        double row = (map.y(0) - p.lat()) / map.cellSize();
        int c = (int) Math.floor(column);
        int r = (int) Math.floor(row);
        if (c < 0 || r < 0 || c + 1 >= map.columns() || r + 1 >= map.rows()) {
            return map.depth(at);
        }
        double fc = column - c;
        double fr = row - r;
        double between = (1 - fr) * ((1 - fc) * map.depth(map.cell(c, r)) + fc * map.depth(map.cell(c + 1, r)))
                + fr * ((1 - fc) * map.depth(map.cell(c, r + 1)) + fc * map.depth(map.cell(c + 1, r + 1)));
        return Double.isNaN(between) ? map.depth(at) : (float) between;
    }

    private boolean isWater(Position p) {
        int at = water.cellAt(p);
        return at >= 0 && water.isWater(at);
    }

    private int cellAt(Position p) {
        int c = (int) Math.floor((p.lon() - west) / cell);
        int r = (int) Math.floor((north - p.lat()) / cell);
        return c < 0 || r < 0 || c >= columns || r >= rows ? -1 : r * columns + c;
    }

    private Position position(int i) {
        int row = i / columns;
        int column = i % columns;
        return new Position(north - (row + 0.5) * cell, west + (column + 0.5) * cell);
    }

    private DepthGrid grid(float[] depths) {
        return new DepthGrid(columns, rows, west, north - rows * cell, cell, true, depths);
    }
}
