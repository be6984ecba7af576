package lochan.core.quantity;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.core.Measure;
import lochan.core.event.Position;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicData;

/**
 * Where something lies as it is seen from the boat: "left side, 90 ft", "2 o'clock, 70 ft", "bearing 240, 300 ft". What is left, right or on
 * the clock is from the boat's heading; a bearing is from north. The place is computed along the geodesic (Karney
 * 2013).
 *
 * @param degrees  direction, clockwise
 * @param fromNorth whether from north, else from the heading
 * @param metres   how far
 */
public record WaypointText(double degrees, boolean fromNorth, double metres) {

    private static final double DEGREES_PER_HOUR = 30;
    private static final double MOST_METRES = 2000;
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2})(?::(\\d{2}))? ?(?:o'?clock|h)[ ,]+(.+)");
    private static final Pattern BEARING =
            Pattern.compile("(?:bearing|brg)? ?(\\d{1,3}(?:\\.\\d+)?) ?(?:°|deg|degrees)?[ ,]+(.+)");
    private static final Pattern SIDE = Pattern.compile(
            "(?:to |on )?(?:the )?(left|port|right|starboard|ahead|straight ahead|forward|behind|astern|back)(?: side)?[ ,]+(.+)");

    /** @throws BadQuantityException when it is none of the three */
    public static WaypointText read(String text, Units units) throws BadQuantityException {
        String t = text.strip().toLowerCase(Locale.ROOT).replace('’', '\'').replaceAll("\\s+", " ");
        Matcher side = SIDE.matcher(t);
        if (side.matches()) {
            return waypoint(
                    text,
                    switch (side.group(1)) {
                        case "left", "port" -> 270;
                        case "right", "starboard" -> 90;
                        case "behind", "astern", "back" -> 180;
                        default -> 0;
                    },
                    false,
                    side.group(2),
                    units);
        }
        Matcher clock = CLOCK.matcher(t);
        if (clock.matches() && Integer.parseInt(clock.group(1)) <= 12) {
            double minutes = clock.group(2) == null ? 0 : Double.parseDouble(clock.group(2));
            return waypoint(
                    text,
                    (Integer.parseInt(clock.group(1)) % 12 + minutes / 60) * DEGREES_PER_HOUR,
                    false,
                    clock.group(3),
                    units);
        }
        Matcher bearing = BEARING.matcher(t);
        if (bearing.matches() && Double.parseDouble(bearing.group(1)) <= 360) {
            return waypoint(text, Double.parseDouble(bearing.group(1)), true, bearing.group(2), units);
        }
        throw QuantityProblem.PLACE_FROM_BOAT.of(text);
    }

    private static WaypointText waypoint(String text, double degrees, boolean fromNorth, String range, Units units)
            throws BadQuantityException {
        double metres = QuantityText.metres(
                range.replaceAll(" ?(?:yd|yards?)$", " yd").endsWith(" yd")
                        ? Double.parseDouble(range.replaceAll("[^0-9.]", "")) * 3 + " ft"
                        : range,
                units);
        if (!(metres > 0 && metres <= MOST_METRES)) {
            throw new BadQuantityException(
                    QuantityProblem.TOO_FAR_FROM_BOAT.with(text.strip(), Measure.reach(MOST_METRES)));
        }
        return new WaypointText(degrees, fromNorth, metres);
    }

    /**
     * The place.
     *
     * @param boat           where the boat is
     * @param headingDegrees where its bow points, from north; not asked for when the bearing is from north
     */
    public Position from(Position boat, double headingDegrees) {
        double azimuth = fromNorth ? degrees : headingDegrees + degrees;
        GeodesicData end = Geodesic.WGS84.Direct(boat.lat(), boat.lon(), azimuth, metres);
        return new Position(end.lat2, end.lon2);
    }
}
