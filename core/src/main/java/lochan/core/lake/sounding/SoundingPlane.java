package lochan.core.lake.sounding;

import lochan.core.event.Position;
import org.tinfour.common.Vertex;
import org.tinfour.interpolation.NaturalNeighborInterpolator;

/** Metres east and north of a middle, on which soundings are joined by natural neighbours. */
final class SoundingPlane {

    private final Position middle;
    private final double metresEast;

    SoundingPlane(Position middle) {
        this.middle = middle;
        this.metresEast = Position.metresPerDegreeEast(middle.lat());
    }

    double x(Position p) {
        return (p.lon() - middle.lon()) * metresEast;
    }

    double y(Position p) {
        return (p.lat() - middle.lat()) * Position.METRES_PER_DEGREE;
    }

    Vertex vertex(Position p, double depth, int number) {
        return new Vertex(x(p), y(p), depth, number);
    }

    /** The depth at a place, m; NaN or less than 0 where none can be told. */
    double depth(NaturalNeighborInterpolator between, Position p) {
        return between.interpolate(x(p), y(p), null);
    }
}
