package lochan.core.quantity;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.core.event.Position;

/**
 * Reads positions as plotters and people write them: decimal degrees ("42.6302, -116.9105"), degrees and minutes ("42 37.812 N, 116 54.63 W",
 * "N42°37.812' W116°54.630'"), degrees, minutes and seconds. Latitude first; south and west by letter or minus.
 */
public final class PositionText {

    private static final String NUMBER = "(\\d+(?:\\.\\d+)?)";
    private static final String ANGLE = NUMBER + "\\s*°?(?:\\s*" + NUMBER + "\\s*['′]?(?:\\s*" + NUMBER + "\\s*[\"″]?)?)?";
    private static final String BETWEEN = "\\s*[,;]?\\s*";
    private static final Pattern LETTERS_FIRST = Pattern.compile("\\s*([NS])\\s*" + ANGLE + BETWEEN + "([EW])\\s*" + ANGLE + "\\s*");
    private static final Pattern LETTERS_LAST = Pattern.compile("\\s*" + ANGLE + "\\s*([NS])" + BETWEEN + ANGLE + "\\s*([EW])\\s*");
    private static final Pattern PLAIN = Pattern.compile("\\s*([+-]?\\d+(?:\\.\\d+)?)\\s*[,; ]\\s*([+-]?\\d+(?:\\.\\d+)?)\\s*");

    private PositionText() { }

    public static Position read(String text) throws BadQuantityException {
        try {
            Matcher plain = PLAIN.matcher(text);
            if (plain.matches()) {
                return new Position(Double.parseDouble(plain.group(1)), Double.parseDouble(plain.group(2)));
            }
            Matcher first = LETTERS_FIRST.matcher(text.toUpperCase(Locale.ROOT));
            if (first.matches()) {
                return new Position(angle(first, 1, 2), angle(first, 5, 6));
            }
            Matcher last = LETTERS_LAST.matcher(text.toUpperCase(Locale.ROOT));
            if (last.matches()) {
                return new Position(angle(last, 4, 1), angle(last, 8, 5));
            }
        } catch (IllegalArgumentException e) {
            throw new BadQuantityException("“" + text.strip() + "” is no position: " + e.getMessage() + ".");
        }
        throw new BadQuantityException("“" + text.strip() + "” is no position: type latitude and longitude in degrees as 45.3100, -118.9400, "
                + "or in degrees and minutes as 45 18.600 N, 118 56.400 W.");
    }

    /**
     * @param letter  group of the letter
     * @param degrees group of the degrees; minutes and seconds are the two after it
     */
    private static double angle(Matcher match, int letter, int degrees) {
        double minutes = match.group(degrees + 1) == null ? 0 : Double.parseDouble(match.group(degrees + 1));
        double seconds = match.group(degrees + 2) == null ? 0 : Double.parseDouble(match.group(degrees + 2));
        if (minutes >= 60 || seconds >= 60) {
            throw new IllegalArgumentException("minutes and seconds run from 0 to below 60");
        }
        boolean negative = match.group(letter).equals("S") || match.group(letter).equals("W");
        return (negative ? -1 : 1) * (Double.parseDouble(match.group(degrees)) + minutes / 60 + seconds / 3600);
    }
}
