package lochan.eventformat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;

/** Shores with so many corners as a phone can draw and find ways around. */
final class Shores {

    /** The phone keeps the time between each two of them. */
    static final int MOST_CORNERS = 1500;

    private static final double M_PER_DEGREE = 111_195;
    private static final double FINEST_M = 0.5;
    private static final double COARSER = 1.3;
    /** A lake of more islands than that brings what it has. */
    private static final double COARSEST_M = 200;

    private static final GeometryFactory GEOMETRY = new GeometryFactory();

    private Shores() {}

    /**
     * Returns the water unchanged when its shores have no more than {@link #MOST_CORNERS} corners; else with the fewest
     * metres that its shores move by
     * for them to have so few. No island goes, and no two shores meet.
     */
    static List<Lake.Body> forPhone(List<Lake.Body> bodies) {
        List<Lake.Body> simpler = bodies;
        for (double metres = FINEST_M; corners(simpler) > MOST_CORNERS && metres < COARSEST_M; metres *= COARSER) {
            simpler = simplified(bodies, metres);
        }
        return simpler;
    }

    private static int corners(List<Lake.Body> bodies) {
        return bodies.stream()
                .flatMap(b -> b.rings().stream())
                .mapToInt(List::size)
                .sum();
    }

    private static List<Lake.Body> simplified(List<Lake.Body> bodies, double metres) {
        // Degrees of longitude are shorter than those of latitude.
        double narrow =
                Math.cos(Math.toRadians(bodies.getFirst().shore().getFirst().lat()));
        List<Lake.Body> simpler = new ArrayList<>();
        for (Lake.Body body : bodies) {
            Geometry g = TopologyPreservingSimplifier.simplify(polygon(body, narrow), metres / M_PER_DEGREE);
            Polygon p = (Polygon) g;
            simpler.add(new Lake.Body(
                    ring(p.getExteriorRing(), narrow),
                    IntStream.range(0, p.getNumInteriorRing())
                            .mapToObj(i -> ring(p.getInteriorRingN(i), narrow))
                            .toList()));
        }
        return simpler;
    }

    private static Polygon polygon(Lake.Body body, double narrow) {
        return GEOMETRY.createPolygon(
                ring(body.shore(), narrow),
                body.islands().stream().map(i -> ring(i, narrow)).toArray(LinearRing[]::new));
    }

    private static LinearRing ring(List<Position> ring, double narrow) {
        Coordinate[] corners = IntStream.rangeClosed(0, ring.size())
                .mapToObj(i -> ring.get(i % ring.size()))
                .map(p -> new Coordinate(p.lon() * narrow, p.lat()))
                .toArray(Coordinate[]::new);
        return GEOMETRY.createLinearRing(corners);
    }

    /** Rings of a lake are not closed. */
    private static List<Position> ring(LinearRing ring, double narrow) {
        return Arrays.stream(ring.getCoordinates())
                .limit(ring.getNumPoints() - 1L)
                .map(c -> new Position(c.y, c.x / narrow))
                .toList();
    }
}
