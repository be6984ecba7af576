package lochan.web.eventfile;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import lochan.core.event.Position;
import lochan.core.water.Lake;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The lake as GeoJSON (RFC 7946) in the event file, and back. */
final class LakeJson {

    private static final double MOST_MPS = 100;

    private LakeJson() { }

    /** The lake of a file; null when it has none. */
    static Lake read(JsonFields root) {
        boolean given = root.has("lake");
        JsonFields f = root.object("lake");
        if (!given) {
            return null;
        }
        if (!f.has("outline")) {
            f.object("outline");
            f.problem("outline", "missing, expected a GeoJSON Polygon or MultiPolygon");
        }
        List<Lake.Body> bodies = f.has("outline") ? bodies(f.object("outline")) : List.of();
        List<Lake.SlowZone> zones = f.has("slowZones") ? zones(f.object("slowZones")) : List.of();
        f.raw("slowZones");
        f.keepUnknown();
        Lake lake = new Lake(bodies, zones);
        f.violations(lake.check());
        return lake;
    }

    /** A lake from a geometry, a feature or a collection of features: those with a speed are slow zones, other polygons water. */
    static Lake fromGeoJson(JsonNode tree, JsonFields.Context context) {
        JsonFields f = new JsonFields(tree, "", "", context);
        List<Lake.Body> bodies = new ArrayList<>();
        List<Lake.SlowZone> zones = new ArrayList<>();
        switch (f.text("type")) {
            case "FeatureCollection" -> f.list("features", (feature, i) -> addFeature(feature, bodies, zones));
            case "Feature" -> addFeature(f, bodies, zones);
            default -> bodies.addAll(bodies(f));
        }
        Lake lake = new Lake(bodies, zones);
        if (context.problems.isEmpty()) {
            f.violations(lake.check());
        }
        return lake;
    }

    private static Object addFeature(JsonFields feature, List<Lake.Body> bodies, List<Lake.SlowZone> zones) {
        JsonFields properties = feature.object("properties");
        List<Lake.Body> areas = bodies(feature.object("geometry"));
        if (properties.has("mps")) {
            zones.add(new Lake.SlowZone(properties.shortText("name", 80), properties.number("mps", 0, MOST_MPS), areas));
        } else {
            bodies.addAll(areas);
        }
        return areas;
    }

    private static List<Lake.SlowZone> zones(JsonFields f) {
        expectType(f, "FeatureCollection");
        List<Lake.SlowZone> zones = f.list("features", (feature, i) -> {
            expectType(feature, "Feature");
            JsonFields properties = feature.object("properties");
            Lake.SlowZone zone = new Lake.SlowZone(properties.shortText("name", 80), properties.number("mps", 0, MOST_MPS),
                    feature.has("geometry") ? bodies(feature.object("geometry")) : List.of());
            feature.raw("geometry");
            properties.keepUnknown();
            return zone;
        });
        f.keepUnknown();
        return zones;
    }

    private static void expectType(JsonFields f, String type) {
        if (!type.equals(f.text("type"))) {
            f.problem("type", "expected \"" + type + "\"");
        }
    }

    private static List<Lake.Body> bodies(JsonFields f) {
        String type = f.text("type");
        JsonNode coordinates = f.raw("coordinates");
        f.keepUnknown();
        if (coordinates == null || !coordinates.isArray() || !type.equals("Polygon") && !type.equals("MultiPolygon")) {
            f.problem("", "found type \"" + type + "\", expected a GeoJSON Polygon or MultiPolygon with coordinates");
            return List.of();
        }
        List<Lake.Body> bodies = new ArrayList<>();
        if (type.equals("Polygon")) {
            bodies.add(body(coordinates, f, "coordinates"));
        } else {
            for (int i = 0; i < coordinates.size(); i++) {
                bodies.add(body(coordinates.get(i), f, "coordinates/" + i));
            }
        }
        return bodies;
    }

    private static Lake.Body body(JsonNode polygon, JsonFields f, String pointer) {
        List<List<Position>> rings = new ArrayList<>();
        for (int i = 0; i < polygon.size(); i++) {
            rings.add(ring(polygon.get(i), f, pointer + "/" + i));
        }
        return rings.isEmpty() ? new Lake.Body(List.of(), List.of()) : new Lake.Body(rings.getFirst(), rings.subList(1, rings.size()));
    }

    private static List<Position> ring(JsonNode ring, JsonFields f, String pointer) {
        List<Position> positions = new ArrayList<>();
        for (int i = 0; i < ring.size(); i++) {
            JsonNode p = ring.get(i);
            double lon = p.path(0).asDouble(Double.NaN);
            double lat = p.path(1).asDouble(Double.NaN);
            if (!(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180)) {
                f.problem(pointer + "/" + i, "found " + p + ", expected [longitude, latitude] in degrees");
                return List.of();
            }
            positions.add(new Position(lat, lon));
        }
        boolean closed = positions.size() > 1 && positions.getFirst().equals(positions.getLast());
        return closed ? positions.subList(0, positions.size() - 1) : positions;
    }

    /**
     * The member {@code lake}.
     *
     * @param unknown adds to each object, by its pointer, the fields that were kept for it
     */
    static ObjectNode write(Lake lake, BiFunction<ObjectNode, String, ObjectNode> unknown) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        node.set("outline", unknown.apply(geometry(lake.bodies()), "/lake/outline"));
        ObjectNode zones = JsonNodeFactory.instance.objectNode().put("type", "FeatureCollection");
        ArrayNode features = zones.putArray("features");
        for (int i = 0; i < lake.slowZones().size(); i++) {
            Lake.SlowZone zone = lake.slowZones().get(i);
            String pointer = "/lake/slowZones/features/" + i;
            ObjectNode properties = JsonNodeFactory.instance.objectNode();
            if (zone.name() != null) {
                properties.put("name", zone.name());
            }
            properties.put("mps", zone.mps());
            ObjectNode feature = features.addObject().put("type", "Feature");
            feature.set("properties", unknown.apply(properties, pointer + "/properties"));
            feature.set("geometry", unknown.apply(geometry(zone.areas()), pointer + "/geometry"));
            unknown.apply(feature, pointer);
        }
        node.set("slowZones", unknown.apply(zones, "/lake/slowZones"));
        return unknown.apply(node, "/lake");
    }

    private static ObjectNode geometry(List<Lake.Body> bodies) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        if (bodies.size() == 1) {
            node.put("type", "Polygon").set("coordinates", polygon(bodies.getFirst()));
            return node;
        }
        ArrayNode polygons = node.put("type", "MultiPolygon").putArray("coordinates");
        bodies.forEach(b -> polygons.add(polygon(b)));
        return node;
    }

    private static ArrayNode polygon(Lake.Body body) {
        ArrayNode polygon = JsonNodeFactory.instance.arrayNode();
        polygon.add(ring(body.shore()));
        body.islands().forEach(i -> polygon.add(ring(i)));
        return polygon;
    }

    private static ArrayNode ring(List<Position> positions) {
        ArrayNode ring = JsonNodeFactory.instance.arrayNode();
        positions.forEach(p -> ring.addArray().add(p.lon()).add(p.lat()));
        if (!positions.isEmpty()) {
            ring.addArray().add(positions.getFirst().lon()).add(positions.getFirst().lat());
        }
        return ring;
    }
}
