package lochan.core.lake;

import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.lake.LocalPlane.Point;

/** A place that was seen from two others: by two bearings, or by two ranges. */
public final class CrossFix {

    /** Bearings that cross at less than this tell a place only badly, degrees. */
    public static final double LEAST_ANGLE_DEG = 15;

    private CrossFix() {}

    /**
     * Where two bearings cross.
     *
     * @param fromDeg degrees from north of the place, seen from the first
     * @param toDeg   the same, seen from the second
     * @return empty where they cross too flatly, or behind one of the two
     */
    public static Optional<Position> ofBearings(Position first, double fromDeg, Position second, double toDeg) {
        LocalPlane plane = new LocalPlane(first);
        Point a = direction(fromDeg);
        Point b = direction(toDeg);
        Point between = plane.point(second);
        double sine = a.cross(b);
        if (Math.abs(sine) < Math.sin(Math.toRadians(LEAST_ANGLE_DEG))) {
            return Optional.empty();
        }
        double alongA = between.cross(b) / sine;
        double alongB = between.cross(a) / sine;
        return alongA > 0 && alongB > 0
                ? Optional.of(plane.position(new Point(alongA * a.x(), alongA * a.y())))
                : Optional.empty();
    }

    private static Point direction(double deg) {
        return new Point(Math.sin(Math.toRadians(deg)), Math.cos(Math.toRadians(deg)));
    }

    /**
     * Where two ranges meet.
     *
     * @param firstM  metres of the place from the first
     * @param secondM metres of it from the second
     * @param left    whether it lies left of the way from the first to the second
     * @return empty where the ranges do not reach each other, or one holds the other
     */
    public static Optional<Position> ofRanges(
            Position first, double firstM, Position second, double secondM, boolean left) {
        LocalPlane plane = new LocalPlane(first);
        Point between = plane.point(second);
        double apart = between.length();
        if (!(apart > 0) || apart > firstM + secondM || apart < Math.abs(firstM - secondM)) {
            return Optional.empty();
        }
        double along = (apart * apart + firstM * firstM - secondM * secondM) / (2 * apart);
        double across = Math.sqrt(Math.max(0, firstM * firstM - along * along)) * (left ? 1 : -1);
        Point unit = new Point(between.x() / apart, between.y() / apart);
        return Optional.of(
                plane.position(new Point(along * unit.x() - across * unit.y(), along * unit.y() + across * unit.x())));
    }
}
