package lochan.eventformat.gpx;

import static java.util.Objects.requireNonNull;

import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;
import lochan.core.Intake;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import org.jspecify.annotations.Nullable;

/** Spots as GPX waypoints, for plotters and from them. */
public final class GpxWaypoints {

    private static final String NAMESPACE = "http://www.topografix.com/GPX/1/1";
    private static final int MOST_WAYPOINTS = 5_000;
    private static final int LONGEST_NAME = 80;

    private GpxWaypoints() {}

    /**
     * A waypoint.
     *
     * @param name what it is called; empty: nothing
     * @param type its kind in the file's own words; empty: not said
     */
    public record Waypoint(String name, String type, Position position) {}

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

        @Override
        public void begin(String element, XMLStreamReader xml) throws XMLStreamException, GpxException {
            if (element.equals("wpt")) {
                position = GpxXml.position(xml);
                name = "";
                type = "";
            } else if (position != null && element.equals("name")) {
                name = text(xml);
            } else if (position != null && element.equals("type")) {
                type = text(xml);
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
                waypoints.add(new Waypoint(name, type, requireNonNull(position)));
                position = null;
            }
        }
    }

    /** Writes spots: name, spot type as type, depth in the description. */
    public static void write(List<Spot> spots, OutputStream out) {
        try {
            XMLStreamWriter xml =
                    XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
            xml.writeStartElement("gpx");
            xml.writeDefaultNamespace(NAMESPACE);
            xml.writeAttribute("version", "1.1");
            xml.writeAttribute("creator", "Lochan");
            for (Spot spot : spots) {
                xml.writeStartElement("wpt");
                xml.writeAttribute(
                        "lat",
                        String.format(Locale.ROOT, "%.6f", spot.position().lat()));
                xml.writeAttribute(
                        "lon",
                        String.format(Locale.ROOT, "%.6f", spot.position().lon()));
                element(xml, "name", spot.name());
                if (spot.depthMaxM() != null) {
                    element(
                            xml,
                            "desc",
                            String.format(
                                    Locale.ROOT,
                                    "%s%.1f m",
                                    spot.depthMinM() == null
                                            ? ""
                                            : String.format(Locale.ROOT, "%.1f to ", spot.depthMinM()),
                                    spot.depthMaxM()));
                }
                element(xml, "type", SpotType.words(spot.spotType()));
                xml.writeEndElement();
            }
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void element(XMLStreamWriter xml, String name, String text) throws XMLStreamException {
        xml.writeStartElement(name);
        xml.writeCharacters(Intake.text(text));
        xml.writeEndElement();
    }
}
