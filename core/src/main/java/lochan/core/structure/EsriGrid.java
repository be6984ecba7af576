package lochan.core.structure;

import java.util.HashMap;
import java.util.Iterator;
import java.util.Locale;
import java.util.Map;
import java.util.StringTokenizer;

/**
 * Reads depths from an Esri ASCII grid: header lines {@code ncols}, {@code nrows}, {@code xllcorner} or {@code xllcenter},
 * {@code yllcorner} or {@code yllcenter}, {@code cellsize} and perhaps {@code nodata_value} (−9999 when missing), then the rows from the
 * north. Depths are metres, positive down; NODATA is land.
 */
public final class EsriGrid {

    /** Cells per side at the most. */
    public static final int MOST_CELLS_PER_SIDE = 2000;
    private static final double DEEPEST_M = 2000;
    private static final double USUAL_NODATA = -9999;
    private static final int LONGEST_SHOWN = 20;

    private EsriGrid() { }

    /**
     * @param lines   of the text
     * @param degrees whether coordinates are degrees; null: as the cell size looks
     */
    public static DepthGrid read(Iterator<String> lines, Boolean degrees) throws BadGridException {
        Map<String, Double> header = new HashMap<>();
        String line = lines.hasNext() ? lines.next() : null;
        int number = 1;
        while (line != null && !line.isBlank() && Character.isLetter(line.strip().charAt(0))) {
            String[] words = line.strip().toLowerCase(Locale.ROOT).split("\\s+");
            if (words.length != 2) {
                throw new BadGridException("line " + number + ": found \"" + shown(line) + "\", expected a header's name and its value");
            }
            header.put(words[0], number(words[1], number));
            line = lines.hasNext() ? lines.next() : null;
            number++;
        }
        int columns = count(header, "ncols");
        int rows = count(header, "nrows");
        double cellSize = needed(header, "cellsize");
        if (!(cellSize > 0)) {
            throw new BadGridException("cellsize is " + cellSize + ", expected more than 0");
        }
        double west = corner(header, "xll", cellSize);
        double south = corner(header, "yll", cellSize);
        double noData = header.getOrDefault("nodata_value", USUAL_NODATA);
        float[] depths = new float[columns * rows];
        int filled = 0;
        for (; line != null; line = lines.hasNext() ? lines.next() : null, number++) {
            StringTokenizer words = new StringTokenizer(line);
            while (words.hasMoreTokens()) {
                if (filled == depths.length) {
                    throw new BadGridException("line " + number + ": more than the " + columns + " × " + rows + " depths the header tells of");
                }
                depths[filled++] = depth(words.nextToken(), noData, number);
            }
        }
        if (filled < depths.length) {
            throw new BadGridException("the rows end after " + filled + " of " + depths.length + " depths: the file was cut off");
        }
        return new DepthGrid(columns, rows, west, south, cellSize, degrees == null ? DepthGrid.looksLikeDegrees(cellSize) : degrees, depths);
    }

    private static float depth(String word, double noData, int line) throws BadGridException {
        double value = number(word, line);
        if (value == noData) {
            return Float.NaN;
        }
        if (!(value >= -DEEPEST_M && value <= DEEPEST_M)) {
            throw new BadGridException("line " + line + ": the depth " + word + " is not from -2000 to 2000 m, nor the header's NODATA_value " + noData);
        }
        // What lies above the surface is land.
        return value < 0 ? Float.NaN : (float) value;
    }

    private static double number(String word, int line) throws BadGridException {
        try {
            return Double.parseDouble(word);
        } catch (NumberFormatException e) {
            throw new BadGridException("line " + line + ": found \"" + shown(word) + "\", expected a number");
        }
    }

    private static String shown(String text) {
        return text.length() <= LONGEST_SHOWN ? text : text.substring(0, LONGEST_SHOWN) + "…";
    }

    private static double needed(Map<String, Double> header, String name) throws BadGridException {
        if (!header.containsKey(name)) {
            throw new BadGridException("the header has no " + name + ": an Esri ASCII grid begins with ncols, nrows, xllcorner, yllcorner, cellsize");
        }
        return header.get(name);
    }

    private static int count(Map<String, Double> header, String name) throws BadGridException {
        double value = needed(header, name);
        if (value != Math.rint(value) || !(value >= 1 && value <= MOST_CELLS_PER_SIDE)) {
            throw new BadGridException(name + " is " + value + ", expected a whole number from 1 to " + MOST_CELLS_PER_SIDE);
        }
        return (int) value;
    }

    private static double corner(Map<String, Double> header, String axis, double cellSize) throws BadGridException {
        return header.containsKey(axis + "center") ? header.get(axis + "center") - cellSize / 2 : needed(header, axis + "corner");
    }
}
