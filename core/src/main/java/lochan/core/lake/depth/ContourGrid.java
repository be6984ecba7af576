package lochan.core.lake.depth;

import java.util.Arrays;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import org.jspecify.annotations.Nullable;

/**
 * Depths between lines of one depth. The shore counts as the line of depth 0; between lines the depth solves Laplace's equation, so that it
 * has no rise or hole which the lines do not show (the maximum principle; Courant and Hilbert 1924, ch. IV). Inside the innermost line the
 * bottom is level: there is no evidence of more. Solved by successive over-relaxation (Young 1954) from coarse grids to
 * fine.
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

    private final LakeRaster water;
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
        water = LakeRaster.of(lake, cells, SMALLEST_CELL_M);
        depths = new double[water.size()];
        lineSum = new double[depths.length];
        lineCount = new int[depths.length];
        for (int i = 0; i < depths.length; i++) {
            depths[i] = water.isWater(i) ? 0 : Double.NaN;
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
                    throw new BadGridException(GridProblem.LINES_OFF_LAKE, lines.size());
                }
                return grid.grid();
            }
            coarse = grid;
        }
    }

    /** Gives the cells along a line its depth; where lines of several depths share a cell it has their mean. */
    private void draw(Line line) {
        int before = -1;
        for (int i = 0; i + 1 < line.places().size(); i++) {
            Position a = line.places().get(i);
            Position b = line.places().get(i + 1);
            double x = water.column(a);
            double y = water.row(a);
            double dx = water.column(b) - x;
            double dy = water.row(b) - y;
            int steps = (int) Math.min(
                            4.0 * (water.columns() + water.rows()), Math.ceil(2 * Math.max(Math.abs(dx), Math.abs(dy))))
                    + 1;
            for (int s = 0; s <= steps; s++) {
                int c = (int) Math.floor(x + dx * s / steps);
                int r = (int) Math.floor(y + dy * s / steps);
                int at = water.cell(c, r);
                if (at >= 0 && at != before && water.isWater(at)) {
                    before = at;
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
                        : coarse == null ? 0 : coarse.near(water.position(i));
            }
        }
        double change = Double.POSITIVE_INFINITY;
        for (int sweep = 0; sweep < MOST_SWEEPS && change > SETTLED_M; sweep++) {
            change = sweep();
        }
    }

    private double near(Position p) {
        int c = Math.clamp((int) Math.floor(water.column(p)), 0, water.columns() - 1);
        int r = Math.clamp((int) Math.floor(water.row(p)), 0, water.rows() - 1);
        return depth(water.cell(c, r));
    }

    /** One sweep over all water between lines; cells are narrower than high. */
    private double sweep() {
        double largest = 0;
        int columns = water.columns();
        double across = 1 / (water.narrowing() * water.narrowing());
        for (int r = 1; r < water.rows() - 1; r++) {
            for (int i = water.cell(1, r); i < water.cell(columns - 1, r); i++) {
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
        return water.grid(metres);
    }
}
