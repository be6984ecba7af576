package lochan.eventformat;

import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import lochan.core.Intake;
import lochan.core.event.Position;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotType;
import lochan.core.lake.Waypoint;

/** Spots and waypoints as KML 2.2, for maps of other makers. */
public final class KmlSpots {

    private static final String NAMESPACE = "http://www.opengis.net/kml/2.2";

    private KmlSpots() {}

    public static void write(List<Spot> spots, List<Waypoint> seen, OutputStream out) {
        try {
            XMLStreamWriter xml =
                    XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
            xml.writeStartElement("kml");
            xml.writeDefaultNamespace(NAMESPACE);
            xml.writeStartElement("Document");
            for (Spot s : spots) {
                place(xml, s.name(), SpotType.words(s.spotType()), s.position());
            }
            for (Waypoint w : seen) {
                place(xml, w.name(), "waypoint", w.position());
            }
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void place(XMLStreamWriter xml, String name, String words, Position at) throws XMLStreamException {
        xml.writeStartElement("Placemark");
        element(xml, "name", name);
        element(xml, "description", words);
        xml.writeStartElement("Point");
        element(xml, "coordinates", String.format(Locale.ROOT, "%.6f,%.6f", at.lon(), at.lat()));
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private static void element(XMLStreamWriter xml, String name, String text) throws XMLStreamException {
        xml.writeStartElement(name);
        xml.writeCharacters(Intake.text(text));
        xml.writeEndElement();
    }
}
