package lochan.eventformat;

import java.io.InputStream;
import lochan.core.lake.Lake;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A lake as text: the member {@code lake} of an event file, without what it does not know. */
public final class LakeText {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private LakeText() {}

    public static String of(Lake lake) {
        ObjectNode root = JSON.createObjectNode();
        root.set("lake", LakeJson.write(lake, (node, pointer) -> node));
        return root.toString();
    }

    /** A lake as GeoJSON for other maps, which {@link #fromGeoJson} reads. */
    public static String toGeoJson(Lake lake) {
        return LakeJson.toGeoJson(lake).toString();
    }

    /**
     * A lake from GeoJSON as maps export it: polygons are water, features with a property {@code mps} are slow zones.
     *
     * @throws EventFileException with everything wrong in it
     */
    public static Lake fromGeoJson(InputStream in) throws EventFileException {
        JsonFields.Context context = new JsonFields.Context();
        JsonNode tree = JsonLimits.read(in);
        Lake lake = LakeJson.fromGeoJson(tree, context);
        if (!context.problems.isEmpty()) {
            throw new EventFileException(context.problems);
        }
        return lake;
    }

    /** @throws IllegalArgumentException when the text is not one that {@link #of} made */
    public static @Nullable Lake read(String text) {
        JsonNode tree = JSON.readTree(text);
        JsonFields.Context context = new JsonFields.Context();
        Lake lake = LakeJson.read(new JsonFields(tree, "", "", context));
        if (!context.problems.isEmpty()) {
            throw new IllegalArgumentException(context.problems.getFirst().toString());
        }
        return lake;
    }
}
