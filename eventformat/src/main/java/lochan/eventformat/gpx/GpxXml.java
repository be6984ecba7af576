package lochan.eventformat.gpx;

import java.io.InputStream;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import lochan.core.event.Position;
import lochan.eventformat.SafeXml;

/**
 * Walks over a GPX file. One with a document type is refused, since that is how entities are smuggled in; nothing outside the file is ever
 * read.
 */
final class GpxXml {

    private GpxXml() {}

    /** Handles the beginning and the end of elements. */
    interface Visitor {
        void begin(String name, XMLStreamReader xml) throws XMLStreamException, GpxException;

        void end(String name) throws GpxException;
    }

    /** @throws GpxException when it is no whole XML, has a document type, or is no GPX */
    static void walk(InputStream in, Visitor visitor) throws GpxException {
        try {
            XMLStreamReader xml = SafeXml.reader(in);
            try {
                walk(xml, visitor);
            } finally {
                xml.close();
            }
        } catch (XMLStreamException e) {
            String where = e.getLocation() == null
                    ? ""
                    : " at line " + e.getLocation().getLineNumber() + ", column "
                            + e.getLocation().getColumnNumber();
            throw new GpxException("the file is no whole XML" + where + ": export it from the plotter again");
        }
    }

    private static void walk(XMLStreamReader xml, Visitor visitor) throws XMLStreamException, GpxException {
        boolean isGpx = false;
        while (xml.hasNext()) {
            switch (xml.next()) {
                case XMLStreamConstants.DTD ->
                    throw new GpxException(
                            "the file has a document type (DOCTYPE), which no plotter needs: export it again");
                case XMLStreamConstants.START_ELEMENT -> {
                    isGpx |= xml.getLocalName().equals("gpx");
                    visitor.begin(xml.getLocalName(), xml);
                }
                case XMLStreamConstants.END_ELEMENT -> visitor.end(xml.getLocalName());
                default -> {}
            }
        }
        if (!isGpx) {
            throw new GpxException("the file is no GPX: expected <gpx> as its outermost element");
        }
    }

    /** The position in an element's attributes. */
    static Position position(XMLStreamReader xml) throws GpxException {
        String lat = xml.getAttributeValue(null, "lat");
        String lon = xml.getAttributeValue(null, "lon");
        try {
            return new Position(Double.parseDouble(lat), Double.parseDouble(lon));
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new GpxException("line " + xml.getLocation().getLineNumber() + ": found lat=\"" + lat + "\" lon=\""
                    + lon + "\", expected degrees");
        }
    }
}
