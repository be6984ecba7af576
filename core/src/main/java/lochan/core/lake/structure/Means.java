package lochan.core.lake.structure;

import lochan.core.lake.depth.DepthGrid;

/** Mean depths of rectangles of a grid, each in a moment: by summed-area tables (Crow 1984). */
final class Means {

    private final DepthGrid grid;
    private final int wide;
    private final double[] sums;
    private final int[] counts;

    Means(DepthGrid grid) {
        this.grid = grid;
        this.wide = grid.columns() + 1;
        this.sums = new double[wide * (grid.rows() + 1)];
        this.counts = new int[sums.length];
        for (int i = 0; i < grid.size(); i++) {
            int at = (grid.row(i) + 1) * wide + grid.column(i) + 1;
            boolean land = grid.isLand(i);
            sums[at] = sums[at - 1] + sums[at - wide] - sums[at - wide - 1] + (land ? 0 : grid.depth(i));
            counts[at] = counts[at - 1] + counts[at - wide] - counts[at - wide - 1] + (land ? 0 : 1);
        }
    }

    /** Mean depth of the water in columns [west, east) and rows [north, south), those beyond the edge left out; NaN where there is none. */
    double mean(int west, int east, int north, int south) {
        int w = Math.max(0, west);
        int e = Math.min(grid.columns(), east);
        int n = Math.max(0, north) * wide;
        int s = Math.min(grid.rows(), south) * wide;
        int count = counts[s + e] - counts[s + w] - counts[n + e] + counts[n + w];
        return count == 0 ? Double.NaN : (sums[s + e] - sums[s + w] - sums[n + e] + sums[n + w]) / count;
    }

    /** How far each cell stands out: the mean depth of the water within a square around it, less its own, m; above 0 it stands out, below it lies in a hole; 0 on land. */
    float[] relief(double aroundM) {
        int reach = Math.max(1, (int) Math.round(aroundM / grid.stepM()));
        float[] relief = new float[grid.size()];
        for (int i = 0; i < relief.length; i++) {
            if (!grid.isLand(i)) {
                int c = grid.column(i);
                int r = grid.row(i);
                relief[i] = (float) (mean(c - reach, c + reach + 1, r - reach, r + reach + 1) - grid.depth(i));
            }
        }
        return relief;
    }

    /**
     * How steep the bottom is over a length, so that what is rough only from cell to cell counts as level: between the means of the water on
     * both sides.
     *
     * @param overM to each side, at least a cell
     * @return metres down for each along; NaN on land
     */
    float[] steepness(double overM) {
        int across = Math.max(1, (int) Math.round(overM / grid.widthM()));
        int down = Math.max(1, (int) Math.round(overM / grid.heightM()));
        float[] slope = new float[grid.size()];
        for (int i = 0; i < slope.length; i++) {
            slope[i] = grid.isLand(i) ? Float.NaN : (float) steepness(grid.column(i), grid.row(i), across, down);
        }
        return slope;
    }

    private double steepness(int c, int r, int across, int down) {
        double here = grid.depth(grid.cell(c, r));
        double west = or(mean(c - across, c, r - down, r + down + 1), here);
        double east = or(mean(c + 1, c + across + 1, r - down, r + down + 1), here);
        double north = or(mean(c - across, c + across + 1, r - down, r), here);
        double south = or(mean(c - across, c + across + 1, r + 1, r + down + 1), here);
        return Math.hypot(
                (east - west) / ((across + 1) * grid.widthM()), (south - north) / ((down + 1) * grid.heightM()));
    }

    private static double or(double mean, double here) {
        return Double.isNaN(mean) ? here : mean;
    }
}
