package lochan.core.lake.depth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;

/** Connected sets of cells, and distances over the grid. */
public final class Regions {

    private static final double FAR = 1e9;

    private Regions() {}

    /** The connected parts, corners joining, of the cells that are of a set; those of fewer cells are left out. */
    public static List<int[]> of(DepthGrid grid, IntPredicate isIn, int leastCells) {
        boolean[] open = new boolean[grid.size()];
        for (int i = 0; i < open.length; i++) {
            open[i] = isIn.test(i);
        }
        List<int[]> parts = new ArrayList<>();
        int[] stack = new int[grid.size()];
        int[] near = new int[8];
        for (int start = 0; start < open.length; start++) {
            if (open[start]) {
                int filled = 1;
                stack[0] = start;
                open[start] = false;
                for (int next = 0; next < filled; next++) {
                    grid.neighbours(stack[next], near);
                    for (int n : near) {
                        if (n >= 0 && open[n]) {
                            open[n] = false;
                            stack[filled++] = n;
                        }
                    }
                }
                if (filled >= leastCells) {
                    parts.add(Arrays.copyOf(stack, filled));
                }
            }
        }
        return parts;
    }

    /** Metres from each cell to the nearest cell of a set, by two sweeps over neighbours (chamfer distance, 4 % too long at most). */
    public static float[] metresTo(DepthGrid grid, IntPredicate isIn) {
        float[] far = new float[grid.size()];
        for (int i = 0; i < far.length; i++) {
            far[i] = isIn.test(i) ? 0 : (float) FAR;
        }
        float side = (float) grid.widthM();
        float up = (float) grid.heightM();
        float corner = (float) Math.hypot(side, up);
        int columns = grid.columns();
        int rows = grid.rows();
        for (int r = 0; r < rows; r++) {
            for (int c = 0; c < columns; c++) {
                int i = r * columns + c;
                float d = far[i];
                d = c > 0 ? Math.min(d, far[i - 1] + side) : d;
                d = r > 0 ? Math.min(d, far[i - columns] + up) : d;
                d = r > 0 && c > 0 ? Math.min(d, far[i - columns - 1] + corner) : d;
                far[i] = r > 0 && c < columns - 1 ? Math.min(d, far[i - columns + 1] + corner) : d;
            }
        }
        for (int r = rows - 1; r >= 0; r--) {
            for (int c = columns - 1; c >= 0; c--) {
                int i = r * columns + c;
                float d = far[i];
                d = c < columns - 1 ? Math.min(d, far[i + 1] + side) : d;
                d = r < rows - 1 ? Math.min(d, far[i + columns] + up) : d;
                d = r < rows - 1 && c < columns - 1 ? Math.min(d, far[i + columns + 1] + corner) : d;
                far[i] = r < rows - 1 && c > 0 ? Math.min(d, far[i + columns - 1] + corner) : d;
            }
        }
        return far;
    }

    /** Greatest extent of a part along its longer side, m. */
    public static double lengthM(DepthGrid grid, int[] part) {
        int west = Integer.MAX_VALUE;
        int east = 0;
        int north = Integer.MAX_VALUE;
        int south = 0;
        for (int cell : part) {
            west = Math.min(west, grid.column(cell));
            east = Math.max(east, grid.column(cell));
            north = Math.min(north, grid.row(cell));
            south = Math.max(south, grid.row(cell));
        }
        return Math.hypot((east - west + 1) * grid.widthM(), (south - north + 1) * grid.heightM());
    }

    /** The cell of a part that lies farthest from what is not of it; of equal ones the one nearest to its middle. */
    public static int inmost(DepthGrid grid, int[] part) {
        boolean[] isIn = new boolean[grid.size()];
        for (int cell : part) {
            isIn[cell] = true;
        }
        float[] inward = metresTo(grid, i -> !isIn[i]);
        float most = 0;
        for (int cell : part) {
            most = Math.max(most, inward[cell]);
        }
        float deep = 0.9f * most;
        return middle(grid, Arrays.stream(part).filter(c -> inward[c] >= deep).toArray());
    }

    /** The cell of a part that is nearest to the middle of the part. */
    public static int middle(DepthGrid grid, int[] part) {
        double column = Arrays.stream(part).map(grid::column).average().orElseThrow();
        double row = Arrays.stream(part).map(grid::row).average().orElseThrow();
        int best = part[0];
        double least = Double.POSITIVE_INFINITY;
        for (int cell : part) {
            double d = Math.hypot(grid.column(cell) - column, grid.row(cell) - row);
            if (d < least) {
                least = d;
                best = cell;
            }
        }
        return best;
    }
}
