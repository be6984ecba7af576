package lochan.instruments.weather;

import java.io.IOException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.JsonNodeFactory;

/** A table of hours with a line of headings, each with its unit: {@code time, wind (mph), gust (mph), direction, sky, rain (mm), thunder (%) …}. */
final class WeatherTable {

    private static final Map<String, String> COLUMNS = Map.ofEntries(
            Map.entry("time", "time"),
            Map.entry("date", "time"),
            Map.entry("hour", "time"),
            Map.entry("wind", "wind"),
            Map.entry("gust", "gust"),
            Map.entry("direction", "direction"),
            Map.entry("from", "direction"),
            Map.entry("sky", "sky"),
            Map.entry("weather", "sky"),
            Map.entry("cloud", "cloud"),
            Map.entry("rain", "rain"),
            Map.entry("precip", "rain"),
            Map.entry("thunder", "thunder"),
            Map.entry("temp", "air"),
            Map.entry("air", "air"),
            Map.entry("pressure", "pressure"));
    /** The more telling words first: "wind direction" is a direction. */
    private static final List<String> WORDS = List.of(
            "time",
            "date",
            "hour",
            "direction",
            "from",
            "gust",
            "thunder",
            "cloud",
            "sky",
            "weather",
            "rain",
            "precip",
            "pressure",
            "temp",
            "air",
            "wind");

    private WeatherTable() {}

    static void read(String text, ZoneId zone, Hours into) throws WeatherFileException {
        char delimiter = text.lines().findFirst().orElse("").contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = CSVParser.parse(text, format)) {
            Map<String, Integer> columns = new HashMap<>();
            Map<String, String> units = new HashMap<>();
            for (CSVRecord record : parser) {
                if (columns.isEmpty()) {
                    headings(record, columns, units);
                } else {
                    hour(record, columns, units, zone, into);
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new WeatherFileException("the table cannot be read: " + e.getMessage());
        }
    }

    private static void headings(CSVRecord record, Map<String, Integer> columns, Map<String, String> units)
            throws WeatherFileException {
        for (int i = 0; i < record.size(); i++) {
            String heading = record.get(i).toLowerCase(Locale.ROOT);
            int at = i;
            WORDS.stream()
                    .filter(heading::contains)
                    .findFirst()
                    .map(COLUMNS::get)
                    .ifPresent(c -> {
                        columns.putIfAbsent(c, at);
                        units.putIfAbsent(
                                c, heading.replaceFirst(".*?[(\\[]", "").replaceFirst("[)\\]].*", ""));
                    });
        }
        if (!columns.containsKey("time") || columns.size() < 2) {
            throw new WeatherFileException(
                    "the first line has no headings that are known: expected time and, with their units, some of wind (mph), gust (mph), direction, sky, cloud (%), rain (mm), thunder (%), temperature (F), pressure (hPa)");
        }
    }

    private static void hour(
            CSVRecord record, Map<String, Integer> columns, Map<String, String> units, ZoneId zone, Hours into) {
        Instant from = Values.time(cell(record, columns, "time"), zone).orElse(null);
        if (from == null) {
            into.leftOut();
            return;
        }
        into.at(from)
                .wind(Values.mps(number(record, columns, "wind"), unit(units, "wind", "m/s")))
                .gust(Values.mps(number(record, columns, "gust"), unit(units, "gust", "m/s")))
                .from(direction(cell(record, columns, "direction"), into))
                .words(cell(record, columns, "sky"))
                .cloud(Values.share(number(record, columns, "cloud"), unit(units, "cloud", "%")))
                .rain(Values.mm(number(record, columns, "rain"), unit(units, "rain", "mm")))
                .thunder(Values.share(number(record, columns, "thunder"), unit(units, "thunder", "%")))
                .air(Values.celsius(
                        number(record, columns, "air"), unit(units, "air", "c").toUpperCase(Locale.ROOT)))
                .pressure(Values.hpa(number(record, columns, "pressure"), unit(units, "pressure", "hpa")));
    }

    private static String unit(Map<String, String> units, String column, String usual) {
        String unit = units.getOrDefault(column, "");
        return unit.isEmpty() || unit.equals(column) ? usual : unit;
    }

    private static @Nullable String cell(CSVRecord record, Map<String, Integer> columns, String column) {
        Integer at = columns.get(column);
        return at == null || at >= record.size() || record.get(at).isBlank() ? null : record.get(at);
    }

    private static @Nullable Double number(CSVRecord record, Map<String, Integer> columns, String column) {
        String cell = cell(record, columns, column);
        return cell == null ? null : Values.number(JsonNodeFactory.instance.stringNode(cell));
    }

    private static @Nullable Double direction(@Nullable String cell, Hours into) {
        if (cell == null) {
            return null;
        }
        try {
            return DirectionText.read(cell, Units.USUAL);
        } catch (BadQuantityException e) {
            into.leftOut();
            return null;
        }
    }
}
