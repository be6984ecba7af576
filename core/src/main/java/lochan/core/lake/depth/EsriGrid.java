package lochan.core.lake.depth;

import java.util.HashMap;
import java.util.Iterator;
import java.util.Locale;
import java.util.Map;
import java.util.StringTokenizer;
import lochan.core.Intake;
import org.jspecify.annotations.Nullable;

/**
 * Reads depths from an Esri ASCII grid: header lines {@code ncols}, {@code nrows}, {@code xllcorner} or {@code xllcenter},
 * {@code yllcorner} or {@code yllcenter}, {@code cellsize} and perhaps {@code nodata_value} (−9999 when missing), then the rows from the
 * north. Depths are metres, positive down; NODATA is land. A file may hold heights instead, positive up, with the lake's surface at one of them.
 */
public final class EsriGrid {

    /** Cells per side at the most. */
    public static final int MOST_CELLS_PER_SIDE = 2000;
    /** Of a file whose cells are averaged until they are no more than that. */
    private static final int MOST_READ_PER_SIDE = 20_000;

    /** No lake is as deep. */
    public static final double DEEPEST_M = 2000;

    private static final double HIGHEST_M = 9000;
    private static final double USUAL_NODATA = -9999;
    private static final int LONGEST_SHOWN = 20;

    private EsriGrid() {}

    /** Says what a file's values mean. */
    public sealed interface Values {

        /** Not told: depths, unless most of them are negative, which is asked about. */
        record Untold() implements Values {}

        /** Metres below the surface. */
        record Depths() implements Values {}

        /** @param surfaceM the height of the lake's surface, m */
        record Heights(double surfaceM) implements Values {}

        /** As in the file, in a unit given later; water and land are not told apart yet. */
        record AsTheyStand() implements Values {}
    }

    /**
     * A grid as its file has it.
     *
     * @param by how many cells of the file, along each side, were averaged to one; 1: none
     */
    public record Thinned(DepthGrid grid, int by) {}

    /** @param degrees whether coordinates are degrees; null: as the cell size looks */
    public static DepthGrid read(Iterator<String> lines, @Nullable Boolean degrees) throws BadGridException {
        return read(lines, degrees, new Values.Untold());
    }

    /** Reads values as they stand in a file, row by row; of a grid with more than 2000 cells along a side several are averaged to one. */
    public static Thinned readThinned(Iterator<String> lines, @Nullable Boolean degrees) throws BadGridException {
        return read(lines, degrees, new Values.AsTheyStand(), MOST_READ_PER_SIDE);
    }

    /**
     * @param lines   of the text
     * @param degrees whether coordinates are degrees; null: as the cell size looks
     * @throws BadGridException in one line, for a file that is none, lies outside the world, or has no water
     */
    public static DepthGrid read(Iterator<String> lines, @Nullable Boolean degrees, Values values)
            throws BadGridException {
        return read(lines, degrees, values, MOST_CELLS_PER_SIDE).grid();
    }

    private static Thinned read(Iterator<String> lines, @Nullable Boolean degrees, Values values, int most)
            throws BadGridException {
        Map<String, Double> header = new HashMap<>();
        String line = lines.hasNext() ? lines.next() : null;
        int number = 1;
        while (line != null
                && !line.isBlank()
                && Character.isLetter(line.strip().charAt(0))) {
            String[] words = line.strip().toLowerCase(Locale.ROOT).split("\\s+");
            if (words.length != 2) {
                throw new BadGridException(GridProblem.HEADER_LINE, number, Intake.shortened(line, LONGEST_SHOWN));
            }
            header.put(words[0], number(words[1], number));
            line = lines.hasNext() ? lines.next() : null;
            number++;
        }
        int columns = count(header, "ncols", most);
        int rows = count(header, "nrows", most);
        double cellSize = needed(header, "cellsize");
        if (!(cellSize > 0) || !Double.isFinite(cellSize)) {
            throw new BadGridException(GridProblem.CELL_SIZE, cellSize);
        }
        double west = corner(header, "xll", cellSize);
        double south = corner(header, "yll", cellSize);
        boolean inDegrees = degrees == null ? DepthGrid.looksLikeDegrees(cellSize) : degrees;
        boolean asTheyStand = values instanceof Values.AsTheyStand;
        checkWorld(inDegrees, west, south, west + columns * cellSize, south + rows * cellSize);
        double noData = header.getOrDefault("nodata_value", USUAL_NODATA);
        CellMeans means = CellMeans.of(columns, rows, MOST_CELLS_PER_SIDE);
        long filled = 0;
        int negative = 0;
        int positive = 0;
        for (; line != null; line = lines.hasNext() ? lines.next() : null, number++) {
            StringTokenizer words = new StringTokenizer(line);
            while (words.hasMoreTokens()) {
                if (filled == (long) columns * rows) {
                    throw new BadGridException(GridProblem.TOO_MANY_DEPTHS, number, columns, rows);
                }
                float depth = depth(words.nextToken(), noData, number, values);
                negative += depth < 0 ? 1 : 0;
                positive += depth > 0 ? 1 : 0;
                // What lies above the surface is land.
                means.add(depth < 0 && !asTheyStand ? Float.NaN : depth);
                filled++;
            }
        }
        if (filled < (long) columns * rows) {
            throw new BadGridException(GridProblem.CUT_OFF, filled, (long) columns * rows);
        }
        if (!asTheyStand) {
            checkWater(negative, positive, values);
        }
        // Averaged cells begin in the north-west, and may reach beyond the south.
        double south0 = south + rows * cellSize - means.rows() * means.by() * cellSize;
        return new Thinned(
                new DepthGrid(
                        means.columns(), means.rows(), west, south0, means.by() * cellSize, inDegrees, means.values()),
                means.by());
    }

    /** A grid of depths to the centimetre, as {@link #read} takes it. */
    public static String write(DepthGrid grid) {
        StringBuilder text = new StringBuilder(6 * grid.size());
        text.append("ncols ").append(grid.columns()).append("\nnrows ").append(grid.rows());
        text.append("\nxllcorner ").append(grid.west()).append("\nyllcorner ").append(grid.south());
        text.append("\ncellsize ").append(grid.cellSize()).append("\nnodata_value -9999\n");
        for (int i = 0; i < grid.size(); i++) {
            text.append(grid.isLand(i) ? "-9999" : hundredths(grid.depth(i)));
            text.append(grid.column(i) == grid.columns() - 1 ? '\n' : ' ');
        }
        return text.toString();
    }

    private static String hundredths(float metres) {
        long cm = Math.round(100.0 * metres);
        long rest = cm % 100;
        return cm / 100 + "." + (rest < 10 ? "0" : "") + rest;
    }

    private static void checkWorld(boolean degrees, double west, double south, double east, double north)
            throws BadGridException {
        boolean finite = Double.isFinite(west + south + east + north);
        if (!finite || (degrees && !(west >= -180 && east <= 180 && south >= -90 && north <= 90))) {
            throw new BadGridException(GridProblem.OUT_OF_THE_WORLD, west, south, east, north);
        }
    }

    private static void checkWater(int negative, int positive, Values values) throws BadGridException {
        if (!(values instanceof Values.Heights)
                && negative > 0
                && (positive == 0 || (values instanceof Values.Untold && negative > positive))) {
            throw new BadGridException(GridProblem.NEGATIVE_DEPTHS, negative, negative + positive);
        }
        if (positive == 0) {
            throw new BadGridException(GridProblem.NO_WATER);
        }
    }

    private static float depth(String word, double noData, int line, Values values) throws BadGridException {
        double value = number(word, line);
        if (value == noData) {
            return Float.NaN;
        }
        if (values instanceof Values.AsTheyStand) {
            return (float) value;
        }
        double depth = values instanceof Values.Heights heights ? heights.surfaceM() - value : value;
        // Land may rise high above the water.
        if (!(depth >= (values instanceof Values.Heights ? -HIGHEST_M : -DEEPEST_M) && depth <= DEEPEST_M)) {
            throw new BadGridException(
                    GridProblem.DEPTH_RANGE, line, Intake.shortened(word, LONGEST_SHOWN), (int) DEEPEST_M, noData);
        }
        return (float) depth;
    }

    private static double number(String word, int line) throws BadGridException {
        try {
            return Double.parseDouble(word);
        } catch (NumberFormatException e) {
            throw new BadGridException(GridProblem.NOT_A_NUMBER, line, Intake.shortened(word, LONGEST_SHOWN));
        }
    }

    private static double needed(Map<String, Double> header, String name) throws BadGridException {
        if (!header.containsKey(name)) {
            throw new BadGridException(GridProblem.HEADER_MISSING, name);
        }
        return header.get(name);
    }

    private static int count(Map<String, Double> header, String name, int most) throws BadGridException {
        double value = needed(header, name);
        if (value != Math.rint(value) || !(value >= 1 && value <= most)) {
            throw new BadGridException(GridProblem.HEADER_RANGE, name, value, most);
        }
        return (int) value;
    }

    private static double corner(Map<String, Double> header, String axis, double cellSize) throws BadGridException {
        return header.containsKey(axis + "center")
                ? needed(header, axis + "center") - cellSize / 2
                : needed(header, axis + "corner");
    }
}
