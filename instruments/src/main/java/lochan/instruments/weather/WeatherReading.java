package lochan.instruments.weather;

import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import lochan.core.Bounds;
import lochan.core.practice.ForecastPeriod;
import lochan.eventformat.EventFileException;
import lochan.eventformat.JsonLimits;
import tools.jackson.databind.JsonNode;

/**
 * Hourly weather as a service answers it or a file has it.
 *
 * @param form    what it came in, in words
 * @param hours   in their order, none overlapping
 * @param leftOut values that could not be: out of all range, no number, a time that is none
 */
public record WeatherReading(String form, List<ForecastPeriod> hours, int leftOut) {

    /** Answers and files that are larger are refused. */
    public static final int MOST_BYTES = Bounds.ANSWER_BYTES;

    private static final List<WeatherForm> FORMS = List.of(new PeriodsForm(), new SeriesForm(), new ColumnsForm());

    public WeatherReading {
        hours = List.copyOf(hours);
    }

    /**
     * Reads weather in whichever of the known forms it is.
     *
     * @param zone   of times that say none
     * @param origin that the hours are given
     * @throws WeatherFileException when it is in none of them, or has not one hour
     */
    public static WeatherReading read(byte[] bytes, ZoneId zone, ForecastPeriod.Origin origin)
            throws WeatherFileException {
        if (bytes.length > MOST_BYTES) {
            throw new WeatherFileException("it has " + bytes.length + " bytes: at most " + MOST_BYTES + " are read");
        }
        String text = new String(bytes, StandardCharsets.UTF_8).replace("\uFEFF", "");
        Hours hours = new Hours();
        String form = text.stripLeading().startsWith("{") ? json(text, zone, hours) : table(text, zone, hours);
        List<ForecastPeriod> periods = hours.periods(origin);
        if (periods.isEmpty()) {
            throw new WeatherFileException("it has not one hour with a time and a value");
        }
        return new WeatherReading(form, periods, hours.countLeftOut());
    }

    private static String table(String text, ZoneId zone, Hours hours) throws WeatherFileException {
        WeatherTable.read(text, zone, hours);
        return "CSV";
    }

    private static String json(String text, ZoneId zone, Hours hours) throws WeatherFileException {
        try {
            JsonNode answer = JsonLimits.read(text);
            for (WeatherForm form : FORMS) {
                if (form.fits(answer)) {
                    form.read(answer, zone, hours);
                    return form.name();
                }
            }
        } catch (EventFileException e) {
            throw new WeatherFileException("it " + e.problems().getFirst().message());
        }
        throw new WeatherFileException(
                "its form is not known: expected GeoJSON with properties/periods or properties/timeseries, JSON with hourly/time and columns, or a table with a heading “time”");
    }
}
