package lochan.core.lake;

import lochan.core.event.Position;

/**
 * Metres east and north of a middle, on the plane that touches the WGS84 ellipsoid there: at 20 km from it a length is wrong by less than
 * 0.1 %. Lengths that are shown are taken along geodesics instead.
 */
final class LocalPlane {

    private static final double EQUATOR_RADIUS_M = 6_378_137;
    private static final double FLATTENING = 1 / 298.257223563;

    private final Position middle;
    private final double metresPerDegreeNorth;
    private final double metresPerDegreeEast;

    LocalPlane(Position middle) {
        this.middle = middle;
        double eccentricity = FLATTENING * (2 - FLATTENING);
        double sin = Math.sin(Math.toRadians(middle.lat()));
        double w = Math.sqrt(1 - eccentricity * sin * sin);
        metresPerDegreeNorth = Math.toRadians(EQUATOR_RADIUS_M * (1 - eccentricity) / (w * w * w));
        metresPerDegreeEast = Math.toRadians(EQUATOR_RADIUS_M / w * Math.cos(Math.toRadians(middle.lat())));
    }

    Point point(Position position) {
        return new Point(
                (position.lon() - middle.lon()) * metresPerDegreeEast,
                (position.lat() - middle.lat()) * metresPerDegreeNorth);
    }

    Position position(Point point) {
        return new Position(
                middle.lat() + point.y() / metresPerDegreeNorth, middle.lon() + point.x() / metresPerDegreeEast);
    }

    /** A place on the plane, m. */
    record Point(double x, double y) {

        Point minus(Point other) {
            return new Point(x - other.x, y - other.y);
        }

        Point plus(Point other, double times) {
            return new Point(x + times * other.x, y + times * other.y);
        }

        double cross(Point other) {
            return x * other.y - y * other.x;
        }

        double dot(Point other) {
            return x * other.x + y * other.y;
        }

        double length() {
            return Math.hypot(x, y);
        }
    }
}
