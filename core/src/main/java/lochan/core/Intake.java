package lochan.core;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;

/**
 * What may come in from outside, whatever way it comes: pages, files, the command line. Text is cleaned of what no page, file or printer can
 * show; impossible ids and times are refused.
 */
public final class Intake {

    /** Characters of an id at the most. */
    public static final int LONGEST_ID = 64;
    /** Years that can be meant: [from, to). */
    public static final int FIRST_YEAR = 1900;

    public static final int AFTER_LAST_YEAR = 3000;

    private static final int DELETE = 0x7F;
    private static final int LAST_CONTROL = 0x9F;
    private static final int PLANE = 0xFFFF;
    private static final int NO_CHARACTER = 0xFFFE;

    private Intake() {}

    /** A text without control characters (line breaks and tabs stay), halves of characters, non-characters and signs that turn the direction of writing. */
    public static String text(String text) {
        StringBuilder clean = null;
        int at = 0;
        while (at < text.length()) {
            int c = text.codePointAt(at);
            int length = Character.charCount(c);
            if (isPlain(c)) {
                if (clean != null) {
                    clean.appendCodePoint(c);
                }
            } else if (clean == null) {
                clean = new StringBuilder(text.substring(0, at));
            }
            at += length;
        }
        return clean == null ? text : clean.toString();
    }

    /** A text as it may stand in a sentence: plain, on one line, cut with "…" after so many characters. */
    public static String line(String text, int most) {
        return shortened(text(text).replaceAll("\\s+", " ").strip(), most);
    }

    /** A text, cut with "…" after so many characters. */
    public static String shortened(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most) + "…";
    }

    private static boolean isPlain(int c) {
        boolean control = (c < ' ' && c != '\n' && c != '\t' && c != '\r') || (c >= DELETE && c <= LAST_CONTROL);
        boolean half = c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE;
        boolean none = (c & PLANE) >= NO_CHARACTER || (c >= 0xFDD0 && c <= 0xFDEF);
        boolean turning = (c >= 0x202A && c <= 0x202E) || (c >= 0x2066 && c <= 0x2069);
        return !control && !half && !none && !turning;
    }

    /** Whether a text can be an id: 1 to 64 plain characters on one line, none but visible ones at its ends. */
    public static boolean isId(String id) {
        return !id.isEmpty()
                && id.length() <= LONGEST_ID
                && id.equals(id.strip())
                && id.equals(text(id))
                && id.chars().noneMatch(c -> c == '\n' || c == '\t' || c == '\r');
    }

    /** Whether a time lies in the years that can be meant. */
    public static boolean isTime(Instant time) {
        return !time.isBefore(FIRST) && time.isBefore(AFTER_LAST);
    }

    private static final Instant FIRST =
            LocalDate.of(FIRST_YEAR, 1, 1).atStartOfDay().toInstant(ZoneOffset.UTC);
    private static final Instant AFTER_LAST =
            LocalDate.of(AFTER_LAST_YEAR, 1, 1).atStartOfDay().toInstant(ZoneOffset.UTC);

    /** Whether a date lies in the years that can be meant. */
    public static boolean isDate(LocalDate date) {
        return date.getYear() >= FIRST_YEAR && date.getYear() < AFTER_LAST_YEAR;
    }
}
