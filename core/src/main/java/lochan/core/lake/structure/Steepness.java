package lochan.core.lake.structure;

import lochan.core.lake.depth.DepthGrid;

/** How steep the bottom is. */
final class Steepness {

    private final DepthGrid grid;

    Steepness(DepthGrid grid) {
        this.grid = grid;
    }

    /** Metres down for each metre along, of each cell; NaN on land. */
    static float[] of(DepthGrid grid) {
        Steepness steepness = new Steepness(grid);
        float[] slope = new float[grid.size()];
        for (int i = 0; i < slope.length; i++) {
            slope[i] = grid.isLand(i) ? Float.NaN : (float) Math.hypot(steepness.east(i), steepness.south(i));
        }
        return slope;
    }

    /** Metres down for each metre east, over the neighbours that are water. */
    double east(int cell) {
        return along(
                cell,
                grid.cell(grid.column(cell) - 1, grid.row(cell)),
                grid.cell(grid.column(cell) + 1, grid.row(cell)),
                grid.widthM());
    }

    /** Metres down for each metre south. */
    double south(int cell) {
        return along(
                cell,
                grid.cell(grid.column(cell), grid.row(cell) - 1),
                grid.cell(grid.column(cell), grid.row(cell) + 1),
                grid.heightM());
    }

    private double along(int cell, int before, int after, double step) {
        int from = before >= 0 && !grid.isLand(before) ? before : cell;
        int to = after >= 0 && !grid.isLand(after) ? after : cell;
        int steps = (from == cell ? 0 : 1) + (to == cell ? 0 : 1);
        return steps == 0 ? 0 : (grid.depth(to) - grid.depth(from)) / (steps * step);
    }
}
