package lochan.eventformat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Function;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.LakeLevels;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The lake as GeoJSON (RFC 7946) in the event file, and back. */
final class LakeJson {

    private static final double MOST_MPS = 100;
    private static final double HIGHEST_LEVEL_M = 6000;
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
                bodies,
                features(f, "slowZones", LakeJson::slowZone),
                features(f, "offLimits", LakeJson::offLimits),
                features(f, "covers", LakeJson::cover),
                levels(f),
                depthsFile(f));
        f.keepUnknown();
        f.violations(lake.check());
        return lake;
    }

    /** A lake from a geometry, a feature or a collection of features: those with a speed are slow zones, those off limits said so, other polygons water. */
    static Lake fromGeoJson(JsonNode tree, JsonFields.Context context) {
        JsonFields f = new JsonFields(tree, "", "", context);
        Shapes drawn = new Shapes(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        switch (f.text("type")) {
            case "FeatureCollection" -> f.list("features", (feature, i) -> drawn.add(feature));
            case "Feature" -> drawn.add(f);
            default -> drawn.bodies().addAll(bodies(f));
        }
        Lake lake = new Lake(drawn.bodies(), drawn.zones(), drawn.offLimits(), drawn.covers(), levels(f), null);
        if (context.problems.isEmpty()) {
            f.violations(lake.check());
        }
        return lake;
    }

    /** Lists the purposes a file's features are drawn for. */
    private record Shapes(
            List<Lake.Body> bodies, List<Lake.SlowZone> zones, List<Lake.OffLimits> offLimits, List<LakeCover> covers) {

        Object add(JsonFields feature) {
            JsonFields properties = feature.object("properties");
            if (properties.has("mps")) {
                return zones.add(slowZone(feature, properties));
            }
            if (Boolean.TRUE.equals(properties.truthOrNull("offLimits"))) {
                return offLimits.add(LakeJson.offLimits(feature, properties));
            }
            if (properties.has("cover")) {
                return covers.add(cover(feature, properties));
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

    private static LakeLevels levels(JsonFields lake) {
        Double reference = lake.numberOrNull("referenceLevelM", -HIGHEST_LEVEL_M, HIGHEST_LEVEL_M);
        List<LakeLevels.Reading> readings = lake.list(
                "levels",
                (r, i) ->
                        new LakeLevels.Reading(r.date("date"), r.number("levelM", -HIGHEST_LEVEL_M, HIGHEST_LEVEL_M)));
        return new LakeLevels(reference == null ? 0 : reference, readings);
    }

    private static Lake.@Nullable DepthsFile depthsFile(JsonFields lake) {
        if (!lake.has("depths")) {
            return null;
        }
        JsonFields depths = lake.object("depths");
        Lake.DepthsFile file =
                new Lake.DepthsFile(depths.shortText("file", LONGEST_NAME), depths.shortText("sha256", LONGEST_NAME));
        depths.keepUnknown();
        return file;
    }

    private static LakeCover cover(JsonFields feature, JsonFields properties) {
        LakeCover.Kind kind = properties.neededChoice("cover", LakeCover.Kind.class);
        String name = properties.shortTextOrNull("name", LONGEST_NAME);
        List<Lake.Body> areas = new ArrayList<>();
        List<List<Position>> lines = new ArrayList<>();
        if (feature.has("geometry")) {
            JsonFields geometry = feature.object("geometry");
            switch (geometry.text("type")) {
                case "Point" -> lines.addAll(lines(geometry, 0));
                case "LineString" -> lines.addAll(lines(geometry, 1));
                case "MultiPoint" -> lines(geometry, 1).forEach(places -> places.forEach(p -> lines.add(List.of(p))));
                case "MultiLineString" -> lines.addAll(lines(geometry, 2));
                default -> areas.addAll(bodies(geometry));
            }
        }
        return new LakeCover(kind == null ? LakeCover.Kind.TIMBER : kind, name, areas, lines);
    }

    /** @param depth how many arrays lie around a place: 0 a point, 1 a line, 2 lines */
    private static List<List<Position>> lines(JsonFields geometry, int depth) {
        JsonNode coordinates = geometry.raw("coordinates");
        geometry.keepUnknown();
        if (coordinates == null) {
            geometry.problem("coordinates", "missing, expected places");
            return List.of();
        }
        JsonNode all = coordinates;
        for (int i = depth; i < 2; i++) {
            all = JsonNodeFactory.instance.arrayNode().add(all);
        }
        List<List<Position>> lines = new ArrayList<>();
        for (JsonNode line : all) {
            List<Position> places = places(line, geometry, "coordinates");
            if (!places.isEmpty()) {
                lines.add(places);
            }
        }
        return lines;
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
        List<Position> positions = places(ring, f, pointer);
        boolean closed = positions.size() > 1 && positions.getFirst().equals(positions.getLast());
        return closed ? positions.subList(0, positions.size() - 1) : positions;
    }

    private static List<Position> places(JsonNode ring, JsonFields f, String pointer) {
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
        return positions;
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
        if (!lake.covers().isEmpty()) {
            node.set("covers", covers(lake.covers(), unknown));
        }
        levels(node, lake.levels(), unknown);
        if (lake.depthsFile() != null) {
            ObjectNode depths = JsonNodeFactory.instance
                    .objectNode()
                    .put("file", lake.depthsFile().name())
                    .put("sha256", lake.depthsFile().sha256());
            node.set("depths", unknown.apply(depths, "/lake/depths"));
        }
        return unknown.apply(node, "/lake");
    }

    private static void levels(ObjectNode node, LakeLevels levels, BiFunction<ObjectNode, String, ObjectNode> unknown) {
        if (levels.referenceM() != 0) {
            node.put("referenceLevelM", levels.referenceM());
        }
        if (!levels.readings().isEmpty()) {
            ArrayNode readings = node.putArray("levels");
            for (LakeLevels.Reading r : levels.readings()) {
                ObjectNode reading = JsonNodeFactory.instance
                        .objectNode()
                        .put("date", r.date().toString())
                        .put("levelM", r.levelM());
                readings.add(unknown.apply(reading, "/lake/levels/" + readings.size()));
            }
        }
    }

    /** The lake as one collection of features, as maps take it; levels stand beside them. */
    static ObjectNode toGeoJson(Lake lake) {
        BiFunction<ObjectNode, String, ObjectNode> none = (node, pointer) -> node;
        ObjectNode root = JsonNodeFactory.instance.objectNode().put("type", "FeatureCollection");
        ArrayNode features = root.putArray("features");
        ObjectNode outline = features.addObject().put("type", "Feature");
        outline.putObject("properties");
        outline.set("geometry", geometry(lake.bodies()));
        ObjectNode parts = write(lake, none);
        for (String part : List.of("slowZones", "offLimits", "covers")) {
            parts.path(part).path("features").forEach(features::add);
        }
        for (int i = 0; i < lake.offLimits().size(); i++) {
            ObjectNode area = (ObjectNode) features.get(1 + lake.slowZones().size() + i);
            ((ObjectNode) area.get("properties")).put("offLimits", true);
        }
        levels(root, lake.levels(), none);
        return root;
    }

    /** Areas and lines of one cover are two features where it has both. */
    private static ObjectNode covers(List<LakeCover> covers, BiFunction<ObjectNode, String, ObjectNode> unknown) {
        ObjectNode collection = JsonNodeFactory.instance.objectNode().put("type", "FeatureCollection");
        ArrayNode features = collection.putArray("features");
        for (LakeCover c : covers) {
            if (!c.areas().isEmpty()) {
                features.add(cover(c, geometry(c.areas()), features.size(), unknown));
            }
            if (!c.lines().isEmpty()) {
                features.add(cover(c, lines(c.lines()), features.size(), unknown));
            }
        }
        return unknown.apply(collection, "/lake/covers");
    }

    private static ObjectNode cover(
            LakeCover cover, ObjectNode geometry, int i, BiFunction<ObjectNode, String, ObjectNode> unknown) {
        String at = "/lake/covers/features/" + i;
        ObjectNode properties =
                JsonNodeFactory.instance.objectNode().put("cover", cover.kind().code());
        if (cover.name() != null) {
            properties.put("name", cover.name());
        }
        ObjectNode feature = JsonNodeFactory.instance.objectNode().put("type", "Feature");
        feature.set("properties", unknown.apply(properties, at + "/properties"));
        feature.set("geometry", unknown.apply(geometry, at + "/geometry"));
        return unknown.apply(feature, at);
    }

    private static ObjectNode lines(List<List<Position>> lines) {
        boolean single = lines.stream().allMatch(l -> l.size() == 1);
        ObjectNode node = JsonNodeFactory.instance.objectNode().put("type", single ? "MultiPoint" : "MultiLineString");
        ArrayNode coordinates = node.putArray("coordinates");
        for (List<Position> line : lines) {
            ArrayNode places = single ? coordinates : coordinates.addArray();
            line.forEach(p -> places.addArray().add(p.lon()).add(p.lat()));
        }
        return node;
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
