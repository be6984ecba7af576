package lochan.core.lake.depth;

import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import lochan.core.event.Extent;
import lochan.core.event.Position;
import lochan.core.lake.Lake;

/** The water of a lake on square cells in longitude and latitude, a cell of land around it; cells are numbered as those of a {@link DepthGrid}. */
public final class LakeRaster {

    private final int columns;
    private final int rows;
    private final double west;
    private final double north;
    private final double cell;
    private final double narrowing;
    private final boolean[] water;

    private LakeRaster(Lake lake, int most, double smallestM) {
        Extent shores = lake.extent();
        double high = shores.north() - shores.south();
        double wide = shores.east() - shores.west();
        cell = Math.max(Math.max(high, wide) / most, smallestM / Position.METRES_PER_DEGREE);
        columns = (int) Math.ceil(wide / cell) + 2;
        rows = (int) Math.ceil(high / cell) + 2;
        west = shores.west() - cell;
        north = shores.north() + cell;
        narrowing = Math.cos(Math.toRadians((shores.south() + shores.north()) / 2));
        water = new boolean[columns * rows];
        lake.bodies().forEach(this::fill);
    }

    /**
     * @param most      cells of the longer side, but for the land around
     * @param smallestM least height of a cell, m
     */
    public static LakeRaster of(Lake lake, int most, double smallestM) {
        return new LakeRaster(lake, most, smallestM);
    }

    /** Marks the cells whose middles lie in a body, row by row between the crossings of its rings. */
    private void fill(Lake.Body body) {
        for (int row = 0; row < rows; row++) {
            double lat = north - (row + 0.5) * cell;
            double[] crossings = body.rings().stream()
                    .flatMapToDouble(ring -> crossings(ring, lat))
                    .sorted()
                    .toArray();
            for (int i = 0; i + 1 < crossings.length; i += 2) {
                int from = (int) Math.ceil((crossings[i] - west) / cell - 0.5);
                int to = (int) Math.floor((crossings[i + 1] - west) / cell - 0.5);
                for (int c = Math.max(0, from); c <= Math.min(columns - 1, to); c++) {
                    water[row * columns + c] = true;
                }
            }
        }
    }

    private static DoubleStream crossings(List<Position> ring, double lat) {
        double[] found = new double[ring.size()];
        int n = 0;
        for (int i = 0; i < ring.size(); i++) {
            Position a = ring.get(i);
            Position b = ring.get((i + 1) % ring.size());
            if (a.lat() > lat != b.lat() > lat) {
                found[n++] = a.lon() + (lat - a.lat()) / (b.lat() - a.lat()) * (b.lon() - a.lon());
            }
        }
        return Arrays.stream(found, 0, n);
    }

    public int columns() {
        return columns;
    }

    public int rows() {
        return rows;
    }

    public int size() {
        return water.length;
    }

    public boolean isWater(int at) {
        return water[at];
    }

    /** The cell at a column and row; −1 beyond the edge. */
    public int cell(int column, int row) {
        return column < 0 || row < 0 || column >= columns || row >= rows ? -1 : row * columns + column;
    }

    /** Cells east of the west edge. */
    public double column(Position p) {
        return (p.lon() - west) / cell;
    }

    /** Cells south of the north edge. */
    public double row(Position p) {
        return (north - p.lat()) / cell;
    }

    /** The cell that holds a place; −1 beyond the edge. */
    public int cellAt(Position p) {
        return cell((int) Math.floor(column(p)), (int) Math.floor(row(p)));
    }

    /** The middle of a cell. */
    public Position position(int at) {
        int row = at / columns;
        return new Position(north - (row + 0.5) * cell, west + (at % columns + 0.5) * cell);
    }

    /** Width of a cell as a share of its height. */
    public double narrowing() {
        return narrowing;
    }

    /** Height of a cell, m. */
    public double heightM() {
        return cell * Position.METRES_PER_DEGREE;
    }

    /** @param metres depths by cells, NaN on land */
    public DepthGrid grid(float[] metres) {
        return new DepthGrid(columns, rows, west, north - rows * cell, cell, true, metres);
    }
}
