package lochan.eventformat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Function;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The lake as GeoJSON (RFC 7946) in the event file, and back. */
final class LakeJson {

    private static final double MOST_MPS = 100;
    private static final int LONGEST_NAME = 80;

    private LakeJson() {}

    /** The lake of a file; null when it has none. */
    static @Nullable Lake read(JsonFields root) {
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
        Lake lake = new Lake(
                bodies, features(f, "slowZones", LakeJson::slowZone), features(f, "offLimits", LakeJson::offLimits));
        f.keepUnknown();
        f.violations(lake.check());
        return lake;
    }

    /** A lake from a geometry, a feature or a collection of features: those with a speed are slow zones, those off limits said so, other polygons water. */
    static Lake fromGeoJson(JsonNode tree, JsonFields.Context context) {
        JsonFields f = new JsonFields(tree, "", "", context);
        Shapes drawn = new Shapes(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        switch (f.text("type")) {
            case "FeatureCollection" -> f.list("features", (feature, i) -> drawn.add(feature));
            case "Feature" -> drawn.add(f);
            default -> drawn.bodies().addAll(bodies(f));
        }
        Lake lake = new Lake(drawn.bodies(), drawn.zones(), drawn.offLimits());
        if (context.problems.isEmpty()) {
            f.violations(lake.check());
        }
        return lake;
    }

    /** What the features of a file were drawn for. */
    private record Shapes(List<Lake.Body> bodies, List<Lake.SlowZone> zones, List<Lake.OffLimits> offLimits) {

        Object add(JsonFields feature) {
            JsonFields properties = feature.object("properties");
            if (properties.has("mps")) {
                return zones.add(slowZone(feature, properties));
            }
            if (Boolean.TRUE.equals(properties.truthOrNull("offLimits"))) {
                return offLimits.add(LakeJson.offLimits(feature, properties));
            }
            return bodies.addAll(areas(feature));
        }
    }

    /** The areas of a collection of features; none when it is not there. */
    private static <T> List<T> features(JsonFields lake, String name, BiFunction<JsonFields, JsonFields, T> read) {
        if (!lake.has(name)) {
            return List.of();
        }
        JsonFields f = lake.object(name);
        expectType(f, "FeatureCollection");
        List<T> areas = f.list("features", (feature, i) -> {
            expectType(feature, "Feature");
            JsonFields properties = feature.object("properties");
            T area = read.apply(feature, properties);
            properties.keepUnknown();
            return area;
        });
        f.keepUnknown();
        return areas;
    }

    private static Lake.SlowZone slowZone(JsonFields feature, JsonFields properties) {
        return new Lake.SlowZone(
                properties.shortTextOrNull("name", LONGEST_NAME),
                properties.number("mps", 0, MOST_MPS),
                areas(feature));
    }

    private static Lake.OffLimits offLimits(JsonFields feature, JsonFields properties) {
        return new Lake.OffLimits(properties.shortTextOrNull("name", LONGEST_NAME), areas(feature));
    }

    private static List<Lake.Body> areas(JsonFields feature) {
        return feature.has("geometry") ? bodies(feature.object("geometry")) : List.of();
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
        if (coordinates == null
                || !coordinates.isArray()
                || (!type.equals("Polygon") && !type.equals("MultiPolygon"))) {
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
        return rings.isEmpty()
                ? new Lake.Body(List.of(), List.of())
                : new Lake.Body(rings.getFirst(), rings.subList(1, rings.size()));
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
        node.set(
                "slowZones",
                features(
                        "/lake/slowZones",
                        lake.slowZones(),
                        Lake.SlowZone::name,
                        Lake.SlowZone::areas,
                        (properties, zone) -> properties.put("mps", zone.mps()),
                        unknown));
        if (!lake.offLimits().isEmpty()) {
            node.set(
                    "offLimits",
                    features(
                            "/lake/offLimits",
                            lake.offLimits(),
                            Lake.OffLimits::name,
                            Lake.OffLimits::areas,
                            (properties, area) -> {},
                            unknown));
        }
        return unknown.apply(node, "/lake");
    }

    private static <T> ObjectNode features(
            String pointer,
            List<T> areas,
            Function<T, String> name,
            Function<T, List<Lake.Body>> geometry,
            BiConsumer<ObjectNode, T> more,
            BiFunction<ObjectNode, String, ObjectNode> unknown) {
        ObjectNode collection = JsonNodeFactory.instance.objectNode().put("type", "FeatureCollection");
        ArrayNode features = collection.putArray("features");
        for (int i = 0; i < areas.size(); i++) {
            String at = pointer + "/features/" + i;
            ObjectNode properties = JsonNodeFactory.instance.objectNode();
            if (name.apply(areas.get(i)) != null) {
                properties.put("name", name.apply(areas.get(i)));
            }
            more.accept(properties, areas.get(i));
            ObjectNode feature = JsonNodeFactory.instance.objectNode().put("type", "Feature");
            feature.set("properties", unknown.apply(properties, at + "/properties"));
            feature.set("geometry", unknown.apply(geometry(geometry.apply(areas.get(i))), at + "/geometry"));
            features.add(unknown.apply(feature, at));
        }
        return unknown.apply(collection, pointer);
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
            ring.addArray()
                    .add(positions.getFirst().lon())
                    .add(positions.getFirst().lat());
        }
        return ring;
    }
}
