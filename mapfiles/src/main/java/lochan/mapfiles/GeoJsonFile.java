package lochan.mapfiles;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import lochan.eventformat.EventFileException;
import lochan.eventformat.JsonLimits;
import tools.jackson.databind.JsonNode;

/** GeoJSON (RFC 7946) as a drawing. */
final class GeoJsonFile {

    private final List<MapFile.Shape> shapes = new ArrayList<>();
    private final Meter meter = new Meter();

    private GeoJsonFile() {}

    static MapFile read(Source file) throws MapFileException {
        try (InputStream in = file.open()) {
            GeoJsonFile drawing = new GeoJsonFile();
            drawing.feature(JsonLimits.read(in), "");
            return new MapFile.Drawing("GeoJSON", Projection.DEGREES.name(), drawing.shapes);
        } catch (IOException e) {
            throw MapFiles.gone();
        } catch (EventFileException e) {
            throw new MapFileException("the GeoJSON " + e.problems().getFirst().toString());
        }
    }

    private void feature(JsonNode node, String pointer) throws MapFileException {
        switch (node.path("type").asString("")) {
            case "FeatureCollection" -> {
                for (int i = 0; i < node.path("features").size(); i++) {
                    feature(node.path("features").get(i), pointer + "/features/" + i);
                }
            }
            case "Feature" ->
                geometry(node.path("geometry"), properties(node.path("properties")), pointer + "/geometry");
            default -> geometry(node, Map.of(), pointer);
        }
    }

    private static Map<String, String> properties(JsonNode node) {
        Map<String, String> properties = new LinkedHashMap<>();
        node.properties().forEach(p -> {
            if (p.getValue().isValueNode() && !p.getValue().isNull()) {
                properties.put(p.getKey(), p.getValue().asString());
            }
        });
        return properties;
    }

    private void geometry(JsonNode node, Map<String, String> properties, String pointer) throws MapFileException {
        JsonNode coordinates = node.path("coordinates");
        String at = pointer + "/coordinates";
        String type = node.path("type").asString("");
        switch (type) {
            case "Point" -> {
                Map<String, String> own = new LinkedHashMap<>(properties);
                if (coordinates.size() > 2) {
                    own.putIfAbsent("z", coordinates.get(2).asString());
                }
                add(MapFile.Shape.Kind.POINT, List.of(List.of(place(coordinates, at))), own);
            }
            case "MultiPoint" -> add(MapFile.Shape.Kind.POINT, List.of(places(coordinates, at)), properties);
            case "LineString" -> add(MapFile.Shape.Kind.LINE, List.of(places(coordinates, at)), properties);
            case "MultiLineString" -> add(MapFile.Shape.Kind.LINE, parts(coordinates, at), properties);
            case "Polygon" -> add(MapFile.Shape.Kind.AREA, parts(coordinates, at), properties);
            case "MultiPolygon" -> {
                for (int i = 0; i < coordinates.size(); i++) {
                    add(MapFile.Shape.Kind.AREA, parts(coordinates.get(i), at + "/" + i), properties);
                }
            }
            case "GeometryCollection" -> {
                for (int i = 0; i < node.path("geometries").size(); i++) {
                    geometry(node.path("geometries").get(i), properties, pointer + "/geometries/" + i);
                }
            }
            default -> {
                if (!node.isNull() && !node.isMissingNode()) {
                    throw new MapFileException("the GeoJSON has “" + type + "” at " + pointer
                            + ": expected points, lines, polygons, features or a collection of them");
                }
            }
        }
    }

    private void add(MapFile.Shape.Kind kind, List<List<Position>> parts, Map<String, String> properties)
            throws MapFileException {
        meter.take(Meter.SHAPE);
        for (Map.Entry<String, String> p : properties.entrySet()) {
            meter.property(p.getKey(), p.getValue());
        }
        shapes.add(new MapFile.Shape(kind, parts, properties));
    }

    private List<List<Position>> parts(JsonNode lines, String pointer) throws MapFileException {
        List<List<Position>> parts = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            parts.add(places(lines.get(i), pointer + "/" + i));
        }
        return parts;
    }

    private List<Position> places(JsonNode line, String pointer) throws MapFileException {
        meter.take(Meter.SHAPE);
        meter.places(line.size());
        List<Position> places = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            places.add(place(line.get(i), pointer + "/" + i));
        }
        return places;
    }

    private static Position place(JsonNode p, String pointer) throws MapFileException {
        double lon = p.path(0).asDouble(Double.NaN);
        double lat = p.path(1).asDouble(Double.NaN);
        if (!(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180)) {
            throw new MapFileException("the GeoJSON has " + p + " at " + pointer
                    + ": expected [longitude, latitude] in degrees; save it in EPSG:4326");
        }
        return new Position(lat, lon);
    }
}
