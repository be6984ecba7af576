package lochan.eventformat.gpx;

import io.jenetics.jpx.GPX;
import io.jenetics.jpx.Route;
import io.jenetics.jpx.WayPoint;
import java.io.IOException;
import java.io.OutputStream;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Intake;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/** A plan's way as a GPX route that bends with the water, and its stops as waypoints. */
public final class GpxRoute {

    private GpxRoute() {}

    /**
     * A point of the way.
     *
     * @param name null where the way only bends
     * @param at   when the boat is to be there; null: not said
     * @param note what is to be done there; null: nothing
     */
    public record Point(
            Position position,
            @Nullable String name,
            @Nullable Instant at,
            @Nullable String note) {

        /** A bend of the way. */
        public static Point bend(Position position) {
            return new Point(position, null, null, null);
        }
    }

    public static void write(String name, List<Point> way, OutputStream out) throws IOException {
        List<WayPoint> points = way.stream().map(GpxRoute::point).toList();
        List<WayPoint> named = new ArrayList<>();
        for (WayPoint p : points) {
            if (p.getName().isPresent()
                    && named.stream().noneMatch(n -> n.getName().equals(p.getName()))) {
                named.add(p);
            }
        }
        GPX gpx = GPX.builder("Lochan")
                .wayPoints(named)
                .addRoute(Route.builder().name(Intake.text(name)).points(points).build())
                .build();
        GPX.Writer.DEFAULT.write(gpx, out);
    }

    private static WayPoint point(Point p) {
        return WayPoint.builder()
                .lat(p.position().lat())
                .lon(p.position().lon())
                .name(p.name() == null ? null : Intake.text(p.name()))
                .time(p.at())
                .desc(p.note() == null ? null : Intake.text(p.note()))
                .build();
    }
}
