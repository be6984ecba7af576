package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import lochan.core.lake.depth.DepthGrid;

/**
 * Rises of the bottom and where they meet: cells are taken from the shallowest to the deepest and joined to their neighbours by union-find;
 * where two rises meet, the lower one ends (Carr, Snoeyink and Axen 2003, the join tree). All land is one rise, higher than all water.
 */
final class MergeTree {

    /**
     * A rise that ended where it met a higher one, or the highest of all.
     *
     * @param top        its shallowest cell
     * @param saddle     the cell where it ended; −1: it never did
     * @param closingM   depth of that cell, or of the deepest water for the highest of all
     * @param otherTop   the shallowest cell of the rise it met; −1: the shore, or none
     * @param cells      cells inside its closing contour
     */
    record Rise(int top, int saddle, double closingM, int otherTop, int cells) {}

    private static final int SHORE = -1;

    private final DepthGrid grid;
    /** Parent of each cell taken; itself for the root; −2: not taken yet. The last place is the shore's. */
    private final int[] parent;

    private final int[] top;
    private final int[] count;
    private final List<Rise> rises = new ArrayList<>();
    private final double leastProminenceM;

    private MergeTree(DepthGrid grid, double leastProminenceM) {
        this.grid = grid;
        this.leastProminenceM = leastProminenceM;
        int n = grid.size();
        this.parent = new int[n + 1];
        this.top = new int[n + 1];
        this.count = new int[n + 1];
        Arrays.fill(parent, -2);
        parent[n] = n;
        top[n] = SHORE;
    }

    /** The rises that stand out by more than nothing and at least by a prominence. */
    static List<Rise> rises(DepthGrid grid, double leastProminenceM) {
        MergeTree tree = new MergeTree(grid, leastProminenceM);
        tree.sweep();
        return tree.rises;
    }

    private void sweep() {
        long[] order = order();
        int[] near = new int[8];
        for (long next : order) {
            int cell = (int) next;
            parent[cell] = cell;
            top[cell] = cell;
            count[cell] = 1;
            grid.neighbours(cell, near);
            for (int n : near) {
                if (n >= 0 && grid.isLand(n)) {
                    join(cell, grid.size());
                } else if (n >= 0 && parent[n] != -2) {
                    join(cell, n);
                }
            }
        }
        addHighest(order);
    }

    /** Water cells from the shallowest: depth in the upper half of each number, cell in the lower. */
    private long[] order() {
        long[] order = new long[grid.size()];
        int water = 0;
        for (int i = 0; i < grid.size(); i++) {
            if (!grid.isLand(i)) {
                order[water++] = (long) Float.floatToIntBits(grid.depth(i) + 0f) << 32 | i;
            }
        }
        long[] sorted = Arrays.copyOf(order, water);
        Arrays.sort(sorted);
        return sorted;
    }

    private void join(int cell, int other) {
        int a = root(cell);
        int b = root(other);
        if (a == b) {
            return;
        }
        boolean aIsHigher = height(a) > height(b) || (height(a) == height(b) && count[a] >= count[b]);
        int high = aIsHigher ? a : b;
        int low = aIsHigher ? b : a;
        double closing = grid.depth(cell);
        double prominence = closing - grid.depth(top[low]);
        if (prominence > 0 && prominence >= leastProminenceM) {
            rises.add(new Rise(top[low], cell, closing, top[high], count[low]));
        }
        parent[low] = high;
        count[high] += count[low];
    }

    private double height(int root) {
        return top[root] == SHORE ? Double.POSITIVE_INFINITY : -grid.depth(top[root]);
    }

    private int root(int cell) {
        int at = cell;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    /** Where no land is, the highest rise of each water ends with its deepest cell. */
    private void addHighest(long[] order) {
        float[] deepest = new float[grid.size() + 1];
        for (long next : order) {
            deepest[root((int) next)] = grid.depth((int) next);
        }
        for (int i = 0; i < grid.size(); i++) {
            if (parent[i] == i && deepest[i] - grid.depth(top[i]) >= Math.max(leastProminenceM, Float.MIN_VALUE)) {
                rises.add(new Rise(top[i], -1, deepest[i], SHORE, count[i]));
            }
        }
    }
}
