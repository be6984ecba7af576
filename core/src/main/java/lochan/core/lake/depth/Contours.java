package lochan.core.lake.depth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Lines of one depth by marching squares (Lorensen and Cline 1987, in two dimensions): corners are the middles of cells, lines are placed
 * linearly between them, deeper water to the right. Saddle squares are joined by their mean.
 */
public final class Contours {

    private final double[] values;
    private final int columns;
    private final int rows;
    private final double level;
    /** From the edge of a square, by its number, to where its line goes on. */
    private final Map<Long, Long> next = new HashMap<>();

    private Contours(double[] values, int columns, double level) {
        this.values = values;
        this.columns = columns;
        this.rows = values.length / columns;
        this.level = level;
    }

    /**
     * @param values  depths by rows from the north; every one a number: what is land has a value below the level
     * @param columns columns of the grid
     * @return lines as column, row pairs, whole numbers being middles of cells; a closed line repeats its first place
     */
    public static List<double[][]> of(double[] values, int columns, double level) {
        Contours contours = new Contours(values, columns, level);
        for (int r = 0; r + 1 < contours.rows; r++) {
            for (int c = 0; c + 1 < columns; c++) {
                contours.square(c, r);
            }
        }
        return contours.lines();
    }

    /** The values of a grid, to draw several depths of it; land counts as just above the surface. */
    public static double[] values(DepthGrid grid) {
        double[] values = new double[grid.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = grid.isLand(i) ? -0.01 : grid.depth(i);
        }
        return values;
    }

    private double value(int c, int r) {
        return values[r * columns + c];
    }

    private void square(int c, int r) {
        boolean nw = value(c, r) > level;
        boolean ne = value(c + 1, r) > level;
        boolean se = value(c + 1, r + 1) > level;
        boolean sw = value(c, r + 1) > level;
        int kind = (nw ? 8 : 0) | (ne ? 4 : 0) | (se ? 2 : 0) | (sw ? 1 : 0);
        long top = across(c, r);
        long bottom = across(c, r + 1);
        long left = down(c, r);
        long right = down(c + 1, r);
        switch (kind) {
            case 1 -> join(bottom, left);
            case 2 -> join(right, bottom);
            case 3 -> join(right, left);
            case 4 -> join(top, right);
            case 6 -> join(top, bottom);
            case 7 -> join(top, left);
            case 8 -> join(left, top);
            case 9 -> join(bottom, top);
            case 11 -> join(right, top);
            case 12 -> join(left, right);
            case 13 -> join(bottom, right);
            case 14 -> join(left, bottom);
            case 5, 10 ->
                saddle(
                        kind == 5,
                        (value(c, r) + value(c + 1, r) + value(c + 1, r + 1) + value(c, r + 1)) / 4 > level,
                        top,
                        right,
                        bottom,
                        left);
            default -> {}
        }
    }

    private void saddle(boolean northEastIsDeep, boolean middleIsDeep, long top, long right, long bottom, long left) {
        if (northEastIsDeep) {
            join(top, middleIsDeep ? left : right);
            join(bottom, middleIsDeep ? right : left);
        } else {
            join(left, middleIsDeep ? bottom : top);
            join(right, middleIsDeep ? top : bottom);
        }
    }

    private void join(long from, long to) {
        next.put(from, to);
    }

    /** Number of the line's crossing between a cell and the one east of it. */
    private long across(int c, int r) {
        return 2L * (r * (long) columns + c);
    }

    /** Returns the edge between a cell and the one south of it. */
    private long down(int c, int r) {
        return 2L * (r * (long) columns + c) + 1;
    }

    /** Where a crossing lies: only those that a line goes through are looked up. */
    private double[] place(long crossing) {
        int cell = (int) (crossing / 2);
        int c = cell % columns;
        int r = cell / columns;
        return crossing % 2 == 0
                ? new double[] {c + share(value(c, r), value(c + 1, r)), r}
                : new double[] {c, r + share(value(c, r), value(c, r + 1))};
    }

    private double share(double a, double b) {
        return a == b ? 0.5 : Math.clamp((level - a) / (b - a), 0, 1);
    }

    private List<double[][]> lines() {
        Map<Long, Long> left = new HashMap<>(next);
        List<double[][]> lines = new ArrayList<>();
        // Open lines begin where nothing leads to.
        Set<Long> ends = new HashSet<>(next.values());
        next.keySet().stream().filter(k -> !ends.contains(k)).sorted().forEach(k -> lines.add(follow(k, left)));
        next.keySet().stream().sorted().filter(left::containsKey).forEach(k -> {
            if (left.containsKey(k)) {
                lines.add(follow(k, left));
            }
        });
        return lines;
    }

    private double[][] follow(long from, Map<Long, Long> left) {
        List<double[]> line = new ArrayList<>(List.of(place(from)));
        for (Long at = left.remove(from); at != null; at = left.remove(at)) {
            line.add(place(at));
        }
        return line.toArray(double[][]::new);
    }
}
