package lochan.core.lake;

import lochan.core.event.Position;

/** How far open water reaches from a place into the wind. */
public final class Fetch {

    private static final double STEP_M = 50;
    /** A short fetch is looked along in so many steps at least. */
    private static final int LEAST_STEPS = 4;

    private Fetch() {}

    /**
     * Whether the wind reaches a place over so much open water. A place on land, as a dock may be, begins at the first water upwind
     * within {@link LakeRuns#NEAR_WATER_M}.
     *
     * @param windFromDeg direction the wind comes from, degrees from north
     * @param metres      of open water
     */
    public static boolean isOver(Lake lake, Position place, double windFromDeg, double metres) {
        double north = Math.cos(Math.toRadians(windFromDeg)) / Position.METRES_PER_DEGREE;
        double east = Math.sin(Math.toRadians(windFromDeg)) / Position.metresPerDegreeEast(place.lat());
        double step = Math.min(STEP_M, metres / LEAST_STEPS);
        double from = 0;
        while (from <= LakeRuns.NEAR_WATER_M && !isWater(lake, along(place, north, east, from))) {
            from += step;
        }
        for (double at = from; at < from + metres; at += step) {
            if (!isWater(lake, along(place, north, east, at))) {
                return false;
            }
        }
        return true;
    }

    private static Position along(Position place, double north, double east, double metres) {
        return new Position(place.lat() + metres * north, place.lon() + metres * east);
    }

    private static boolean isWater(Lake lake, Position place) {
        return lake.bodies().stream().anyMatch(b -> b.holds(place));
    }
}
