package lochan.core.model.evidence;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import lochan.core.event.Position;
import lochan.core.quantity.Hours;
import org.shredzone.commons.suncalc.SunTimes;

/** Sunrise at a place. */
public final class Sunrise {

    /** Stands for sunrise on dates without one. */
    private static final LocalTime NO_SUNRISE = LocalTime.of(6, 0);

    private Sunrise() {}

    /** Sunrise at a place on a date of a zone; 06:00 local time where the sun does not rise that day. */
    public static Instant at(Position place, LocalDate date, ZoneId zone) {
        ZonedDateTime rise = SunTimes.compute()
                .on(date)
                .timezone(zone)
                .at(place.lat(), place.lon())
                .oneDay()
                .execute()
                .getRise();
        return (rise != null ? rise : date.atTime(NO_SUNRISE).atZone(zone)).toInstant();
    }

    /** Hours from a sunrise to a time, negative before it. */
    static double hoursAfter(Instant sunrise, Instant time) {
        return Hours.between(sunrise, time);
    }
}
