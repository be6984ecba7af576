package lochan.core.event;

/**
 * A position on WGS84.
 *
 * @param lat degrees north, −90 to 90
 * @param lon degrees east, −180 to 180
 */
public record Position(double lat, double lon) {

    /** Mean radius of the earth, m (IUGG). */
    private static final double EARTH_RADIUS_M = 6_371_008.8;
    /** Metres of a degree of latitude, and of one of longitude on the equator, on a sphere of that radius. */
    public static final double METRES_PER_DEGREE = Math.toRadians(EARTH_RADIUS_M);

    public Position {
        if (!isLatitude(lat)) {
            throw new IllegalArgumentException("latitude is " + lat + ", expected −90 to 90 degrees");
        }
        if (!isLongitude(lon)) {
            throw new IllegalArgumentException("longitude is " + lon + ", expected −180 to 180 degrees");
        }
    }

    /** Tells whether there is a position at a latitude and longitude; NaN is none. */
    public static boolean exists(double lat, double lon) {
        return isLatitude(lat) && isLongitude(lon);
    }

    private static boolean isLatitude(double degrees) {
        return Math.abs(degrees) <= 90;
    }

    private static boolean isLongitude(double degrees) {
        return Math.abs(degrees) <= 180;
    }

    /** Great-circle distance by the haversine formula, in metres. */
    public double metresTo(Position other) {
        double dLat = Math.toRadians(other.lat - lat);
        double dLon = Math.toRadians(other.lon - lon);
        double h = square(Math.sin(dLat / 2))
                + Math.cos(Math.toRadians(lat)) * Math.cos(Math.toRadians(other.lat)) * square(Math.sin(dLon / 2));
        return 2 * EARTH_RADIUS_M * Math.asin(Math.min(1, Math.sqrt(h)));
    }

    /** Metres of a degree of longitude at a latitude. */
    public static double metresPerDegreeEast(double lat) {
        return METRES_PER_DEGREE * Math.cos(Math.toRadians(lat));
    }

    private static double square(double x) {
        return x * x;
    }
}
