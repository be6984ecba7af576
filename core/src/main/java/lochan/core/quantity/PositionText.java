package lochan.core.quantity;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.core.event.Position;
import mil.nga.grid.Hemisphere;
import mil.nga.grid.features.Point;
import mil.nga.mgrs.MGRS;
import mil.nga.mgrs.utm.UTM;

/**
 * Reads positions as plotters and people write them: decimal degrees ("42.6302, -116.9105"), degrees and minutes ("42 37.812 N, 116 54.63 W",
 * "N42°37.812' W116°54.630'"), degrees, minutes and seconds, UTM ("11T 508000 4717900") and MGRS ("11T MH 08000 17900") on WGS84. Latitude
 * first; south and west by letter or minus.
 */
public final class PositionText {

    private static final int DECIMALS = 6;
    private static final String NUMBER = "(\\d+(?:\\.\\d+)?)";
    private static final String ANGLE =
            NUMBER + "\\s*°?(?:\\s*" + NUMBER + "\\s*['′]?(?:\\s*" + NUMBER + "\\s*[\"″]?)?)?";
    private static final String BETWEEN = "\\s*[,;]?\\s*";
    private static final Pattern LETTERS_FIRST =
            Pattern.compile("\\s*([NS])\\s*" + ANGLE + BETWEEN + "([EW])\\s*" + ANGLE + "\\s*");
    private static final Pattern LETTERS_LAST =
            Pattern.compile("\\s*" + ANGLE + "\\s*([NS])" + BETWEEN + ANGLE + "\\s*([EW])\\s*");
    private static final Pattern PLAIN =
            Pattern.compile("\\s*([+-]?\\d+(?:\\.\\d+)?)\\s*[,; ]\\s*([+-]?\\d+(?:\\.\\d+)?)\\s*");

    private static final Pattern UTM_ZONE = Pattern.compile(
            "\\s*(\\d{1,2})\\s*([C-HJ-NP-X])\\s+(\\d{6}(?:\\.\\d+)?)\\s*(?:M?E)?\\s*[,; ]\\s*(\\d{1,7}(?:\\.\\d+)?)\\s*(?:M?N)?\\s*");
    private static final Pattern MGRS_SQUARE =
            Pattern.compile("\\s*\\d{1,2}\\s*[C-HJ-NP-X]\\s*[A-HJ-NP-Z]{2}(?:\\s*\\d){4,10}\\s*");
    private static final int ZONES = 60;
    private static final double METRES_PER_SOUTHERN_EQUATOR = 1e7;
    /** Latitudes of band S, whose letter people also write for the southern half. */
    private static final double BAND_S_FROM = 32;

    private static final double BAND_S_TO = 40;

    private PositionText() {}

    /** As an angler would type it: decimal degrees to a decimetre. */
    public static String typed(Position position) {
        return Units.plain(position.lat(), DECIMALS) + ", " + Units.plain(position.lon(), DECIMALS);
    }

    /** Degrees, or a position on a grid. */
    public static Position read(String text) throws BadQuantityException {
        String upper = text.toUpperCase(Locale.ROOT);
        Matcher utm = UTM_ZONE.matcher(upper);
        if (utm.matches()) {
            return utm(text, utm);
        }
        return MGRS_SQUARE.matcher(upper).matches() ? mgrs(text) : degrees(text);
    }

    /** Degrees, with minutes and seconds where they are given. */
    public static Position degrees(String text) throws BadQuantityException {
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
        } catch (MinutesException e) {
            throw QuantityProblem.MINUTES_RANGE.of(text);
        } catch (IllegalArgumentException e) {
            throw QuantityProblem.LATITUDE_RANGE.of(text);
        }
        throw QuantityProblem.POSITION.of(text);
    }

    /** Easting and northing of a zone; its letter is that of the band, or N or S for the half of the earth. */
    private static Position utm(String text, Matcher match) throws BadQuantityException {
        int zone = Integer.parseInt(match.group(1));
        char letter = match.group(2).charAt(0);
        double easting = Double.parseDouble(match.group(3));
        double northing = Double.parseDouble(match.group(4));
        if (zone < 1 || zone > ZONES || northing > METRES_PER_SOUTHERN_EQUATOR) {
            throw QuantityProblem.UTM_RANGE.of(text);
        }
        try {
            Position north = position(UTM.point(zone, Hemisphere.NORTH, easting, northing));
            boolean isNorth = letter == 'S' ? north.lat() >= BAND_S_FROM && north.lat() < BAND_S_TO : letter >= 'N';
            return isNorth ? north : position(UTM.point(zone, Hemisphere.SOUTH, easting, northing));
        } catch (IllegalArgumentException e) {
            throw QuantityProblem.UTM_RANGE.of(text);
        }
    }

    private static Position mgrs(String text) throws BadQuantityException {
        try {
            return position(MGRS.parse(text.replaceAll("\\s", "").toUpperCase(Locale.ROOT))
                    .toPoint());
        } catch (java.text.ParseException | RuntimeException e) {
            throw QuantityProblem.MGRS.of(text);
        }
    }

    private static final class MinutesException extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;
    }

    private static Position position(Point point) {
        return new Position(point.getLatitude(), point.getLongitude());
    }

    /**
     * @param letter  group of the letter
     * @param degrees group of the degrees; minutes and seconds are the two after it
     */
    private static double angle(Matcher match, int letter, int degrees) {
        double minutes = match.group(degrees + 1) == null ? 0 : Double.parseDouble(match.group(degrees + 1));
        double seconds = match.group(degrees + 2) == null ? 0 : Double.parseDouble(match.group(degrees + 2));
        if (minutes >= 60 || seconds >= 60) {
            throw new MinutesException();
        }
        boolean negative =
                match.group(letter).equals("S") || match.group(letter).equals("W");
        return (negative ? -1 : 1) * (Double.parseDouble(match.group(degrees)) + minutes / 60 + seconds / 3600);
    }
}
