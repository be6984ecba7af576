package lochan.core.lake.structure;

import java.util.Arrays;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import org.jspecify.annotations.Nullable;

/**
 * Depths between lines of one depth. The shore counts as the line of depth 0; between lines the depth solves Laplace's equation, so that it
 * has no rise or hole which the lines do not show (the maximum principle; Courant and Hilbert 1924, ch. IV). Inside the innermost line the
 * bottom is level: what lies above or below it nobody told. Solved by successive over-relaxation (Young 1954) from coarse grids to fine.
 */
public final class ContourGrid {

    /** Cells of the longer side. */
    private static final int CELLS = 600;

    private static final double SMALLEST_CELL_M = 4;
    private static final int COARSEST = 40;
    private static final double RELAXATION = 1.85;
    private static final int MOST_SWEEPS = 400;
    /** Change of a sweep at which depths count as settled, m. */
    private static final double SETTLED_M = 0.002;

    private final int columns;
    private final int rows;
    private final double west;
    private final double north;
    private final double cell;
    private final double east;
    /** Metres; NaN on land. */
    private final double[] depths;
    /** Sums and counts of the lines through a cell. */
    private final double[] lineSum;

    private final int[] lineCount;

    /**
     * A line of one depth.
     *
     * @param depthM metres, 0 or more
     * @param places along it; a closed line repeats its first
     */
    public record Line(double depthM, List<Position> places) {

        public Line {
            places = List.copyOf(places);
        }
    }

    private ContourGrid(Lake lake, int cells) {
        List<Position> shore =
                lake.bodies().stream().flatMap(b -> b.shore().stream()).toList();
        double south = shore.stream().mapToDouble(Position::lat).min().orElseThrow();
        double top = shore.stream().mapToDouble(Position::lat).max().orElseThrow();
        double left = shore.stream().mapToDouble(Position::lon).min().orElseThrow();
        double right = shore.stream().mapToDouble(Position::lon).max().orElseThrow();
        double longer = Math.max(top - south, right - left);
        cell = Math.max(longer / cells, SMALLEST_CELL_M / Position.METRES_PER_DEGREE);
        columns = (int) Math.ceil((right - left) / cell) + 2;
        rows = (int) Math.ceil((top - south) / cell) + 2;
        west = left - cell;
        north = top + cell;
        east = Math.cos(Math.toRadians((south + top) / 2));
        depths = new double[columns * rows];
        lineSum = new double[columns * rows];
        lineCount = new int[columns * rows];
        Arrays.fill(depths, Double.NaN);
        for (Lake.Body body : lake.bodies()) {
            fill(body);
        }
    }

    /**
     * Depths in longitude and latitude, cells of 4 m or more, at most about 600 a side.
     *
     * @throws BadGridException when no line lies on the lake
     */
    public static DepthGrid of(Lake lake, List<Line> lines) throws BadGridException {
        ContourGrid coarse = null;
        for (int cells = COARSEST; ; cells = Math.min(CELLS, cells * 2)) {
            ContourGrid grid = new ContourGrid(lake, cells);
            lines.forEach(grid::draw);
            grid.solve(coarse);
            if (cells == CELLS) {
                if (Arrays.stream(grid.lineCount).allMatch(n -> n == 0)) {
                    throw new BadGridException("none of the " + lines.size()
                            + " lines of depth lies on the lake: check that both are in longitude and latitude");
                }
                return grid.grid();
            }
            coarse = grid;
        }
    }

    private double lat(int row) {
        return north - (row + 0.5) * cell;
    }

    private int at(int column, int row) {
        return row * columns + column;
    }

    /** Marks the cells whose middles lie in a body as water, row by row between the crossings of its rings. */
    private void fill(Lake.Body body) {
        for (int row = 0; row < rows; row++) {
            double lat = lat(row);
            double[] crossings = body.rings().stream()
                    .flatMapToDouble(ring -> {
                        double[] found = new double[ring.size()];
                        int n = 0;
                        for (int i = 0; i < ring.size(); i++) {
                            Position a = ring.get(i);
                            Position b = ring.get((i + 1) % ring.size());
                            if (a.lat() > lat != b.lat() > lat) {
                                found[n++] = a.lon() + (lat - a.lat()) / (b.lat() - a.lat()) * (b.lon() - a.lon());
                            }
                        }
                        return Arrays.stream(found, 0, n);
                    })
                    .sorted()
                    .toArray();
            for (int i = 0; i + 1 < crossings.length; i += 2) {
                int from = (int) Math.ceil((crossings[i] - west) / cell - 0.5);
                int to = (int) Math.floor((crossings[i + 1] - west) / cell - 0.5);
                for (int c = Math.max(0, from); c <= Math.min(columns - 1, to); c++) {
                    depths[at(c, row)] = 0;
                }
            }
        }
    }

    /** Gives the cells along a line its depth; where lines of several depths share a cell it has their mean. */
    private void draw(Line line) {
        int before = -1;
        for (int i = 0; i + 1 < line.places().size(); i++) {
            Position a = line.places().get(i);
            Position b = line.places().get(i + 1);
            double x = (a.lon() - west) / cell;
            double y = (north - a.lat()) / cell;
            double dx = (b.lon() - west) / cell - x;
            double dy = (north - b.lat()) / cell - y;
            int steps = (int) Math.min(4.0 * (columns + rows), Math.ceil(2 * Math.max(Math.abs(dx), Math.abs(dy)))) + 1;
            for (int s = 0; s <= steps; s++) {
                int c = (int) Math.floor(x + dx * s / steps);
                int r = (int) Math.floor(y + dy * s / steps);
                if (c >= 0
                        && r >= 0
                        && c < columns
                        && r < rows
                        && at(c, r) != before
                        && !Double.isNaN(depths[at(c, r)])) {
                    before = at(c, r);
                    lineSum[before] += line.depthM();
                    lineCount[before]++;
                }
            }
        }
    }

    /** @param coarse where to begin from; null: from nothing */
    private void solve(@Nullable ContourGrid coarse) {
        for (int i = 0; i < depths.length; i++) {
            if (!Double.isNaN(depths[i])) {
                depths[i] = lineCount[i] > 0
                        ? lineSum[i] / lineCount[i]
                        : coarse == null ? 0 : coarse.near(west + (i % columns + 0.5) * cell, lat(i / columns));
            }
        }
        double change = Double.POSITIVE_INFINITY;
        for (int sweep = 0; sweep < MOST_SWEEPS && change > SETTLED_M; sweep++) {
            change = sweep();
        }
    }

    private double near(double lon, double lat) {
        int c = Math.clamp((int) Math.floor((lon - west) / cell), 0, columns - 1);
        int r = Math.clamp((int) Math.floor((north - lat) / cell), 0, rows - 1);
        return Double.isNaN(depths[at(c, r)]) ? 0 : depths[at(c, r)];
    }

    /** One sweep over all water between lines; cells are narrower than high by {@link #east}. */
    private double sweep() {
        double largest = 0;
        double across = 1 / (east * east);
        for (int r = 1; r < rows - 1; r++) {
            for (int i = at(1, r); i < at(columns - 1, r); i++) {
                if (Double.isNaN(depths[i]) || lineCount[i] > 0) {
                    continue;
                }
                double mean = (across * (depth(i - 1) + depth(i + 1)) + depth(i - columns) + depth(i + columns))
                        / (2 * across + 2);
                double step = RELAXATION * (mean - depths[i]);
                depths[i] += step;
                largest = Math.max(largest, Math.abs(step));
            }
        }
        return largest;
    }

    /** Land stands at the surface. */
    private double depth(int i) {
        return Double.isNaN(depths[i]) ? 0 : depths[i];
    }

    private DepthGrid grid() {
        float[] metres = new float[depths.length];
        for (int i = 0; i < metres.length; i++) {
            metres[i] = Double.isNaN(depths[i]) ? Float.NaN : (float) Math.max(0, depths[i]);
        }
        return new DepthGrid(columns, rows, west, north - rows * cell, cell, true, metres);
    }
}
