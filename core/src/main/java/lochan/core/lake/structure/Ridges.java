package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.Regions;
import org.jspecify.annotations.Nullable;

/**
 * Points: ridges that run out from the shore. A cell lies on a ridge when the bottom falls away on both sides of it, at one of a few
 * distances and in one of eight directions; a ridge that begins at the shore and runs out farther than it is wide is a point.
 */
final class Ridges {

    /** How far to both sides the bottom is looked at, m: narrow points show at the first, broad ones at the last. */
    private static final double[] SIDES_M = {40, 80, 160};

    private static final int[][] DIRECTIONS = {{1, 0}, {2, 1}, {1, 1}, {1, 2}, {0, 1}, {-1, 2}, {-1, 1}, {-2, 1}};
    /** A point begins no farther from the shore than this, m or cells. */
    private static final double BEGINS_WITHIN_M = 40;

    private static final double BEGINS_WITHIN_CELLS = 2.5;
    private static final double LEAST_LENGTH_M = 50;
    /** Its length is at least this share of the width of its root. */
    private static final double SLENDER = 0.75;

    /**
     * A ridge running out from the shore.
     *
     * @param crest  its cell that stands out most
     * @param fallM  how far the bottom falls to both sides there, the smaller, m
     * @param cells  its cells
     * @param lengthM from the shore outwards
     */
    record Ridge(int crest, double fallM, int[] cells, double lengthM) {}

    private final DepthGrid grid;
    private final float[] toShore;
    private final boolean[] onHump;

    /**
     * @param toShore metres from each cell to land
     * @param onHump  cells inside the closing contour of a hump, which are no point's
     */
    Ridges(DepthGrid grid, float[] toShore, boolean[] onHump) {
        this.grid = grid;
        this.toShore = toShore;
        this.onHump = onHump;
    }

    List<Ridge> points(double leastFallM) {
        List<Ridge> found = new ArrayList<>();
        for (double side : SIDES_M) {
            if (side >= 2 * grid.stepM()) {
                found.addAll(points(side, leastFallM));
            }
        }
        return onceEach(found);
    }

    private List<Ridge> points(double sideM, double leastFallM) {
        int[] offsets = offsets(sideM);
        float[] fall = new float[grid.size()];
        for (int i = 0; i < fall.length; i++) {
            fall[i] = grid.isLand(i) || onHump[i] ? 0 : fall(i, offsets);
        }
        List<Ridge> ridges = new ArrayList<>();
        for (int[] part : Regions.of(grid, i -> fall[i] >= leastFallM, 3)) {
            Ridge ridge = ridge(part, fall);
            if (ridge != null) {
                ridges.add(ridge);
            }
        }
        return ridges;
    }

    /** Columns and rows to the one side, for each direction. */
    private int[] offsets(double sideM) {
        int[] offsets = new int[2 * DIRECTIONS.length];
        for (int d = 0; d < DIRECTIONS.length; d++) {
            double east = DIRECTIONS[d][0] * grid.widthM();
            double north = DIRECTIONS[d][1] * grid.heightM();
            double times = sideM / Math.hypot(east, north);
            offsets[2 * d] = (int) Math.round(DIRECTIONS[d][0] * times);
            offsets[2 * d + 1] = (int) Math.round(DIRECTIONS[d][1] * times);
        }
        return offsets;
    }

    /** The most that the bottom falls on both sides in one direction; 0 when it does not, or land or the edge is there. */
    private float fall(int cell, int[] offsets) {
        int c = grid.column(cell);
        int r = grid.row(cell);
        float depth = grid.depth(cell);
        float most = 0;
        for (int d = 0; d < offsets.length; d += 2) {
            int one = grid.cell(c + offsets[d], r + offsets[d + 1]);
            int other = grid.cell(c - offsets[d], r - offsets[d + 1]);
            if (one >= 0 && other >= 0) {
                float fall = Math.min(grid.depth(one), grid.depth(other)) - depth;
                if (fall > most) {
                    most = fall;
                }
            }
        }
        return most;
    }

    private @Nullable Ridge ridge(int[] part, float[] fall) {
        double begins = Math.max(BEGINS_WITHIN_M, BEGINS_WITHIN_CELLS * grid.stepM());
        double near = Double.POSITIVE_INFINITY;
        double far = 0;
        int crest = part[0];
        int roots = 0;
        int west = Integer.MAX_VALUE;
        int east = -1;
        int north = Integer.MAX_VALUE;
        int south = -1;
        for (int cell : part) {
            near = Math.min(near, toShore[cell]);
            far = Math.max(far, toShore[cell]);
            crest = fall[cell] > fall[crest] ? cell : crest;
            if (toShore[cell] <= begins) {
                roots++;
                west = Math.min(west, grid.column(cell));
                east = Math.max(east, grid.column(cell));
                north = Math.min(north, grid.row(cell));
                south = Math.max(south, grid.row(cell));
            }
        }
        double length = far - near;
        double rootWidth = roots == 0 ? 0 : Math.hypot((east - west) * grid.widthM(), (south - north) * grid.heightM());
        boolean isPoint =
                near <= begins && length >= Math.max(LEAST_LENGTH_M, 3 * grid.stepM()) && length >= SLENDER * rootWidth;
        return isPoint ? new Ridge(crest, fall[crest], part, length) : null;
    }

    /** Of ridges that share cells, the one that stands out most. */
    private List<Ridge> onceEach(List<Ridge> ridges) {
        boolean[] taken = new boolean[grid.size()];
        List<Ridge> kept = new ArrayList<>();
        ridges.stream()
                .sorted(Comparator.comparingDouble(Ridge::fallM).reversed())
                .forEach(ridge -> {
                    boolean isNew = true;
                    for (int cell : ridge.cells()) {
                        isNew &= !taken[cell];
                    }
                    for (int cell : ridge.cells()) {
                        taken[cell] = true;
                    }
                    if (isNew) {
                        kept.add(ridge);
                    }
                });
        return kept;
    }
}
