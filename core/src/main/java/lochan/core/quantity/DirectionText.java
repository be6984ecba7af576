package lochan.core.quantity;

import java.util.List;
import java.util.Locale;

/** Directions as people say them: points of the compass ("SW", "nnw") or degrees from north. */
public final class DirectionText {

    private static final List<String> POINTS =
            List.of("N", "NNE", "NE", "ENE", "E", "ESE", "SE", "SSE", "S", "SSW", "SW", "WSW", "W", "WNW", "NW", "NNW");
    private static final double DEGREES_PER_POINT = 22.5;

    private DirectionText() {}

    /** Degrees from north, 0 to 360; the units have no part in it. */
    public static double read(String text, Units units) throws BadQuantityException {
        String t = text.strip().toUpperCase(Locale.ROOT).replaceAll("\\s*(°|DEG|DEGREES)$", "");
        if (POINTS.contains(t)) {
            return POINTS.indexOf(t) * DEGREES_PER_POINT;
        }
        try {
            double degrees = Double.parseDouble(t);
            if (degrees >= 0 && degrees <= 360) {
                return degrees;
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw QuantityProblem.DIRECTION.of(text);
    }

    /** The nearest of sixteen points; "–" for null. */
    public static String words(Double degrees) {
        return degrees == null ? "–" : POINTS.get((int) (Math.round(degrees / DEGREES_PER_POINT) % POINTS.size()));
    }
}
