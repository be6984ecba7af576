package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.Regions;

/**
 * Pockets: bays whose mouth is narrower than what lies behind it. Water nearer to the shore than half a mouth's width is taken away; what
 * then hangs together no longer with the main lake, given back its own margins, is a pocket.
 */
final class Bays {

    /** Half the width of a mouth, m. */
    private static final double[] HALF_MOUTHS_M = {15, 30, 60};

    private static final double LEAST_AREA_M2 = 2_500;
    /** A larger share of the water is no bay but an arm of the lake. */
    private static final double LARGEST_SHARE = 0.2;

    /**
     * A pocket.
     *
     * @param cells   its water
     * @param mouth   a cell in its mouth
     * @param outside the nearest open water of the main lake
     */
    record Pocket(int[] cells, int mouth, int outside) {}

    private final DepthGrid grid;
    private final float[] toShore;

    Bays(DepthGrid grid, float[] toShore) {
        this.grid = grid;
        this.toShore = toShore;
    }

    List<Pocket> pockets() {
        List<Pocket> found = new ArrayList<>();
        boolean[] taken = new boolean[grid.size()];
        for (double half : HALF_MOUTHS_M) {
            if (half >= grid.stepM()) {
                for (Pocket pocket : pockets(half)) {
                    if (Arrays.stream(pocket.cells()).noneMatch(c -> taken[c])) {
                        found.add(pocket);
                        Arrays.stream(pocket.cells()).forEach(c -> taken[c] = true);
                    }
                }
            }
        }
        return found;
    }

    private List<Pocket> pockets(double halfM) {
        List<int[]> cores = Regions.of(grid, i -> !grid.isLand(i) && toShore[i] > halfM, 1);
        if (cores.size() < 2) {
            return List.of();
        }
        int[] main = cores.stream()
                .max((a, b) -> Integer.compare(a.length, b.length))
                .orElseThrow();
        int[] owner = spread(cores);
        int mainNumber = owner[main[0]];
        int[] counts = new int[cores.size()];
        for (int o : owner) {
            if (o >= 0) {
                counts[o]++;
            }
        }
        int water = Arrays.stream(counts).sum();
        int[] mouths = mouths(owner, mainNumber, cores.size());
        List<Pocket> pockets = new ArrayList<>();
        for (int k = 0; k < cores.size(); k++) {
            if (mouths[k] >= 0
                    && counts[k] * grid.cellAreaM2() >= LEAST_AREA_M2
                    && counts[k] <= LARGEST_SHARE * water) {
                int number = k;
                int[] cells = java.util.stream.IntStream.range(0, owner.length)
                        .filter(i -> owner[i] == number)
                        .toArray();
                pockets.add(new Pocket(cells, mouths[k], nearest(main, mouths[k])));
            }
        }
        return pockets;
    }

    /** Gives every cell of water to the core that reaches it first over water; −1: none does. */
    private int[] spread(List<int[]> cores) {
        int[] owner = new int[grid.size()];
        Arrays.fill(owner, -1);
        int[] queue = new int[grid.size()];
        int filled = 0;
        for (int k = 0; k < cores.size(); k++) {
            for (int cell : cores.get(k)) {
                owner[cell] = k;
                queue[filled++] = cell;
            }
        }
        int[] near = new int[8];
        for (int next = 0; next < filled; next++) {
            grid.neighbours(queue[next], near);
            for (int n : near) {
                if (n >= 0 && owner[n] < 0 && !grid.isLand(n)) {
                    owner[n] = owner[queue[next]];
                    queue[filled++] = n;
                }
            }
        }
        return owner;
    }

    /** For each core the cell where its water meets the main lake's in the widest place; −1: they do not meet. */
    private int[] mouths(int[] owner, int main, int count) {
        int[] mouths = new int[count];
        Arrays.fill(mouths, -1);
        int[] near = new int[8];
        for (int i = 0; i < owner.length; i++) {
            if (owner[i] >= 0 && owner[i] != main) {
                grid.neighbours(i, near);
                for (int n : near) {
                    if (n >= 0
                            && owner[n] == main
                            && (mouths[owner[i]] < 0 || toShore[i] > toShore[mouths[owner[i]]])) {
                        mouths[owner[i]] = i;
                    }
                }
            }
        }
        return mouths;
    }

    private int nearest(int[] cells, int to) {
        int best = cells[0];
        for (int cell : cells) {
            best = grid.metres(cell, to) < grid.metres(best, to) ? cell : best;
        }
        return best;
    }
}
