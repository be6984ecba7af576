package lochan.core.lake.depth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;

/** The shore of a lake from its depths, where nobody drew it: the line between water and land. */
public final class GridShore {

    /** Smaller waters and islands are noise, cells. */
    private static final double LEAST_CELLS = 6;

    private GridShore() {}

    /** @param grid in degrees, with water in it */
    public static List<Lake.Body> of(DepthGrid grid) {
        List<List<Position>> shores = new ArrayList<>();
        List<List<Position>> islands = new ArrayList<>();
        for (double[][] line : Contours.of(ringed(grid), grid.columns() + 2, 0)) {
            double area = area(line);
            // Lines have deeper water on one side: around water they run one way, around an island the other.
            if (Math.abs(area) >= LEAST_CELLS) {
                (area < 0 ? shores : islands).add(positions(grid, line));
            }
        }
        return shores.stream()
                .map(shore -> new Lake.Body(shore, List.of()))
                .map(body -> new Lake.Body(
                        body.shore(),
                        islands.stream().filter(i -> body.holds(i.getFirst())).toList()))
                .toList();
    }

    /** The values with a ring of land around them, so that every line is closed. */
    private static double[] ringed(DepthGrid grid) {
        double[] inner = Contours.values(grid);
        int wide = grid.columns() + 2;
        double[] values = new double[wide * (grid.rows() + 2)];
        Arrays.fill(values, -1);
        for (int r = 0; r < grid.rows(); r++) {
            for (int c = 0; c < grid.columns(); c++) {
                double value = inner[r * grid.columns() + c];
                values[(r + 1) * wide + c + 1] = value > 0 ? 1 : -1;
            }
        }
        return values;
    }

    /** Of a closed line of columns and rows; above 0 with the clock as it is seen, rows running down. */
    private static double area(double[][] line) {
        double sum = 0;
        for (int i = 0; i + 1 < line.length; i++) {
            sum += line[i][0] * line[i + 1][1] - line[i + 1][0] * line[i][1];
        }
        return sum / 2;
    }

    private static List<Position> positions(DepthGrid grid, double[][] line) {
        List<Position> ring = new ArrayList<>(line.length);
        for (int i = 0; i + 1 < line.length; i++) {
            ring.add(new Position(grid.yAt(line[i][1] - 1), grid.xAt(line[i][0] - 1)));
        }
        return ring;
    }
}
