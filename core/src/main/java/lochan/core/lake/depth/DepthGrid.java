package lochan.core.lake.depth;

import java.util.Arrays;
import java.util.BitSet;
import lochan.core.event.Position;

/**
 * Depths of a lake on a grid of square cells, in the grid's own coordinates. Cells are numbered by rows from the north-west corner; a
 * place is the middle of a cell. Nothing lies beyond the edge.
 */
public final class DepthGrid {

    /** A header's cell size below this is in degrees. */
    private static final double LARGEST_DEGREE_CELL = 0.1;

    private final int columns;
    private final int rows;
    private final double west;
    private final double south;
    private final double cellSize;
    private final boolean degrees;
    /** Metres below the surface; NaN: land. */
    private final float[] depths;
    /** Cells whose depth nothing was measured near. */
    private final BitSet guessed;

    /**
     * @param west     west edge of the grid, in its coordinates
     * @param south    south edge
     * @param cellSize side of a cell, in its coordinates
     * @param degrees  whether coordinates are longitude and latitude, else metres
     * @param depths   metres by rows from the north-west, NaN on land
     */
    public DepthGrid(
            int columns, int rows, double west, double south, double cellSize, boolean degrees, float[] depths) {
        this(columns, rows, west, south, cellSize, degrees, depths, new BitSet());
    }

    private DepthGrid(
            int columns,
            int rows,
            double west,
            double south,
            double cellSize,
            boolean degrees,
            float[] depths,
            BitSet guessed) {
        if (columns < 1 || rows < 1 || depths.length != columns * rows || !(cellSize > 0)) {
            throw new IllegalArgumentException("a grid of " + columns + " × " + rows + " cells of " + cellSize
                    + " with " + depths.length + " depths");
        }
        this.columns = columns;
        this.rows = rows;
        this.west = west;
        this.south = south;
        this.cellSize = cellSize;
        this.degrees = degrees;
        this.depths = depths.clone();
        this.guessed = (BitSet) guessed.clone();
    }

    /** Returns the grid with some cells marked as guessed: nothing was measured near them. */
    public DepthGrid withGuessed(BitSet cells) {
        return new DepthGrid(columns, rows, west, south, cellSize, degrees, depths, cells);
    }

    /** Whether a cell size can only be meant in degrees. */
    public static boolean looksLikeDegrees(double cellSize) {
        return cellSize < LARGEST_DEGREE_CELL;
    }

    public int columns() {
        return columns;
    }

    public int rows() {
        return rows;
    }

    public int size() {
        return depths.length;
    }

    public boolean degrees() {
        return degrees;
    }

    public double west() {
        return west;
    }

    public double south() {
        return south;
    }

    public double cellSize() {
        return cellSize;
    }

    public boolean isLand(int cell) {
        return Float.isNaN(depths[cell]);
    }

    /** Metres; NaN on land. */
    public float depth(int cell) {
        return depths[cell];
    }

    /** Whether nothing was measured near a cell. */
    public boolean isGuessed(int cell) {
        return guessed.get(cell);
    }

    /** The cells that nothing was measured near. */
    public BitSet guessed() {
        return (BitSet) guessed.clone();
    }

    /** The depths by rows from the north-west. */
    public float[] depths() {
        return depths.clone();
    }

    public int column(int cell) {
        return cell % columns;
    }

    public int row(int cell) {
        return cell / columns;
    }

    /** The cell at a column and row; −1 beyond the edge. */
    public int cell(int column, int row) {
        return column < 0 || row < 0 || column >= columns || row >= rows ? -1 : row * columns + column;
    }

    /** The cell that holds a place; −1 beyond the edge. */
    public int cellAt(double x, double y) {
        return cell((int) Math.floor((x - west) / cellSize), rows - 1 - (int) Math.floor((y - south) / cellSize));
    }

    public double x(int cell) {
        return xAt(column(cell));
    }

    public double y(int cell) {
        return yAt(row(cell));
    }

    /** @param column whole numbers are middles of cells */
    public double xAt(double column) {
        return west + (column + 0.5) * cellSize;
    }

    /** @param row from the north; whole numbers are middles of cells */
    public double yAt(double row) {
        return south + (rows - row - 0.5) * cellSize;
    }

    /** Width of a cell, m. */
    public double widthM() {
        return degrees ? cellSize * Position.metresPerDegreeEast(south + rows * cellSize / 2) : cellSize;
    }

    /** Height of a cell, m. */
    public double heightM() {
        return degrees ? cellSize * Position.METRES_PER_DEGREE : cellSize;
    }

    public double cellAreaM2() {
        return widthM() * heightM();
    }

    /** A length of about one cell, m. */
    public double stepM() {
        return Math.sqrt(cellAreaM2());
    }

    /** Metres between the middles of two cells. */
    public double metres(int a, int b) {
        return Math.hypot((column(a) - column(b)) * widthM(), (row(a) - row(b)) * heightM());
    }

    /** Area of water within a band of depths [shallowest, deepest], m². */
    public double areaM2(double shallowestM, double deepestM) {
        int cells = 0;
        for (float d : depths) {
            if (d >= shallowestM && d <= deepestM) {
                cells++;
            }
        }
        return cells * cellAreaM2();
    }

    /** Depth of the deepest water, m; NaN when there is none. */
    public float deepest() {
        float deepest = Float.NaN;
        for (float d : depths) {
            if (!(deepest >= d) && !Float.isNaN(d)) {
                deepest = d;
            }
        }
        return deepest;
    }

    /**
     * Returns the water in larger cells, no more than some per side; this grid when it has no more. A larger cell is
     * water where at least half of
     * what it holds is, at their mean depth.
     *
     * @param most cells per side, 1 or more
     */
    public DepthGrid thinned(int most) {
        int by = Math.ceilDiv(Math.max(columns, rows), most);
        if (by == 1) {
            return this;
        }
        int across = Math.ceilDiv(columns, by);
        int down = Math.ceilDiv(rows, by);
        float[] fewer = new float[across * down];
        BitSet unsure = new BitSet();
        for (int i = 0; i < fewer.length; i++) {
            fewer[i] = mean(i % across * by, i / across * by, by);
            unsure.set(i, isGuessed(i % across * by, i / across * by, by));
        }
        double southEdge = south - (down * by - rows) * cellSize;
        return new DepthGrid(across, down, west, southEdge, cellSize * by, degrees, fewer, unsure);
    }

    /** Whether all of a square of cells is guessed. */
    private boolean isGuessed(int column, int row, int side) {
        if (guessed.isEmpty()) {
            return false;
        }
        for (int r = row; r < Math.min(rows, row + side); r++) {
            int from = r * columns + column;
            if (guessed.nextClearBit(from) < r * columns + Math.min(columns, column + side)) {
                return false;
            }
        }
        return true;
    }

    /** Mean depth of a square of cells; NaN where most of it is land. */
    private float mean(int column, int row, int side) {
        double sum = 0;
        int water = 0;
        int all = 0;
        for (int r = row; r < Math.min(rows, row + side); r++) {
            for (int c = column; c < Math.min(columns, column + side); c++) {
                float depth = depths[r * columns + c];
                all++;
                if (!Float.isNaN(depth)) {
                    sum += depth;
                    water++;
                }
            }
        }
        return 2 * water >= all ? (float) (sum / water) : Float.NaN;
    }

    /** The up to eight neighbours of a cell; −1 fills the rest. */
    public void neighbours(int cell, int[] found) {
        Arrays.fill(found, -1);
        int c = column(cell);
        int r = row(cell);
        int n = 0;
        for (int dr = -1; dr <= 1; dr++) {
            for (int dc = -1; dc <= 1; dc++) {
                if ((dr != 0 || dc != 0) && c + dc >= 0 && c + dc < columns && r + dr >= 0 && r + dr < rows) {
                    found[n++] = (r + dr) * columns + c + dc;
                }
            }
        }
    }
}
