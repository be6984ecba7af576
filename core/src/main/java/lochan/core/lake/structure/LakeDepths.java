package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.List;
import lochan.core.quantity.Units;

/**
 * The depths of a lake, as coarse as a phone's screen shows them.
 *
 * @param columns   cells from west to east
 * @param rows      cells from north to south
 * @param west      edge of the cells, degrees
 * @param north     edge of the cells, degrees
 * @param cell      side of one, degrees
 * @param decimetres depth of each by rows from the north-west; −1 on land
 * @param lines     of equal depth
 */
public record LakeDepths(
        int columns, int rows, double west, double north, double cell, int[] decimetres, List<Line> lines) {

    private static final int MOST_CELLS = 160;
    /** Steps between lines of depth that people read. */
    private static final double[] STEPS_FT = {5, 10, 20, 50, 100};

    private static final double[] STEPS_M = {1, 2, 5, 10, 20, 50};
    private static final int MOST_LINES = 8;

    /**
     * A line of equal depth.
     *
     * @param depth in the angler's unit, as "20 ft"
     * @param parts each as latitude, longitude, latitude, longitude …
     */
    public record Line(String depth, List<double[]> parts) {}

    /** @param grid in degrees */
    public static LakeDepths of(DepthGrid grid, Units units) {
        DepthGrid coarse = grid.thinned(MOST_CELLS);
        int[] decimetres = new int[coarse.size()];
        for (int i = 0; i < decimetres.length; i++) {
            decimetres[i] = coarse.isLand(i) ? -1 : Math.max(0, Math.round(10 * coarse.depth(i)));
        }
        double north = coarse.south() + coarse.rows() * coarse.cellSize();
        return new LakeDepths(
                coarse.columns(),
                coarse.rows(),
                coarse.west(),
                north,
                coarse.cellSize(),
                decimetres,
                lines(coarse, units));
    }

    private static List<Line> lines(DepthGrid grid, Units units) {
        double[] values = Contours.values(grid);
        List<Line> lines = new ArrayList<>();
        for (double metres : levels(grid, units.depth())) {
            List<double[]> parts = new ArrayList<>();
            for (double[][] line : Contours.of(values, grid.columns(), metres)) {
                double[] part = new double[2 * line.length];
                for (int i = 0; i < line.length; i++) {
                    part[2 * i] = grid.yAt(line[i][1]);
                    part[2 * i + 1] = grid.xAt(line[i][0]);
                }
                parts.add(part);
            }
            lines.add(new Line(units.depth(metres), parts));
        }
        return lines;
    }

    /** Depths to draw lines of, m: round in the unit, and no more than can be told apart. */
    public static List<Double> levels(DepthGrid grid, Units.Depth unit) {
        double deepest = grid.deepest() / unit.metres();
        double step = step(unit, deepest);
        List<Double> levels = new ArrayList<>();
        for (double depth = step; step > 0 && depth < deepest; depth += step) {
            levels.add(depth * unit.metres());
        }
        return levels;
    }

    private static double step(Units.Depth unit, double deepest) {
        for (double s : unit == Units.Depth.FT ? STEPS_FT : STEPS_M) {
            if (deepest / s <= MOST_LINES) {
                return s;
            }
        }
        return deepest / MOST_LINES;
    }
}
