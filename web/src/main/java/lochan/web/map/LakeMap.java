package lochan.web.map;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Locale;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.lake.Waypoint;
import lochan.core.lake.structure.DepthGrid;
import lochan.core.quantity.Units;
import lochan.web.spot.WaypointWords;
import org.jspecify.annotations.Nullable;

/**
 * The lake as a drawing: metres east and south of its north-west corner, paths as SVG writes them.
 *
 * @param width   of the drawing, m
 * @param height  of the drawing, m
 * @param water   path of all water, islands left out
 * @param zones   slow zones
 * @param closed  water off limits
 * @param lines   lines of depth
 * @param spots   of the event
 * @param seen    what the electronics showed
 * @param launch  where the day starts
 * @param checkIn where it ends; null: at the launch
 */
@RecordBuilder
public record LakeMap(
        double width,
        double height,
        String water,
        List<Zone> zones,
        List<Zone> closed,
        List<Line> lines,
        List<Place> spots,
        List<WaypointSign> seen,
        Point launch,
        @Nullable Point checkIn) {

    private static final double MARGIN_M = 300;

    public record Point(double x, double y) {}

    public record Zone(String path, String name) {}

    public record Line(String path, String depth) {}

    public record Place(String id, String name, String spotType, double x, double y) {}

    public record WaypointSign(String words, double x, double y) {}

    /** The frame of a drawing: what turns positions into its points. */
    public record Frame(double north, double west, double east) {

        public Point point(Position p) {
            return new Point(round((p.lon() - west) * east), round((north - p.lat()) * Position.METRES_PER_DEGREE));
        }
    }

    public static Frame frame(Lake lake) {
        double north = lake.bodies().stream()
                .flatMap(b -> b.shore().stream())
                .mapToDouble(Position::lat)
                .max()
                .orElseThrow();
        double west = lake.bodies().stream()
                .flatMap(b -> b.shore().stream())
                .mapToDouble(Position::lon)
                .min()
                .orElseThrow();
        double east = Position.metresPerDegreeEast(north);
        return new Frame(north + MARGIN_M / Position.METRES_PER_DEGREE, west - MARGIN_M / east, east);
    }

    /** A lake with what lies on it, without depths. */
    public static LakeMap of(EventData event, Units units) {
        return of(event, units, (frame, size) -> List.of());
    }

    /** Draws lines of depth into a frame, for a drawing of some metres. */
    interface Depths {
        List<Line> lines(Frame frame, double size);
    }

    static LakeMap of(EventData event, Units units, Depths depths) {
        Lake lake = event.knownLake();
        Frame frame = frame(lake);
        double south = lake.bodies().stream()
                .flatMap(b -> b.shore().stream())
                .mapToDouble(Position::lat)
                .min()
                .orElseThrow();
        double east = lake.bodies().stream()
                .flatMap(b -> b.shore().stream())
                .mapToDouble(Position::lon)
                .max()
                .orElseThrow();
        Point corner = frame.point(new Position(south, east));
        double width = corner.x() + MARGIN_M;
        double height = corner.y() + MARGIN_M;
        List<Place> places = event.spots().stream().map(s -> place(s, frame)).toList();
        List<WaypointSign> seen =
                event.waypoints().stream().map(m -> seen(m, frame, units)).toList();
        List<Zone> zones = lake.slowZones().stream()
                .map(z -> new Zone(
                        path(z.areas(), frame),
                        (z.name() == null ? "Slow zone" : z.name()) + ", " + units.speed(z.mps()) + " at most"))
                .toList();
        List<Zone> closed = lake.offLimits().stream()
                .map(o -> new Zone(
                        path(o.areas(), frame), (o.name() == null ? "" : o.name() + ": ") + "off limits by your rules"))
                .toList();
        boolean elsewhere = !event.checkInAt().equals(event.launch());
        return LakeMapBuilder.builder()
                .width(width)
                .height(height)
                .water(path(lake.bodies(), frame))
                .zones(zones)
                .closed(closed)
                .lines(depths.lines(frame, Math.max(width, height)))
                .spots(places)
                .seen(seen)
                .launch(frame.point(event.launch()))
                .checkIn(elsewhere ? frame.point(event.checkInAt()) : null)
                .build();
    }

    private static WaypointSign seen(Waypoint m, Frame frame, Units units) {
        Point p = frame.point(m.position());
        return new WaypointSign(WaypointWords.of(m, units), p.x(), p.y());
    }

    private static Place place(Spot s, Frame frame) {
        Point p = frame.point(s.position());
        return new Place(s.id(), s.name(), SpotType.words(s.spotType()), p.x(), p.y());
    }

    private static String path(List<Lake.Body> bodies, Frame frame) {
        StringBuilder path = new StringBuilder();
        for (Lake.Body body : bodies) {
            append(path, body.shore(), frame);
            body.islands().forEach(i -> append(path, i, frame));
        }
        return path.toString();
    }

    private static void append(StringBuilder path, List<Position> ring, Frame frame) {
        for (int i = 0; i < ring.size(); i++) {
            Point p = frame.point(ring.get(i));
            path.append(i == 0 ? 'M' : 'L').append(p.x()).append(' ').append(p.y());
        }
        path.append('Z');
    }

    /** A way on the water as a path. */
    public static String way(List<Position> way, Frame frame) {
        StringBuilder path = new StringBuilder();
        for (Position p : way) {
            Point at = frame.point(p);
            path.append(path.isEmpty() ? 'M' : 'L').append(at.x()).append(' ').append(at.y());
        }
        return path.toString();
    }

    /** The water of a band of depths, as a path of strips along the grid's rows; a large grid is read every few cells. */
    static String band(DepthGrid grid, double shallowestM, double deepestM, Frame frame, int mostCells) {
        int every = Math.max(1, Math.ceilDiv(Math.max(grid.columns(), grid.rows()), mostCells));
        StringBuilder path = new StringBuilder();
        for (int r = 0; r < grid.rows(); r += every) {
            int from = -1;
            for (int c = 0; c <= grid.columns(); c += every) {
                float depth = c < grid.columns() ? grid.depth(grid.cell(c, r)) : Float.NaN;
                boolean in = depth >= shallowestM && depth <= deepestM;
                if (in && from < 0) {
                    from = c;
                } else if (!in && from >= 0) {
                    strip(path, grid, frame, from, Math.min(c, grid.columns()), r, Math.min(every, grid.rows() - r));
                    from = -1;
                }
            }
            if (from >= 0) {
                strip(path, grid, frame, from, grid.columns(), r, Math.min(every, grid.rows() - r));
            }
        }
        return path.toString();
    }

    private static void strip(StringBuilder path, DepthGrid grid, Frame frame, int from, int to, int row, int rows) {
        Point a = frame.point(new Position(
                grid.south() + (grid.rows() - row) * grid.cellSize(), grid.west() + from * grid.cellSize()));
        Point b = frame.point(new Position(
                grid.south() + (grid.rows() - row - rows) * grid.cellSize(), grid.west() + to * grid.cellSize()));
        path.append(String.format(Locale.ROOT, "M%.0f %.0fH%.0fV%.0fH%.0fZ", a.x(), a.y(), b.x(), b.y(), a.x()));
    }

    private static double round(double metres) {
        return Math.round(10 * metres) / 10.0;
    }
}
