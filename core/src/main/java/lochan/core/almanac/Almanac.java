package lochan.core.almanac;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import lochan.core.Coded;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;
import org.shredzone.commons.suncalc.MoonIllumination;
import org.shredzone.commons.suncalc.MoonTimes;
import org.shredzone.commons.suncalc.SunTimes;

/**
 * Sun and moon of a date at a place, by the algorithms of Montenbruck and Pfleger (2000), good to a minute or two in common latitudes.
 * A time is null when there is none that day.
 *
 * @param firstLight start of civil twilight
 * @param phase      of the moon at noon
 * @param moonLit    share of the moon's disc that is lit at noon, 0 to 1
 */
public record Almanac(
        @Nullable Instant firstLight,
        @Nullable Instant sunrise,
        @Nullable Instant sunset,
        @Nullable Instant moonrise,
        @Nullable Instant moonset,
        Phase phase,
        double moonLit) {

    private static final int NOON = 12;

    /** Phases of the moon in their order. */
    public enum Phase implements Coded {
        NEW("new moon"),
        WAXING_CRESCENT("waxing crescent"),
        FIRST_QUARTER("first quarter"),
        WAXING_GIBBOUS("waxing gibbous"),
        FULL("full moon"),
        WANING_GIBBOUS("waning gibbous"),
        LAST_QUARTER("last quarter"),
        WANING_CRESCENT("waning crescent");

        private final String code;

        Phase(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    public static Almanac of(Position place, LocalDate date, ZoneId zone) {
        SunTimes sun = SunTimes.compute()
                .on(date)
                .timezone(zone)
                .at(place.lat(), place.lon())
                .oneDay()
                .execute();
        SunTimes twilight = SunTimes.compute()
                .on(date)
                .timezone(zone)
                .at(place.lat(), place.lon())
                .oneDay()
                .twilight(SunTimes.Twilight.CIVIL)
                .execute();
        MoonTimes moon = MoonTimes.compute()
                .on(date)
                .timezone(zone)
                .at(place.lat(), place.lon())
                .oneDay()
                .execute();
        MoonIllumination disc =
                MoonIllumination.compute().on(date.atTime(NOON, 0).atZone(zone)).execute();
        Phase phase = Phase.values()[
                (int) Math.floorMod(Math.round((disc.getPhase() + 180) / 45), (long) Phase.values().length)];
        return new Almanac(
                time(twilight.getRise()),
                time(sun.getRise()),
                time(sun.getSet()),
                time(moon.getRise()),
                time(moon.getSet()),
                phase,
                disc.getFraction());
    }

    private static @Nullable Instant time(ZonedDateTime time) {
        return time == null ? null : time.toInstant();
    }
}
