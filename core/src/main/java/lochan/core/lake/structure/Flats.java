package lochan.core.lake.structure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.Regions;

/**
 * Level ground of about one depth. What is level together is cut where it is narrower than {@value #NECK_M} m; where the depths of a part then differ
 * by more than {@value #ONE_DEPTH_M} m it is a slope with flats in it, and what is more level still is looked for: so each flat on a gentle shelf is one
 * of its own. A shelf that slopes evenly has none.
 */
final class Flats {

    /** A flat is level over this length: on fine grids the sonar's noise alone is steeper from cell to cell, m. */
    private static final double OVER_M = 20;
    /** Metres down for each along, the more level the later; with depths to the decimetre less cannot be seen. */
    private static final double[] LEVEL = {0.02, 0.01, 0.005, 0.0025, 0.0012, 0.0006};
    /** Where more level ground is looked for it is judged over this length, m. */
    private static final double FINER_OVER_M = 60;

    static final double ONE_DEPTH_M = 1.5;
    static final double NECK_M = 60;
    /** Of a flat's depths, the share at each end that is ignored: a hole, a stump. */
    private static final double ODD_SHARE = 0.02;

    private static final double LEAST_AREA_M2 = 10_000;

    private final DepthGrid grid;
    private final double shallowestM;
    private final double deepestM;
    private final float[] rough;
    private final float[] fine;
    private final int least;
    private final List<int[]> found = new ArrayList<>();

    private Flats(DepthGrid grid, double shallowestM, double deepestM) {
        this.grid = grid;
        this.shallowestM = shallowestM;
        this.deepestM = deepestM;
        Means means = new Means(grid);
        this.rough = means.steepness(OVER_M);
        this.fine = means.steepness(FINER_OVER_M);
        this.least = Math.max(4, (int) Math.ceil(LEAST_AREA_M2 / grid.cellAreaM2()));
    }

    /** Flats within a band of depths, as their cells. */
    static List<int[]> of(DepthGrid grid, double shallowestM, double deepestM) {
        Flats flats = new Flats(grid, shallowestM, deepestM);
        boolean[] all = new boolean[grid.size()];
        Arrays.fill(all, true);
        flats.split(all, 0);
        return flats.found;
    }

    private void split(boolean[] within, int level) {
        boolean[] isLevel = new boolean[grid.size()];
        float[] steepness = level == 0 ? rough : fine;
        for (int i = 0; i < isLevel.length; i++) {
            isLevel[i] = within[i]
                    && steepness[i] <= LEVEL[level]
                    && grid.depth(i) >= shallowestM
                    && grid.depth(i) <= deepestM;
        }
        for (int[] part : parts(isLevel)) {
            if (range(part) <= ONE_DEPTH_M) {
                found.add(part);
            } else if (level + 1 < LEVEL.length) {
                boolean[] inside = new boolean[grid.size()];
                for (int cell : part) {
                    inside[cell] = true;
                }
                split(inside, level + 1);
            }
        }
    }

    /** Connected level ground, cut at its necks: its cores lie half a neck from its edge, and take what lies within that of them. */
    private List<int[]> parts(boolean[] isLevel) {
        float[] inward = Regions.metresTo(grid, i -> !isLevel[i]);
        int[] part = new int[grid.size()];
        List<int[]> cores = Regions.of(grid, i -> inward[i] > NECK_M / 2, 1);
        int[] queue = new int[grid.size()];
        int filled = 0;
        for (int c = 0; c < cores.size(); c++) {
            for (int cell : cores.get(c)) {
                part[cell] = c + 1;
                queue[filled++] = cell;
            }
        }
        int rings = (int) Math.ceil(NECK_M / 2 / Math.min(grid.widthM(), grid.heightM()));
        int[] near = new int[8];
        int from = 0;
        for (int ring = 0; ring < rings; ring++) {
            int end = filled;
            for (; from < end; from++) {
                grid.neighbours(queue[from], near);
                for (int n : near) {
                    if (n >= 0 && isLevel[n] && part[n] == 0) {
                        part[n] = part[queue[from]];
                        queue[filled++] = n;
                    }
                }
            }
        }
        int[] sizes = new int[cores.size() + 1];
        for (int i = 0; i < filled; i++) {
            sizes[part[queue[i]]]++;
        }
        int[][] cells = new int[sizes.length][];
        int[] next = new int[sizes.length];
        for (int i = 0; i < filled; i++) {
            int p = part[queue[i]];
            if (cells[p] == null) {
                cells[p] = new int[sizes[p]];
            }
            cells[p][next[p]++] = queue[i];
        }
        return Arrays.stream(cells).filter(c -> c != null && c.length >= least).toList();
    }

    private double range(int[] cells) {
        float[] depths = depths(cells);
        int odd = (int) (ODD_SHARE * depths.length);
        return depths[depths.length - 1 - odd] - depths[odd];
    }

    private float[] depths(int[] cells) {
        float[] depths = new float[cells.length];
        for (int i = 0; i < cells.length; i++) {
            depths[i] = grid.depth(cells[i]);
        }
        Arrays.sort(depths);
        return depths;
    }
}
