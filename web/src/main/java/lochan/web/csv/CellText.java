package lochan.web.csv;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.core.Intake;

/** Dates, times and words as spreadsheets and their owners write them. */
public final class CellText {

    private static final Pattern ISO_DATE = Pattern.compile("(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})");
    private static final Pattern SLASHED = Pattern.compile("(\\d{1,2})/(\\d{1,2})/(\\d{4}|\\d{2})");
    private static final Pattern DOTTED = Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{4}|\\d{2})");
    private static final Pattern TIME =
            Pattern.compile("(\\d{1,2})[:.h](\\d{2})(?:[:.](\\d{2}))?(?: ?([ap])\\.?m?\\.?)?");
    private static final Pattern HOUR = Pattern.compile("(\\d{1,2})() ?()([ap])\\.?m\\.?");
    private static final Pattern DIGITS = Pattern.compile("(\\d{1,2})(\\d{2})()()");
    private static final int CENTURY = 2000;
    private static final int NOON = 12;

    private CellText() {}

    /**
     * A date as 2027-06-03, 6/3/2027 or 3.6.2027; empty for anything else.
     *
     * @param monthFirst how dates with slashes are meant
     */
    public static Optional<LocalDate> date(String cell, boolean monthFirst) {
        Matcher iso = ISO_DATE.matcher(cell);
        if (iso.matches()) {
            return day(iso.group(1), iso.group(2), iso.group(3));
        }
        Matcher slashed = SLASHED.matcher(cell);
        if (slashed.matches()) {
            return day(slashed.group(3), slashed.group(monthFirst ? 1 : 2), slashed.group(monthFirst ? 2 : 1));
        }
        Matcher dotted = DOTTED.matcher(cell);
        return dotted.matches() ? day(dotted.group(3), dotted.group(2), dotted.group(1)) : Optional.empty();
    }

    private static Optional<LocalDate> day(String year, String month, String day) {
        try {
            return Optional.of(LocalDate.of(
                            year.length() == 2 ? CENTURY + Integer.parseInt(year) : Integer.parseInt(year),
                            Integer.parseInt(month),
                            Integer.parseInt(day)))
                    .filter(Intake::isDate);
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** Whether dates with slashes stand there and can be read with the month first. */
    public static boolean monthFirst(List<String> dates) {
        return dates.stream().filter(d -> SLASHED.matcher(d).matches()).allMatch(d -> date(d, true)
                .isPresent());
    }

    /** Whether a cell is a date whose order is not plain. */
    public static boolean isSlashed(String cell) {
        return SLASHED.matcher(cell).matches();
    }

    /** A time as 05:30, 5:30 am, 5 pm or 0530; empty for anything else. */
    public static Optional<LocalTime> time(String cell) {
        String text = cell.toLowerCase(Locale.ROOT);
        for (Pattern pattern : List.of(TIME, HOUR, DIGITS)) {
            Matcher m = pattern.matcher(text);
            if (m.matches()) {
                return time(Integer.parseInt(m.group(1)), whole(m.group(2)), whole(m.group(3)), m.group(4));
            }
        }
        return Optional.empty();
    }

    private static Optional<LocalTime> time(int hour, int minute, int second, String half) {
        boolean halves = half != null && !half.isEmpty();
        if (halves && (hour < 1 || hour > NOON)) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    LocalTime.of(halves ? hour % NOON + (half.equals("p") ? NOON : 0) : hour, minute, second));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static int whole(String digits) {
        return digits == null || digits.isEmpty() ? 0 : Integer.parseInt(digits);
    }

    /** A yes or no in the words of forms; the cell itself for anything else. */
    public static String truth(String cell) {
        return switch (cell.toLowerCase(Locale.ROOT)) {
            case "yes", "y", "true", "1", "x" -> "yes";
            case "no", "n", "false", "0" -> "no";
            default -> cell;
        };
    }

    /** A name to compare by: without case, signs and doubled spaces. */
    public static String name(String cell) {
        return cell.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
    }
}
