package lochan.mapfiles;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/** What a file holds, before anyone said what it means. */
public sealed interface MapFile {

    /** What kind of file it is, in words. */
    String format();

    /** The coordinates it was in, in words; null: the file doesn't say, and they are not longitude and latitude. */
    @Nullable
    String coordinates();

    /**
     * Values on a grid.
     *
     * @param values by rows from the north, in the file's own unit; NaN: none
     */
    record Cells(String format, @Nullable Projection projection, int columns, int rows, Frame frame, float[] values)
            implements MapFile {

        /**
         * Where the cells lie.
         *
         * @param west   middle of the first column, in the file's coordinates
         * @param north  middle of the first row
         * @param across from column to column
         * @param down   from row to row, more than 0 southwards
         */
        public record Frame(double west, double north, double across, double down) {}

        @Override
        public @Nullable String coordinates() {
            return projection == null ? null : projection.name();
        }
    }

    /** Points, lines and areas with what was written to them. */
    record Drawing(String format, @Nullable String coordinates, List<Shape> shapes) implements MapFile {

        public Drawing {
            shapes = List.copyOf(shapes);
        }
    }

    /** Depths along a way or scattered over the water, in the order they stand. */
    record Readings(
            String format, List<Reading> readings, @Nullable Unit unit) implements MapFile {

        public Readings {
            readings = List.copyOf(readings);
        }

        @Override
        public String coordinates() {
            return Projection.DEGREES.name();
        }
    }

    /** @param at when it was read; null: not told */
    record Reading(
            Position position, double depth, @Nullable Instant at) {}

    /** Lists the units of depths and heights. */
    enum Unit {
        METRES(1, "metres"),
        FEET(0.3048, "feet"),
        FATHOMS(1.8288, "fathoms");

        private final double metres;
        private final String words;

        Unit(double metres, String words) {
            this.metres = metres;
            this.words = words;
        }

        public double metres() {
            return metres;
        }

        public String words() {
            return words;
        }
    }

    /**
     * One feature.
     *
     * @param parts of an area its rings, as they stand; of points one of all
     */
    record Shape(Kind kind, List<List<Position>> parts, Map<String, String> properties) {

        /** Lists the kinds of drawing. */
        public enum Kind {
            POINT,
            LINE,
            AREA
        }

        public Shape {
            parts = parts.stream().map(List::copyOf).toList();
            properties = Map.copyOf(properties);
        }
    }
}
