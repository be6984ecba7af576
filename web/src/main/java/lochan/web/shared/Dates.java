package lochan.web.shared;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import lochan.offline.bag.Times;
import org.jspecify.annotations.Nullable;

/** Dates and times as pages show them: the day's name first, the 24-hour clock. */
public final class Dates {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter LONG_DAY = DateTimeFormatter.ofPattern("EEEE, d MMMM", Locale.ENGLISH);

    private Dates() {}

    /** As "Fri 4 June". */
    public static String day(LocalDate date) {
        return DAY.format(date);
    }

    /** As "Friday, 4 June". */
    public static String longDay(LocalDate date) {
        return LONG_DAY.format(date);
    }

    /** As "Sat 5 to Sun 6 June 2027". */
    public static String days(LocalDate first, LocalDate last) {
        boolean sameMonth = first.getMonth() == last.getMonth() && first.getYear() == last.getYear();
        String from = sameMonth ? day(first).replaceAll(" \\p{L}+$", "") + " to " : day(first) + " to ";
        return (first.equals(last) ? "" : from) + day(last) + " " + last.getYear();
    }

    /** As "06:30"; empty for null. */
    public static String clock(@Nullable Instant time, ZoneId zone) {
        return Times.clock(time, zone);
    }

    /** As "Fri 4 June 06:30". */
    public static String dayAndClock(Instant time, ZoneId zone) {
        return day(time.atZone(zone).toLocalDate()) + " " + clock(time, zone);
    }
}
