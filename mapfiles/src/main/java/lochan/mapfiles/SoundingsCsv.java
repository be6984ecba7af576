package lochan.mapfiles;

import java.io.IOException;
import java.io.StringReader;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.event.Position;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;

/** Latitude, longitude and depth in columns, named or in this order. */
final class SoundingsCsv {

    private static final int MOST_ROWS = 2_000_000;
    private static final int MOST_WRONG_SHARE = 10;

    private record Columns(int lat, int lon, int depth, int time, MapFile.@Nullable Unit unit) {}

    private SoundingsCsv() {}

    static MapFile read(String text) throws MapFileException {
        String first = text.lines().findFirst().orElse("");
        char separator = first.indexOf(';') >= 0 ? ';' : first.indexOf('\t') >= 0 ? '\t' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser rows = format.parse(new StringReader(text))) {
            return read(rows, separator == ';');
        } catch (IOException | RuntimeException e) {
            throw new MapFileException("the table cannot be read (" + e.getMessage() + "): save it as CSV again");
        }
    }

    private static MapFile read(CSVParser rows, boolean decimalComma) throws MapFileException {
        Columns columns = new Columns(0, 1, 2, -1, null);
        List<MapFile.Reading> readings = new ArrayList<>();
        int wrong = 0;
        String firstWrong = "";
        for (CSVRecord row : rows) {
            if (row.getRecordNumber() == 1 && isHeader(row)) {
                columns = columns(row);
                continue;
            }
            MapFile.Reading reading = reading(row, columns, decimalComma);
            if (reading == null) {
                firstWrong = wrong == 0 ? "row " + row.getRecordNumber() : firstWrong;
                wrong++;
            } else {
                readings.add(reading);
            }
            if (readings.size() > MOST_ROWS) {
                throw new MapFileException("the table has more than " + MOST_ROWS + " rows: cut it into days");
            }
        }
        if (readings.isEmpty() || wrong * MOST_WRONG_SHARE > readings.size()) {
            throw new MapFileException((wrong == 0
                            ? "the table has no row"
                            : wrong + " rows, the first of them " + firstWrong
                                    + ", have no latitude, longitude and depth")
                    + ": expected columns lat, lon, depth in degrees and one unit");
        }
        return new MapFile.Readings("table of soundings", readings, columns.unit());
    }

    private static boolean isHeader(CSVRecord row) {
        return row.stream().anyMatch(c -> c.toLowerCase(Locale.ROOT).matches(".*(lat|lon|depth).*"));
    }

    private static Columns columns(CSVRecord header) throws MapFileException {
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
            throw new MapFileException("the table's first row names " + String.join(", ", header.toList())
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

    private static MapFile.@Nullable Reading reading(CSVRecord row, Columns c, boolean decimalComma) {
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
