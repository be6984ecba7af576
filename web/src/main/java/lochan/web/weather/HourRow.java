package lochan.web.weather;

import java.time.ZoneId;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import lochan.web.shared.Dates;

/** An hour of a file or a service in words; empty where it says nothing. */
record HourRow(
        String time,
        String wind,
        String gust,
        String sky,
        String rain,
        String thunder,
        String air,
        String pressure,
        String origin,
        boolean lightning) {

    static HourRow of(ForecastPeriod f, ZoneId zone, Units units) {
        String side = f.windFromDeg() == null ? "" : DirectionText.words(f.windFromDeg()) + " ";
        return new HourRow(
                Dates.clock(f.from(), zone),
                f.windMps() == null ? side.strip() : side + units.speed(f.windMps()),
                f.gustMps() == null ? "" : units.speed(f.gustMps()),
                f.sky() == null ? "" : f.sky().code(),
                f.rainMm() == null ? "" : String.format(java.util.Locale.ROOT, "%.1f mm", f.rainMm()),
                f.thunderChance() == null ? "" : Math.round(100 * f.thunderChance()) + "%",
                f.airTempC() == null ? "" : units.temperature(f.airTempC()),
                f.pressureHpa() == null ? "" : Math.round(f.pressureHpa()) + " hPa",
                f.origin().code(),
                Boolean.TRUE.equals(f.lightning()));
    }
}
