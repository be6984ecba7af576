package lochan.core.lake.depth;

import java.util.Arrays;

/**
 * Cells of a large grid, given row by row from the north, averaged to one where several fall together: only the rows of one averaged cell are held.
 * An averaged cell is a number where at least half of its cells are.
 */
public final class CellMeans {

    private final int readColumns;
    private final int readRows;
    private final int columns;
    private final int by;
    private final float[] values;
    private final double[] sums;
    private final int[] numbers;
    private int column;
    private int row;

    private CellMeans(int readColumns, int readRows, int by) {
        this.readColumns = readColumns;
        this.readRows = readRows;
        this.by = by;
        this.columns = Math.ceilDiv(readColumns, by);
        this.values = new float[columns * Math.ceilDiv(readRows, by)];
        this.sums = new double[columns];
        this.numbers = new int[columns];
    }

    /**
     * Prepares for a grid.
     *
     * @param most cells along a side afterwards
     */
    public static CellMeans of(int columns, int rows, int most) {
        return new CellMeans(columns, rows, Math.ceilDiv(Math.max(columns, rows), most));
    }

    /** The next cell; NaN: none. */
    public void add(float value) {
        if (by == 1) {
            values[row * columns + column] = value;
        } else if (!Float.isNaN(value)) {
            sums[column / by] += value;
            numbers[column / by]++;
        }
        column++;
        if (column == readColumns) {
            column = 0;
            row++;
            if (by > 1 && (row % by == 0 || row == readRows)) {
                settle((row - 1) / by);
            }
        }
    }

    private void settle(int to) {
        int high = row - to * by;
        for (int c = 0; c < columns; c++) {
            int wide = Math.min(by, readColumns - c * by);
            values[to * columns + c] = 2 * numbers[c] >= wide * high ? (float) (sums[c] / numbers[c]) : Float.NaN;
        }
        Arrays.fill(sums, 0);
        Arrays.fill(numbers, 0);
    }

    public int columns() {
        return columns;
    }

    public int rows() {
        return values.length / columns;
    }

    /** How many cells, along each side, are averaged to one. */
    public int by() {
        return by;
    }

    /** By rows from the north; NaN: none. */
    public float[] values() {
        return values;
    }
}
