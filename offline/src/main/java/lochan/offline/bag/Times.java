package lochan.offline.bag;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;

/** Times of a day as pages show them. */
public final class Times {

    private static final int DAY_SECONDS = 86_400;

    private Times() {}

    /** As "06:30" on the 24-hour clock; empty for null. */
    public static String clock(@Nullable Instant time, ZoneId zone) {
        if (time == null) {
            return "";
        }
        // Quick on a phone, which shows dozens at each tap: it need not know the date.
        int offset = zone.getRules().getOffset(time).getTotalSeconds();
        int second = Math.floorMod(time.getEpochSecond() + offset, DAY_SECONDS);
        return two(second / 3600) + ":" + two(second / 60 % 60);
    }

    /** As "5 h 20 min" or "20 min"; whole minutes, a minute begun not counted. */
    public static String span(Duration span) {
        int minutes = (int) span.toMinutes();
        return minutes < 60 ? minutes + " min" : minutes / 60 + " h " + two(minutes % 60) + " min";
    }

    private static String two(int number) {
        return number < 10 ? "0" + number : Integer.toString(number);
    }
}
