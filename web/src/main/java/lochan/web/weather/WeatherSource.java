package lochan.web.weather;

import java.time.Duration;
import java.time.Instant;
import lochan.instruments.weather.WeatherReading;
import org.jspecify.annotations.Nullable;

/**
 * Where the weather of an event is asked, and how that went.
 *
 * @param address    with {@code {lat}} and {@code {lon}} in the places of the launch's
 * @param form       what the last good answer came in; null: there was none
 * @param hours      that it had
 * @param leftOut    values in it that could not be
 * @param triedAt    when it was last asked; null: never
 * @param answeredAt when it last gave a good answer; null: never
 * @param trouble    what was wrong with the last try; null: nothing
 */
record WeatherSource(
        String address,
        int everyMinutes,
        @Nullable String form,
        @Nullable Integer hours,
        @Nullable Integer leftOut,
        @Nullable Instant triedAt,
        @Nullable Instant answeredAt,
        @Nullable String trouble) {

    static final int LEAST_MINUTES = 10;
    static final int MOST_MINUTES = 24 * 60;

    static WeatherSource fresh(String address, int everyMinutes) {
        return new WeatherSource(address, everyMinutes, null, null, null, null, null, null);
    }

    WeatherSource answered(WeatherReading read, Instant now) {
        return new WeatherSource(
                address, everyMinutes, read.form(), read.hours().size(), read.leftOut(), now, now, null);
    }

    /** The last good answer stays. */
    WeatherSource failed(String why, Instant now) {
        return new WeatherSource(address, everyMinutes, form, hours, leftOut, now, answeredAt, why);
    }

    /** Whether it is time to ask: after the interval, and sooner after a failure. */
    boolean isDue(Instant now) {
        Duration wait = Duration.ofMinutes(trouble == null ? everyMinutes : Math.min(everyMinutes, LEAST_MINUTES));
        return triedAt == null || now.isBefore(triedAt) || !now.isBefore(triedAt.plus(wait));
    }
}
