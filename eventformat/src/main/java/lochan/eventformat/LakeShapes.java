package lochan.eventformat;

import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The shapes of a lake as pages draw them and phones take them along: rings and lines as latitude, longitude, latitude, longitude …. */
public final class LakeShapes {

    private LakeShapes() {}

    /**
     * What a map is drawn from, but for its depths.
     *
     * @param lake   null: not known
     * @param places that hold the map where there is no lake
     */
    public static ObjectNode sheet(@Nullable Lake lake, List<Position> places, Units.Depth unit) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        if (lake != null) {
            node.set("lake", of(lake, lake.bodies()));
        }
        ArrayNode all = node.putArray("places");
        places.forEach(p -> all.addObject().put("lat", p.lat()).put("lon", p.lon()));
        node.putObject("unit").put("code", unit.code()).put("metres", unit.metres());
        return node;
    }

    /** Where the cells of depths lie. */
    public static ObjectNode depths(DepthGrid grid) {
        return JsonNodeFactory.instance
                .objectNode()
                .put("columns", grid.columns())
                .put("rows", grid.rows())
                .put("west", grid.west())
                .put("north", grid.south() + grid.rows() * grid.cellSize())
                .put("cell", grid.cellSize());
    }

    /** @param water bodies of the lake, perhaps with fewer corners */
    public static ObjectNode of(Lake lake, List<Lake.Body> water) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        water(node, water);
        ArrayNode slow = node.putArray("slow");
        lake.slowZones()
                .forEach(z -> water(slow.addObject().put("name", z.name()).put("mps", z.mps()), z.areas()));
        ArrayNode offLimits = node.putArray("offLimits");
        lake.offLimits().forEach(z -> water(offLimits.addObject().put("name", z.name()), z.areas()));
        ArrayNode covers = node.putArray("covers");
        for (LakeCover c : lake.covers()) {
            ObjectNode cover = covers.addObject().put("kind", c.kind().code()).put("name", c.name());
            water(cover, c.areas());
            ArrayNode lines = cover.putArray("lines");
            c.lines().forEach(line -> places(lines.addArray(), line));
        }
        return node;
    }

    private static void water(ObjectNode to, List<Lake.Body> bodies) {
        ArrayNode water = to.putArray("water");
        for (Lake.Body body : bodies) {
            ArrayNode rings = water.addObject().putArray("rings");
            body.rings().forEach(ring -> places(rings.addArray(), ring));
        }
    }

    private static void places(ArrayNode to, List<Position> places) {
        places.forEach(p -> to.add(p.lat()).add(p.lon()));
    }
}
