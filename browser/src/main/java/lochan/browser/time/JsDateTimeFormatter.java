package lochan.browser.time;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.time.temporal.TemporalAccessor;
import java.time.temporal.TemporalQuery;
import java.util.function.Function;

/** What of {@link java.time.format.DateTimeFormatter} the page needs: dates as "2027-06-05", times of day as "06:30" or "06:30:15". */
public final class JsDateTimeFormatter {

    public static final JsDateTimeFormatter ISO_LOCAL_DATE =
            new JsDateTimeFormatter("dddd-dd-dd", JsDateTimeFormatter::date);
    public static final JsDateTimeFormatter ISO_LOCAL_TIME =
            new JsDateTimeFormatter("dd:dd:dd", JsDateTimeFormatter::time);

    private static final int SHORT_TIME = 5;

    private final String form;
    private final Function<String, TemporalAccessor> read;

    private JsDateTimeFormatter(String form, Function<String, TemporalAccessor> read) {
        this.form = form;
        this.read = read;
    }

    public <T> T parse(CharSequence text, TemporalQuery<T> query) {
        String all = text.toString();
        if (isOfForm(all)) {
            try {
                return query.queryFrom(read.apply(all));
            } catch (DateTimeException e) {
                // Told below, like what has another form.
            }
        }
        throw new DateTimeParseException("Text '" + all + "' could not be parsed", all, 0);
    }

    private boolean isOfForm(String text) {
        if (text.length() != form.length() && (form.charAt(2) != ':' || text.length() != SHORT_TIME)) {
            return false;
        }
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (form.charAt(i) == 'd' ? c < '0' || c > '9' : c != form.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    private static TemporalAccessor date(String text) {
        return LocalDate.of(number(text, 0, 4), number(text, 5, 7), number(text, 8, 10));
    }

    private static TemporalAccessor time(String text) {
        return LocalTime.of(
                number(text, 0, 2), number(text, 3, 5), text.length() == SHORT_TIME ? 0 : number(text, 6, 8));
    }

    private static int number(String text, int from, int to) {
        return Integer.parseInt(text.substring(from, to));
    }
}
