package lochan.mapfiles;

import java.io.IOException;
import java.io.InputStream;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import lochan.core.event.Position;
import lochan.eventformat.SafeXml;
import org.jspecify.annotations.Nullable;

/** KML 2.2 and GPX 1.1: shapes of placemarks, of waypoints, tracks and routes; track points with a depth are soundings. */
final class XmlDrawing {

    private static final int LONGEST_TEXT = 20_000;
    private static final int LONGEST_PLACE = 200;

    private final XMLStreamReader xml;
    private final List<MapFile.Shape> shapes = new ArrayList<>();
    private final Readings readings = new Readings();
    private final Meter meter = new Meter();
    private MapFile.@Nullable Unit unit;
    private Map<String, String> properties = new LinkedHashMap<>();
    private List<Position> line = new ArrayList<>();
    private List<List<Position>> rings = new ArrayList<>();
    private @Nullable Position point;
    private @Nullable Double depth;
    private @Nullable Instant time;
    private @Nullable String field;
    private MapFile.Shape.Kind kind = MapFile.Shape.Kind.POINT;
    private boolean isGpx;

    private XmlDrawing(XMLStreamReader xml) {
        this.xml = xml;
    }

    static MapFile read(Source file) throws MapFileException {
        try (InputStream in = file.open()) {
            XMLStreamReader xml = SafeXml.reader(in);
            XmlDrawing drawing = new XmlDrawing(xml);
            drawing.walk();
            return drawing.file();
        } catch (IOException e) {
            throw MapFiles.gone();
        } catch (XMLStreamException e) {
            String where =
                    e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNumber();
            throw new MapFileException("the file is no whole XML" + where + ": save it again");
        }
    }

    private MapFile file() throws MapFileException {
        if (!readings.isEmpty()) {
            return new MapFile.Readings("GPX with depths" + readings.thinned(), readings.kept(), unit);
        }
        if (shapes.isEmpty()) {
            throw new MapFileException("the file draws nothing: expected points, lines or areas");
        }
        return new MapFile.Drawing(isGpx ? "GPX" : "KML", Projection.DEGREES.name(), shapes);
    }

    private void walk() throws XMLStreamException, MapFileException {
        boolean known = false;
        while (xml.hasNext()) {
            switch (xml.next()) {
                case XMLStreamConstants.DTD ->
                    throw new MapFileException(
                            "the file has a document type (DOCTYPE), which no map needs: save it again");
                case XMLStreamConstants.START_ELEMENT -> {
                    isGpx |= xml.getLocalName().equals("gpx");
                    known |= isGpx || xml.getLocalName().equals("kml");
                    begin(xml.getLocalName());
                }
                case XMLStreamConstants.END_ELEMENT -> end(xml.getLocalName());
                default -> {}
            }
        }
        if (!known) {
            throw new MapFileException("the file is neither KML nor GPX: save the map as one of them");
        }
    }

    private void begin(String name) throws XMLStreamException, MapFileException {
        switch (name) {
            case "Placemark", "trk", "rte" -> {
                meter.take(Meter.SHAPE);
                properties = new LinkedHashMap<>();
                line = new ArrayList<>();
            }
            case "wpt" -> {
                meter.take(Meter.SHAPE);
                properties = new LinkedHashMap<>();
                beginPoint();
            }
            case "trkpt", "rtept" -> beginPoint();
            case "trkseg" -> line = new ArrayList<>();
            case "name", "desc", "description", "sym", "type", "cmt" -> {
                if (point == null || !properties.containsKey(name)) {
                    String text = text();
                    meter.property(name, text);
                    properties.putIfAbsent(name, text);
                }
            }
            case "SimpleData", "Data" -> field = xml.getAttributeValue(null, "name");
            case "value" -> put(text());
            case "Point" -> kind = MapFile.Shape.Kind.POINT;
            case "LineString" -> kind = MapFile.Shape.Kind.LINE;
            case "Polygon" -> {
                kind = MapFile.Shape.Kind.AREA;
                rings = new ArrayList<>();
            }
            case "coordinates" -> coordinates();
            case "time" -> time(text());
            default -> {
                if (point != null && name.toLowerCase(Locale.ROOT).contains("depth")) {
                    depth(name, text());
                }
            }
        }
        if (name.equals("SimpleData")) {
            put(text());
        }
    }

    /** The text of an element, not of what stands in it. */
    private String text() throws XMLStreamException, MapFileException {
        StringBuilder text = new StringBuilder();
        pieces(piece -> {
            if (text.length() + piece.length() > LONGEST_TEXT) {
                throw new MapFileException("line " + xml.getLocation().getLineNumber() + " has a text of more than "
                        + LONGEST_TEXT + " characters: shorten it");
            }
            text.append(piece);
        });
        return text.toString().strip();
    }

    private interface Piece {

        void take(String text) throws MapFileException;
    }

    /** The text of an element as it comes in, in pieces. */
    private void pieces(Piece piece) throws XMLStreamException, MapFileException {
        for (int depth = 1; depth > 0; ) {
            switch (xml.next()) {
                case XMLStreamConstants.START_ELEMENT -> depth++;
                case XMLStreamConstants.END_ELEMENT -> depth--;
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> piece.take(xml.getText());
                default -> {}
            }
        }
    }

    private void put(String text) throws MapFileException {
        if (field != null) {
            meter.property(field, text);
            properties.put(field, text);
        }
    }

    private void beginPoint() throws MapFileException {
        meter.places(1);
        try {
            point = new Position(
                    Double.parseDouble(xml.getAttributeValue(null, "lat")),
                    Double.parseDouble(xml.getAttributeValue(null, "lon")));
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new MapFileException("line " + xml.getLocation().getLineNumber()
                    + " has no lat and lon in degrees: save the file again");
        }
        depth = null;
        time = null;
    }

    private void time(String text) {
        try {
            time = OffsetDateTime.parse(text).toInstant();
        } catch (DateTimeException e) {
            time = null;
        }
    }

    private void depth(String name, String text) {
        try {
            depth = Double.parseDouble(text);
            unit = name.toLowerCase(Locale.ROOT).endsWith("ft") ? MapFile.Unit.FEET : unit;
        } catch (NumberFormatException e) {
            depth = null;
        }
    }

    private void end(String name) {
        switch (name) {
            case "wpt" -> {
                if (point != null) {
                    shapes.add(new MapFile.Shape(MapFile.Shape.Kind.POINT, List.of(List.of(point)), properties));
                    endPoint();
                }
            }
            case "trkpt", "rtept" -> {
                if (point != null) {
                    line.add(point);
                    endPoint();
                }
            }
            case "trkseg", "rte" -> {
                if (line.size() > 1) {
                    shapes.add(new MapFile.Shape(MapFile.Shape.Kind.LINE, List.of(line), properties));
                }
                line = new ArrayList<>();
            }
            case "Polygon" -> shapes.add(new MapFile.Shape(MapFile.Shape.Kind.AREA, rings, properties));
            case "SimpleData", "Data" -> field = null;
            default -> {}
        }
    }

    private void endPoint() {
        if (depth != null && point != null) {
            readings.add(new MapFile.Reading(point, depth, time));
        }
        point = null;
    }

    private void coordinates() throws XMLStreamException, MapFileException {
        List<Position> places = new ArrayList<>();
        StringBuilder rest = new StringBuilder();
        pieces(piece -> {
            rest.append(piece);
            int from = 0;
            for (int at = 0; at < rest.length(); at++) {
                if (Character.isWhitespace(rest.charAt(at))) {
                    place(rest.substring(from, at), places);
                    from = at + 1;
                }
            }
            rest.delete(0, from);
            if (rest.length() > LONGEST_PLACE) {
                place(rest.substring(0, LONGEST_PLACE), places);
            }
        });
        place(rest.toString(), places);
        if (kind == MapFile.Shape.Kind.AREA) {
            rings.add(places);
        } else {
            meter.take(Meter.SHAPE);
            shapes.add(new MapFile.Shape(kind, List.of(places), properties));
        }
    }

    private void place(String place, List<Position> places) throws MapFileException {
        if (place.isEmpty()) {
            return;
        }
        meter.places(1);
        String[] numbers = place.split(",", 4);
        try {
            places.add(new Position(Double.parseDouble(numbers[1]), Double.parseDouble(numbers[0])));
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new MapFileException("line " + xml.getLocation().getLineNumber() + " has “" + place
                    + "”: expected longitude,latitude in degrees");
        }
    }
}
