package lochan.eventformat;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.lake.structure.ContourGrid;
import lochan.eventformat.EventFileException.Problem;
import tools.jackson.databind.JsonNode;

/** Lines of one depth from GeoJSON: lines or rings, each with its depth as a property. */
public final class ContourText {

    private static final double DEEPEST_M = 2000;
    private static final double METRES_PER_FOOT = 0.3048;
    private static final int MOST_PLACES = 300_000;
    private static final int MOST_PROBLEMS = 100;

    private final double metresPerUnit;
    private final List<ContourGrid.Line> lines = new ArrayList<>();
    private final List<Problem> problems = new ArrayList<>();
    private int places;

    private ContourText(double metresPerUnit) {
        this.metresPerUnit = metresPerUnit;
    }

    /**
     * @param metresPerUnit of a depth whose name does not tell its unit
     * @throws EventFileException with what is wrong in it
     */
    public static List<ContourGrid.Line> read(InputStream in, double metresPerUnit) throws EventFileException {
        ContourText text = new ContourText(metresPerUnit);
        text.read(JsonLimits.read(in));
        if (text.problems.isEmpty() && text.lines.isEmpty()) {
            text.problem(
                    "",
                    "has no line with a depth: expected features with a property \"depthM\", \"depthFt\" or \"depth\"");
        }
        if (!text.problems.isEmpty()) {
            throw new EventFileException(text.problems);
        }
        return List.copyOf(text.lines);
    }

    private void problem(String pointer, String message) {
        if (problems.size() < MOST_PROBLEMS) {
            problems.add(new Problem(pointer, message));
        }
    }

    private void read(JsonNode tree) {
        if (!tree.path("type").asString("").equals("FeatureCollection")
                || !tree.path("features").isArray()) {
            problem("/type", "expected a FeatureCollection of lines");
            return;
        }
        for (int i = 0; i < tree.path("features").size(); i++) {
            JsonNode feature = tree.path("features").get(i);
            String pointer = "/features/" + i;
            depth(feature.path("properties"), pointer + "/properties")
                    .ifPresent(d -> geometry(feature.path("geometry"), d, pointer + "/geometry"));
        }
    }

    /** The depth of a feature, m; metres or feet by the name of the property, else in the unit given. A height below the surface counts too. */
    private Optional<Double> depth(JsonNode properties, String pointer) {
        for (Map.Entry<String, JsonNode> p : properties.properties()) {
            Double unit =
                    switch (p.getKey().toLowerCase(Locale.ROOT).replace("_", "")) {
                        case "depthm" -> 1.0;
                        case "depthft" -> METRES_PER_FOOT;
                        case "depth", "contour" -> metresPerUnit;
                        default -> null;
                    };
            if (unit != null) {
                double depth = Math.abs(unit
                        * (p.getValue().isNumber()
                                ? p.getValue().asDouble(Double.NaN)
                                : number(p.getValue().asString(""))));
                if (depth <= DEEPEST_M) {
                    return Optional.of(depth);
                }
                problem(pointer + "/" + p.getKey(), "found " + p.getValue() + ", expected a depth of at most 2000 m");
                return Optional.empty();
            }
        }
        problem(pointer, "has no depth, expected a property \"depthM\", \"depthFt\" or \"depth\"");
        return Optional.empty();
    }

    private static double number(String text) {
        try {
            return Double.parseDouble(text.strip());
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    private void geometry(JsonNode geometry, double depth, String pointer) {
        JsonNode coordinates = geometry.path("coordinates");
        switch (geometry.path("type").asString("")) {
            case "LineString" -> line(coordinates, depth, pointer + "/coordinates");
            case "MultiLineString", "Polygon" ->
                each(coordinates, pointer + "/coordinates", (c, p) -> line(c, depth, p));
            case "MultiPolygon" ->
                each(
                        coordinates,
                        pointer + "/coordinates",
                        (polygon, at) -> each(polygon, at, (c, p) -> line(c, depth, p)));
            default ->
                problem(
                        pointer,
                        "found type \"" + geometry.path("type").asString("")
                                + "\", expected LineString, MultiLineString, Polygon or MultiPolygon");
        }
    }

    private interface Part {
        void read(JsonNode node, String pointer);
    }

    private static void each(JsonNode nodes, String pointer, Part part) {
        for (int i = 0; i < nodes.size(); i++) {
            part.read(nodes.get(i), pointer + "/" + i);
        }
    }

    private void line(JsonNode coordinates, double depth, String pointer) {
        places += coordinates.size();
        if (places > MOST_PLACES) {
            problem(pointer, "the lines have more than " + MOST_PLACES + " places: simplify them and export again");
            return;
        }
        List<Position> line = new ArrayList<>(coordinates.size());
        for (int i = 0; i < coordinates.size(); i++) {
            double lon = coordinates.get(i).path(0).asDouble(Double.NaN);
            double lat = coordinates.get(i).path(1).asDouble(Double.NaN);
            if (!(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180)) {
                problem(
                        pointer + "/" + i,
                        "found " + coordinates.get(i) + ", expected [longitude, latitude] in degrees");
                return;
            }
            line.add(new Position(lat, lon));
        }
        if (line.size() > 1) {
            lines.add(new ContourGrid.Line(depth, line));
        }
    }
}
