package lochan.mapfiles;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.event.Position;
import lochan.eventformat.BoundedLines;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;

/** Latitude, longitude and depth in columns, named or in this order. */
final class SoundingsCsv {

    private static final int MOST_WRONG_SHARE = 10;

    private record Columns(int lat, int lon, int depth, int time, MapFile.@Nullable Unit unit) {}

    private SoundingsCsv() {}

    static MapFile read(Source file) throws MapFileException {
        try (Reader reader = MapFiles.reader(file)) {
            return read(new BoundedLines(reader));
        } catch (IOException | UncheckedIOException e) {
            throw new MapFileException("the table cannot be read (" + e.getMessage() + "): save it as CSV again");
        }
    }

    /** Each line is a row of its own: no field of a sounding has a line break. */
    private static MapFile read(BoundedLines lines) throws MapFileException, IOException {
        String first = lines.next();
        char separator = first.indexOf(';') >= 0 ? ';' : first.indexOf('\t') >= 0 ? '\t' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setTrim(true)
                .get();
        Columns columns = new Columns(0, 1, 2, -1, null);
        Readings readings = new Readings();
        long wrong = 0;
        String firstWrong = "";
        long number = 0;
        for (String line = first; line != null; line = lines.hasNext() ? lines.next() : null) {
            number++;
            if (line.isBlank()) {
                continue;
            }
            List<String> row = row(line, format);
            if (number == 1 && isHeader(row)) {
                columns = columns(row);
                continue;
            }
            MapFile.Reading reading = reading(row, columns, separator == ';');
            if (reading == null) {
                firstWrong = wrong == 0 ? "row " + number : firstWrong;
                wrong++;
            } else {
                readings.add(reading);
            }
        }
        if (readings.isEmpty() || wrong * MOST_WRONG_SHARE > readings.seen()) {
            throw new MapFileException((wrong == 0
                            ? "the table has no row"
                            : wrong + " rows, the first of them " + firstWrong
                                    + ", have no latitude, longitude and depth")
                    + ": expected columns lat, lon, depth in degrees and one unit");
        }
        return new MapFile.Readings("table of soundings" + readings.thinned(), readings.kept(), columns.unit());
    }

    private static List<String> row(String line, CSVFormat format) throws IOException {
        if (line.indexOf('"') < 0) {
            List<String> row = new ArrayList<>();
            int from = 0;
            String separator = format.getDelimiterString();
            for (int to = line.indexOf(separator); to >= 0; to = line.indexOf(separator, from)) {
                row.add(line.substring(from, to).strip());
                from = to + 1;
            }
            row.add(line.substring(from).strip());
            return row;
        }
        try (CSVParser parser = CSVParser.parse(line, format)) {
            return parser.stream().findFirst().map(CSVRecord::toList).orElse(List.of());
        } catch (UncheckedIOException | IllegalStateException e) {
            return List.of();
        }
    }

    private static boolean isHeader(List<String> row) {
        return row.stream().anyMatch(c -> c.toLowerCase(Locale.ROOT).matches(".*(lat|lon|depth).*"));
    }

    private static Columns columns(List<String> header) throws MapFileException {
        int lat = -1;
        int lon = -1;
        int depth = -1;
        int time = -1;
        MapFile.Unit unit = null;
        for (int i = 0; i < header.size(); i++) {
            String name = header.get(i).toLowerCase(Locale.ROOT);
            if (lat < 0 && (name.startsWith("lat") || name.equals("y"))) {
                lat = i;
            } else if (lon < 0 && (name.startsWith("lon") || name.startsWith("lng") || name.equals("x"))) {
                lon = i;
            } else if (depth < 0 && (name.startsWith("depth") || name.startsWith("sounding") || name.equals("z"))) {
                depth = i;
                unit = unit(name.replaceFirst("^(depth|sounding|z)", ""));
            } else if (time < 0 && (name.startsWith("time") || name.startsWith("date"))) {
                time = i;
            }
        }
        if (lat < 0 || lon < 0 || depth < 0) {
            throw new MapFileException("the table's first row names "
                    + String.join(", ", header.stream().limit(20).toList())
                    + ": expected columns called lat, lon and depth");
        }
        return new Columns(lat, lon, depth, time, unit);
    }

    private static MapFile.@Nullable Unit unit(String words) {
        if (words.matches(".*(ft|feet|foot).*")) {
            return MapFile.Unit.FEET;
        }
        if (words.contains("fath")) {
            return MapFile.Unit.FATHOMS;
        }
        return words.matches("[^a-z]*(m|met).*") ? MapFile.Unit.METRES : null;
    }

    private static MapFile.@Nullable Reading reading(List<String> row, Columns c, boolean decimalComma) {
        if (row.size() <= Math.max(c.depth(), Math.max(c.lat(), c.lon()))) {
            return null;
        }
        try {
            return new MapFile.Reading(
                    new Position(number(row.get(c.lat()), decimalComma), number(row.get(c.lon()), decimalComma)),
                    number(row.get(c.depth()), decimalComma),
                    c.time() < 0 || c.time() >= row.size() ? null : time(row.get(c.time())));
        } catch (IllegalArgumentException e) {
            return null;
        }
    }

    private static double number(String text, boolean decimalComma) {
        return Double.parseDouble(decimalComma ? text.replace(',', '.') : text);
    }

    private static @Nullable Instant time(String text) {
        try {
            return OffsetDateTime.parse(text.replace(' ', 'T')).toInstant();
        } catch (DateTimeException e) {
            return null;
        }
    }
}
