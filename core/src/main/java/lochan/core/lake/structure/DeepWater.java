package lochan.core.lake.structure;

import java.util.Arrays;
import lochan.core.lake.depth.DepthGrid;
import org.jspecify.annotations.Nullable;

/** Finds the nearest water that is deeper by so much, over blocks of cells that know their deepest. */
final class DeepWater {

    /** How much deeper than a place water must be to count as deep there. */
    static final double DEEPER_M = 3;

    private static final int BLOCK = 16;

    private final DepthGrid grid;
    private final int blockColumns;
    private final float[] deepest;

    DeepWater(DepthGrid grid) {
        this.grid = grid;
        this.blockColumns = Math.ceilDiv(grid.columns(), BLOCK);
        this.deepest = new float[blockColumns * Math.ceilDiv(grid.rows(), BLOCK)];
        Arrays.fill(deepest, Float.NEGATIVE_INFINITY);
        for (int i = 0; i < grid.size(); i++) {
            if (!grid.isLand(i)) {
                int block = grid.row(i) / BLOCK * blockColumns + grid.column(i) / BLOCK;
                deepest[block] = Math.max(deepest[block], grid.depth(i));
            }
        }
    }

    /**
     * Metres from a cell to water at least 3 m deeper than a depth; null when there is none. Blocks of cells are looked through ring by ring
     * around the cell's own, as long as a nearer one may lie there.
     */
    @Nullable
    Double metres(int from, double depthM) {
        double wanted = depthM + DEEPER_M;
        double cellM = Math.min(grid.widthM(), grid.heightM());
        int column = grid.column(from) / BLOCK;
        int row = grid.row(from) / BLOCK;
        int blockRows = deepest.length / blockColumns;
        double best = Double.POSITIVE_INFINITY;
        for (int ring = 0; ring < Math.max(blockColumns, blockRows) && (ring - 1) * BLOCK * cellM < best; ring++) {
            for (int r = Math.max(0, row - ring); r <= Math.min(blockRows - 1, row + ring); r++) {
                int step = ring == 0 || Math.abs(r - row) == ring ? 1 : 2 * ring;
                for (int c = column - ring; c <= column + ring; c += step) {
                    int block = r * blockColumns + c;
                    if (c >= 0 && c < blockColumns && deepest[block] >= wanted && atLeast(from, block) < best) {
                        best = Math.min(best, nearest(from, block, wanted));
                    }
                }
            }
        }
        return Double.isInfinite(best) ? null : Double.valueOf(best);
    }

    private double atLeast(int from, int block) {
        int c = grid.column(from);
        int r = grid.row(from);
        int west = block % blockColumns * BLOCK;
        int north = block / blockColumns * BLOCK;
        int dc = Math.max(0, Math.max(west - c, c - (west + BLOCK - 1)));
        int dr = Math.max(0, Math.max(north - r, r - (north + BLOCK - 1)));
        return Math.hypot(dc * grid.widthM(), dr * grid.heightM());
    }

    private double nearest(int from, int block, double wanted) {
        double best = Double.POSITIVE_INFINITY;
        int west = block % blockColumns * BLOCK;
        int north = block / blockColumns * BLOCK;
        for (int r = north; r < Math.min(grid.rows(), north + BLOCK); r++) {
            for (int c = west; c < Math.min(grid.columns(), west + BLOCK); c++) {
                int cell = grid.cell(c, r);
                if (grid.depth(cell) >= wanted) {
                    best = Math.min(best, grid.metres(from, cell));
                }
            }
        }
        return best;
    }
}
