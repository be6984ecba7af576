package lochan.offline.bag;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import org.jspecify.annotations.Nullable;

/** Times of a day as pages show them. */
public final class Times {

    private Times() {}

    /** As "06:30" on the 24-hour clock; empty for null. */
    public static String clock(@Nullable Instant time, ZoneId zone) {
        if (time == null) {
            return "";
        }
        ZonedDateTime local = time.atZone(zone);
        return two(local.getHour()) + ":" + two(local.getMinute());
    }

    /** As "5 h 20 min" or "20 min"; whole minutes, a minute begun not counted. */
    public static String span(Duration span) {
        long minutes = span.toMinutes();
        return minutes < 60 ? minutes + " min" : minutes / 60 + " h " + two(minutes % 60) + " min";
    }

    private static String two(long number) {
        return number < 10 ? "0" + number : Long.toString(number);
    }
}
