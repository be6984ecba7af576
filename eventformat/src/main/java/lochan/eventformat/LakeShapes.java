package lochan.eventformat;

import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The shapes of a lake as pages draw them and phones take them along: rings and lines as latitude, longitude, latitude, longitude …. */
public final class LakeShapes {

    private LakeShapes() {}

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
