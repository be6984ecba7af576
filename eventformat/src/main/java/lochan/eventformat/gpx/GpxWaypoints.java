package lochan.eventformat.gpx;

import static java.util.Objects.requireNonNull;

import io.jenetics.jpx.GPX;
import io.jenetics.jpx.Route;
import io.jenetics.jpx.WayPoint;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import lochan.core.Intake;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import org.jspecify.annotations.Nullable;

/** Spots as GPX waypoints, for plotters and from them. */
public final class GpxWaypoints {

    private static final int MOST_WAYPOINTS = 5_000;
    private static final int LONGEST_NAME = 80;

    private GpxWaypoints() {}

    /**
     * A waypoint.
     *
     * @param name what it is called; empty: nothing
     * @param type its kind in the file's own words; empty: not said
     * @param symbol its sign on the plotter; empty: none
     */
    public record Waypoint(String name, String type, String symbol, Position position) {}

    /** @throws GpxException when it is no GPX, has a document type, no waypoint, or too many */
    public static List<Waypoint> read(InputStream in) throws GpxException {
        Waypoints found = new Waypoints();
        GpxXml.walk(in, found);
        if (found.waypoints.isEmpty()) {
            throw new GpxException("the file has no waypoint: export waypoints, not a track");
        }
        return found.waypoints;
    }

    private static final class Waypoints implements GpxXml.Visitor {

        private final List<Waypoint> waypoints = new ArrayList<>();
        private @Nullable Position position;
        private String name = "";
        private String type = "";
        private String symbol = "";

        @Override
        public void begin(String element, XMLStreamReader xml) throws XMLStreamException, GpxException {
            if (element.equals("wpt")) {
                position = GpxXml.position(xml);
                name = "";
                type = "";
                symbol = "";
            } else if (position != null && element.equals("name")) {
                name = text(xml);
            } else if (position != null && element.equals("type")) {
                type = text(xml);
            } else if (position != null && element.equals("sym")) {
                symbol = text(xml);
            }
        }

        private static String text(XMLStreamReader xml) throws XMLStreamException {
            String text = Intake.text(xml.getElementText()).strip();
            return text.length() <= LONGEST_NAME ? text : text.substring(0, LONGEST_NAME);
        }

        @Override
        public void end(String element) throws GpxException {
            if (element.equals("wpt")) {
                if (waypoints.size() == MOST_WAYPOINTS) {
                    throw new GpxException(
                            "the file has more than " + MOST_WAYPOINTS + " waypoints: export those of this lake only");
                }
                waypoints.add(new Waypoint(name, type, symbol, requireNonNull(position)));
                position = null;
            }
        }
    }

    /** A way through some spots, as plotters follow it. */
    public record Way(String name, List<Spot> spots) {}

    /** Writes spots: name, sign, spot type as type, depth in the description; waypoints by their notes; ways as routes. */
    public static void write(List<Spot> spots, List<lochan.core.lake.Waypoint> seen, List<Way> ways, OutputStream out)
            throws IOException {
        GPX.Builder gpx = GPX.builder("Lochan");
        spots.forEach(s -> gpx.addWayPoint(point(s)));
        seen.forEach(w -> gpx.addWayPoint(point(w)));
        ways.forEach(w -> gpx.addRoute(Route.builder()
                .name(Intake.text(w.name()))
                .points(w.spots().stream().map(GpxWaypoints::point).toList())
                .build()));
        GPX.Writer.DEFAULT.write(gpx.build(), out);
    }

    private static WayPoint point(Spot spot) {
        WayPoint.Builder point = WayPoint.builder()
                .lat(spot.position().lat())
                .lon(spot.position().lon())
                .name(Intake.text(spot.name()))
                .type(SpotType.words(spot.spotType()));
        if (spot.symbol() != null) {
            point.sym(Intake.text(spot.symbol()));
        }
        return spot.depthMaxM() == null
                ? point.build()
                : point.desc(depths(spot)).build();
    }

    private static String depths(Spot spot) {
        String from = spot.depthMinM() == null ? "" : String.format(Locale.ROOT, "%.1f to ", spot.depthMinM());
        return from + String.format(Locale.ROOT, "%.1f m", spot.depthMaxM());
    }

    private static WayPoint point(lochan.core.lake.Waypoint seen) {
        return WayPoint.builder()
                .lat(seen.position().lat())
                .lon(seen.position().lon())
                .name(Intake.text(seen.name()))
                .time(seen.at())
                .build();
    }
}
