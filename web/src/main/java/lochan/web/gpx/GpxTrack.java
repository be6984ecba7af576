package lochan.web.gpx;

import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import lochan.core.event.Position;
import lochan.core.track.Fix;

/**
 * Reads the track points of a GPX file that have a time, whatever tracks and segments they stand in. A file with a document type is
 * refused, since that is how entities are smuggled in; nothing outside the file is ever read.
 */
public final class GpxTrack {

    /** A week at one fix a second. */
    private static final int MOST_FIXES = 7 * 86_400;

    private GpxTrack() { }

    /** @throws GpxException when it is no GPX, has a document type, no track point with a time, too many, or time runs backwards */
    public static List<Fix> read(InputStream in) throws GpxException {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> {
            throw new XMLStreamException("something outside the file");
        });
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(in);
            try {
                return read(xml);
            } finally {
                xml.close();
            }
        } catch (XMLStreamException e) {
            String where = e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNumber() + ", column " + e.getLocation().getColumnNumber();
            throw new GpxException("the file is no whole XML" + where + ": export the track from the plotter again");
        }
    }

    private static List<Fix> read(XMLStreamReader xml) throws XMLStreamException, GpxException {
        List<Fix> fixes = new ArrayList<>();
        boolean isGpx = false;
        Position position = null;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.DTD) {
                throw new GpxException("the file has a document type (DOCTYPE), which no track needs: export it from the plotter again");
            }
            if (event == XMLStreamConstants.START_ELEMENT) {
                switch (xml.getLocalName()) {
                    case "gpx" -> isGpx = true;
                    case "trkpt" -> position = position(xml);
                    case "time" -> {
                        if (position != null) {
                            add(fixes, new Fix(time(xml), position), xml);
                        }
                    }
                    default -> { }
                }
            } else if (event == XMLStreamConstants.END_ELEMENT && xml.getLocalName().equals("trkpt")) {
                position = null;
            }
        }
        if (!isGpx || fixes.isEmpty()) {
            throw new GpxException(isGpx ? "the file has no track point with a time: export the track itself, not waypoints or a route"
                    : "the file is no GPX: expected <gpx> with <trkpt> in it");
        }
        return fixes;
    }

    private static void add(List<Fix> fixes, Fix fix, XMLStreamReader xml) throws GpxException {
        if (!fixes.isEmpty() && fix.at().isBefore(fixes.getLast().at())) {
            throw new GpxException("line " + xml.getLocation().getLineNumber() + ": time runs backwards from " + fixes.getLast().at() + " to " + fix.at()
                    + ": export one track at a time");
        }
        if (fixes.size() == MOST_FIXES) {
            throw new GpxException("the file has more than " + MOST_FIXES + " track points, a week at one a second: cut it into days");
        }
        fixes.add(fix);
    }

    private static Position position(XMLStreamReader xml) throws GpxException {
        String lat = xml.getAttributeValue(null, "lat");
        String lon = xml.getAttributeValue(null, "lon");
        try {
            return new Position(Double.parseDouble(lat), Double.parseDouble(lon));
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new GpxException("line " + xml.getLocation().getLineNumber() + ": found lat=\"" + lat + "\" lon=\"" + lon + "\", expected degrees");
        }
    }

    private static Instant time(XMLStreamReader xml) throws XMLStreamException, GpxException {
        int line = xml.getLocation().getLineNumber();
        String text = xml.getElementText().strip();
        try {
            return OffsetDateTime.parse(text).toInstant();
        } catch (DateTimeException e) {
            throw new GpxException("line " + line + ": found the time \"" + (text.length() > 40 ? text.substring(0, 40) + "…" : text)
                    + "\", expected one as 2027-05-29T06:00:00Z");
        }
    }
}
