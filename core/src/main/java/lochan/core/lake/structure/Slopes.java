package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.List;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.Regions;

/** Finds ledges and bluffs by the steepness of the bottom. */
final class Slopes {

    /** Metres down for each metre along: a steep strip, and what is still level. */
    private static final double STEEP = 0.15;

    private static final double LEVEL = 0.06;

    private static final double BLUFF = 0.30;
    /** A ledge is a strip of this length at least, m, with its shelf within so far uphill for most of it. */
    private static final double LEDGE_LENGTH_M = 80;

    private static final double SHELF_WITHIN_M = 60;
    private static final double SHELF_SHARE = 0.5;
    /** A ledge keeps off the shore; what is steep there is a bluff. */
    private static final double OFF_SHORE_M = 25;

    private static final double BLUFF_LENGTH_M = 60;
    private static final double BLUFF_WITHIN_M = 25;

    private final DepthGrid grid;
    private final float[] toShore;
    private final Steepness steepness;
    private final boolean[] onHump;
    /** Steepness of each cell; NaN on land. */
    private final float[] slope;

    Slopes(DepthGrid grid, float[] toShore, boolean[] onHump) {
        this.grid = grid;
        this.toShore = toShore;
        this.onHump = onHump;
        this.steepness = new Steepness(grid);
        this.slope = Steepness.of(grid);
    }

    /** A strip of the bottom with the drop over it. */
    record Strip(int[] cells, double dropM, double lengthM) {}

    /** Steep strips between a level, shallower shelf and deeper water. */
    List<Strip> ledges(double leastDropM) {
        List<Strip> ledges = new ArrayList<>();
        double offShore = Math.max(OFF_SHORE_M, 2 * grid.stepM());
        for (int[] part : Regions.of(grid, i -> slope[i] >= STEEP && toShore[i] > offShore && !onHump[i], 4)) {
            Strip strip = strip(part);
            int withShelf = 0;
            for (int cell : part) {
                withShelf += hasShelf(cell) ? 1 : 0;
            }
            if (strip.lengthM() >= LEDGE_LENGTH_M
                    && strip.dropM() >= leastDropM
                    && withShelf >= SHELF_SHARE * part.length) {
                ledges.add(strip);
            }
        }
        return ledges;
    }

    private Strip strip(int[] part) {
        double shallowest = Double.POSITIVE_INFINITY;
        double deepest = 0;
        for (int cell : part) {
            shallowest = Math.min(shallowest, grid.depth(cell));
            deepest = Math.max(deepest, grid.depth(cell));
        }
        return new Strip(part, deepest - shallowest, Regions.lengthM(grid, part));
    }

    /** Whether level, shallower water lies uphill and near. */
    private boolean hasShelf(int cell) {
        double dx = steepness.east(cell);
        double dy = steepness.south(cell);
        double steep = Math.hypot(dx, dy);
        double step = grid.stepM();
        for (double far = step; far <= Math.max(SHELF_WITHIN_M, 3 * step); far += step) {
            int at = grid.cell((int) Math.round(grid.column(cell) - far * dx / steep / grid.widthM()), (int)
                    Math.round(grid.row(cell) - far * dy / steep / grid.heightM()));
            if (at < 0 || grid.isLand(at)) {
                return false;
            }
            if (slope[at] <= LEVEL) {
                return grid.depth(at) < grid.depth(cell);
            }
        }
        return false;
    }

    /** Steep bottom right at the shore. */
    List<Strip> bluffs() {
        double within = Math.max(BLUFF_WITHIN_M, 2 * grid.stepM());
        List<Strip> bluffs = new ArrayList<>();
        for (int[] part : Regions.of(
                grid, i -> !grid.isLand(i) && toShore[i] <= within && grid.depth(i) >= BLUFF * toShore[i], 4)) {
            Strip strip = strip(part);
            if (strip.lengthM() >= BLUFF_LENGTH_M) {
                bluffs.add(strip);
            }
        }
        return bluffs;
    }
}
