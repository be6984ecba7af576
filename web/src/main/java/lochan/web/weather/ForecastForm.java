package lochan.web.weather;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Sky;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/** The forecast of one date as fields: a row for each part of the day. */
final class ForecastForm {

    static final int MOST_ROWS = 12;
    private static final int SPARE_ROWS = 2;
    private static final double STRONGEST_MPS = 60;

    private ForecastForm() {}

    static boolean isOn(ForecastPeriod f, LocalDate date, ZoneId zone) {
        return f.from().atZone(zone).toLocalDate().equals(date);
    }

    static Form of(List<ForecastPeriod> periods, ZoneId zone, Units units) {
        Form form = new Form(units);
        for (int i = 0; i < periods.size(); i++) {
            ForecastPeriod f = periods.get(i);
            String at = i + "/";
            form.put(at + "from", Dates.clock(f.from(), zone))
                    .put(at + "to", Dates.clock(f.to(), zone))
                    .put(at + "wind", units.typedSpeed(f.windMps()))
                    .put(at + "windFrom", f.windFromDeg() == null ? "" : DirectionText.words(f.windFromDeg()))
                    .put(at + "sky", f.sky())
                    .put(at + "water", units.typedTemperature(f.waterTempC()))
                    .put(at + "clarity", f.visibilityM() == null ? "" : units.visibility(f.visibilityM()))
                    .put(at + "lightning", Boolean.TRUE.equals(f.lightning()) ? "on" : "");
        }
        return form;
    }

    /** Rows to show: those filled and some to spare. */
    static int rows(Form form) {
        return Math.min(
                MOST_ROWS,
                IntStream.range(0, MOST_ROWS)
                                .filter(i -> isFilled(form, i))
                                .max()
                                .orElse(-1)
                        + 1
                        + SPARE_ROWS);
    }

    private static boolean isFilled(Form form, int row) {
        return List.of("from", "to", "wind", "windFrom", "sky", "water", "clarity").stream()
                .anyMatch(f -> form.has(row + "/" + f));
    }

    /** The periods in order of time; what is wrong is with the form. A time to end before its start is on the next day. */
    static List<ForecastPeriod> read(Form form, LocalDate date, ZoneId zone) {
        List<ForecastPeriod> periods = new ArrayList<>();
        for (int i = 0; i < MOST_ROWS; i++) {
            if (isFilled(form, i)) {
                ForecastPeriod f = period(form, i + "/", date, zone);
                if (f != null) {
                    periods.stream()
                            .filter(p -> p.from().isBefore(f.to()) && f.from().isBefore(p.to()))
                            .findFirst()
                            .ifPresent(p -> form.error(
                                    periods.size() + "/from",
                                    "From " + Dates.clock(f.from(), zone) + " on there is a forecast already, until "
                                            + Dates.clock(p.to(), zone) + ": let one begin where the other ends."));
                    periods.add(f);
                }
            }
        }
        periods.sort(java.util.Comparator.comparing(ForecastPeriod::from));
        return periods;
    }

    private static @Nullable ForecastPeriod period(Form form, String at, LocalDate date, ZoneId zone) {
        form.needs(at + "from", "forecasts.from");
        form.needs(at + "to", "forecasts.to");
        LocalTime from = form.time(at + "from");
        LocalTime to = form.time(at + "to");
        Double wind = form.quantity(at + "wind", QuantityText::mps);
        if (wind != null && !(wind >= 0 && wind <= STRONGEST_MPS)) {
            form.error(at + "wind", "The wind is " + form.value(at + "wind") + ": expected 0 to 134 mph.");
        }
        Double windFrom = form.quantity(at + "windFrom", DirectionText::read);
        Double water = form.quantity(at + "water", QuantityText::celsius);
        Double clarity = form.quantity(at + "clarity", QuantityText::metres);
        if (clarity != null && !(clarity > 0 && clarity <= 30)) {
            form.error(
                    at + "clarity",
                    "Visibility is " + form.value(at + "clarity") + ": expected more than 0 and at most 98 ft.");
        }
        Sky sky = form.choice(at + "sky", Sky.class);
        if (from == null || to == null) {
            return null;
        }
        Instant start = date.atTime(from).atZone(zone).toInstant();
        Instant end = (to.isAfter(from) ? date : date.plusDays(1))
                .atTime(to)
                .atZone(zone)
                .toInstant();
        return new ForecastPeriod(
                start, end, wind, windFrom, sky, water, clarity, form.has(at + "lightning") ? Boolean.TRUE : null);
    }
}
