package lochan.eventformat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import lochan.core.Coded;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Hooks;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.BoxItemBuilder;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Family;
import lochan.core.tackle.FishingLine;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Hooking;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureBuilder;
import lochan.core.tackle.LureObservation;
import lochan.core.tackle.Mood;
import lochan.core.tackle.Motion;
import lochan.core.tackle.Power;
import lochan.core.tackle.Retrieve;
import lochan.core.tackle.Rig;
import lochan.core.tackle.Rod;
import lochan.core.tackle.RodAction;
import lochan.core.tackle.RodBuilder;
import lochan.core.tackle.SeasonStage;
import lochan.core.tackle.Tackle;
import lochan.eventformat.EventFileException.Problem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Tackle as an open file: lures' sheets (the catalogue is one such file), rods, the box, what lures were seen to do. SI units. */
public final class TackleFile {

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();
    private static final int LONGEST_NAME = 80;
    private static final double HEAVIEST_G = 1000;
    private static final double DEEPEST_M = 100;
    private static final double STRONGEST_KG = 100;

    private TackleFile() {}

    /**
     * Reads a file whole or refuses it whole.
     *
     * @throws EventFileException with everything wrong in it
     */
    public static Tackle read(InputStream in) throws EventFileException, IOException {
        return read(JsonLimits.read(in));
    }

    /** One sheet as it is kept. */
    public static Lure lure(String json) {
        JsonFields.Context context = new JsonFields.Context();
        Lure lure = lure(new JsonFields(JSON.readTree(json), "", "", context));
        if (lure == null || !context.problems.isEmpty()) {
            throw new IllegalStateException("a kept sheet cannot be read: " + context.problems);
        }
        return lure;
    }

    public static String json(Lure lure) {
        return JSON.writeValueAsString(node(lure));
    }

    private static Tackle read(JsonNode tree) throws EventFileException {
        JsonFields.Context context = new JsonFields.Context();
        JsonFields root = new JsonFields(tree, "", "", context);
        if (tree == null || !tree.isObject() || !root.has("lochanTackle")) {
            throw new EventFileException(
                    List.of(new Problem("/lochanTackle", "missing, expected the version of a tackle file, 1")));
        }
        root.wholeOrNull("lochanTackle", 1, 1);
        List<Lure> lures = root.list("lures", "id", (f, i) -> lure(f));
        List<Rod> rods = root.list("rods", "id", (f, i) -> RodBuilder.builder()
                .id(f.id("id"))
                .name(f.shortText("name", LONGEST_NAME))
                .lengthM(f.number("lengthM", 0.5, 6))
                .power(f.choice("power", Power.class))
                .action(f.choice("action", RodAction.class))
                .turnM(f.numberOrNull("turnM", 0.1, 2))
                .line(line(f))
                .leader(lineOrNull(f, "leader"))
                .inBoat(inBoat(f))
                .entered(f.entered("lengthM"))
                .build());
        List<BoxItem> box = root.list("box", "id", (f, i) -> BoxItemBuilder.builder()
                .id(f.id("id"))
                .kind(f.choice("kind", BoxItem.Kind.class))
                .name(f.shortText("name", LONGEST_NAME))
                .lureId(lureId(f))
                .grams(f.numberOrNull("grams", 0.1, HEAVIEST_G))
                .colour(f.choiceOrNull("colour", ColourFamily.class))
                .line(lineOrNull(f, "line"))
                .count(f.whole("count", 0, 10_000, 1))
                .inBoat(inBoat(f))
                .entered(f.entered("grams"))
                .build());
        List<LureObservation> seen = root.list("observations", "id", (f, i) -> observation(f));
        if (!context.problems.isEmpty()) {
            throw new EventFileException(context.problems);
        }
        return new Tackle(lures, rods, box, seen);
    }

    private static @Nullable String lureId(JsonFields f) {
        String id = f.idOrNull("lure");
        return id == null ? null : Lure.currentId(id);
    }

    private static boolean inBoat(JsonFields f) {
        return !Boolean.FALSE.equals(f.truthOrNull("inBoat"));
    }

    private static FishingLine line(JsonFields parent) {
        FishingLine line = lineOrNull(parent, "line");
        if (line != null) {
            return line;
        }
        parent.problem("line", "missing, expected the line on the reel");
        return new FishingLine(FishingLine.Kind.values()[0], STRONGEST_KG);
    }

    private static @Nullable FishingLine lineOrNull(JsonFields parent, String name) {
        boolean given = parent.has(name);
        JsonFields f = parent.object(name);
        if (!given) {
            return null;
        }
        FishingLine.Kind kind = f.choice("kind", FishingLine.Kind.class);
        FishingLine line = new FishingLine(kind, f.number("strengthKg", 0.1, STRONGEST_KG));
        f.keepUnknown();
        return line;
    }

    private static LureObservation observation(JsonFields f) {
        String id = f.id("id");
        String lure = Lure.currentId(f.id("lure"));
        LureObservation.Saw saw = f.choice("saw", LureObservation.Saw.class);
        double depth = f.number("depthM", 0.1, DEEPEST_M);
        Double seconds = f.numberOrNull("seconds", 0.1, 600);
        if (saw == LureObservation.Saw.FALL && seconds == null) {
            f.problem("seconds", "missing, expected how long it fell");
            seconds = 1.0;
        }
        return new LureObservation(
                id,
                lure,
                saw,
                depth,
                seconds,
                f.numberOrNull("castM", 1, 100),
                f.numberOrNull("grams", 0.1, HEAVIEST_G),
                line(f));
    }

    private static @Nullable Lure lure(JsonFields f) {
        try {
            JsonFields hooks = f.object("hooks");
            Hooking hooking = new Hooking(
                    hooks.choice("kind", Hooks.class),
                    hooks.whole("count", 1, 20, 1),
                    hooks.whole("teasers", 0, 20, 0));
            JsonFields line = f.object("line");
            JsonFields rod = f.object("rod");
            return LureBuilder.builder()
                    .id(Lure.currentId(f.id("id")))
                    .name(f.shortText("name", LONGEST_NAME))
                    .family(f.choice("family", Family.class))
                    .power(Boolean.TRUE.equals(f.truthOrNull("power")))
                    .search(Boolean.TRUE.equals(f.truthOrNull("search")))
                    .hooking(hooking)
                    .depth(range(f, "depthM"))
                    .motion(motion(f.object("motion")))
                    .speedMps(f.number("speedMps", 0, 5))
                    .retrieves(coded(f, "retrieves", Retrieve.class))
                    .sight(f.number("sight", 0, 1))
                    .cover(Set.copyOf(coded(f, "cover", Cover.class)))
                    .temperature(range(f, "temperatureC"))
                    .stages(Set.copyOf(coded(f, "stages", SeasonStage.class)))
                    .moods(Set.copyOf(coded(f, "moods", Mood.class)))
                    .forage(Set.copyOf(coded(f, "forage", Forage.class)))
                    .weights(numbers(f, "weightsG"))
                    .rig(f.has("rig") ? rig(f.object("rig")) : null)
                    .tackle(new Lure.Outfit(
                            coded(line, "kinds", FishingLine.Kind.class),
                            range(line, "strengthKg"),
                            powers(coded(rod, "powers", Power.class)),
                            rod.choice("action", RodAction.class)))
                    .build();
        } catch (IllegalArgumentException e) {
            f.problem("", String.valueOf(e.getMessage()));
            return null;
        }
    }

    private static Rig rig(JsonFields f) {
        return new Rig(
                numbers(f, "lengthsMm"),
                f.choice("hook", Rig.HookStyle.class),
                f.texts("hookSizes"),
                f.choiceOrNull("trailer", Rig.Trailer.class));
    }

    private static Set<Power> powers(List<Power> given) {
        return given.isEmpty() ? Set.of() : EnumSet.copyOf(given);
    }

    private static Motion motion(JsonFields f) {
        String kind = f.text("kind");
        return switch (kind) {
            case "surface" -> new Motion.Surface();
            case "dives" ->
                new Motion.Dives(
                        f.number("depthM", 0.1, DEEPEST_M),
                        f.number("alongM", 0.1, DEEPEST_M),
                        !Boolean.FALSE.equals(f.truthOrNull("floats")));
            case "sinks" -> new Motion.Sinks(f.number("fallMps", 0.01, 10), f.number("holdMps", 0.01, 10));
            default ->
                throw new IllegalArgumentException("motion is \"" + kind + "\", expected one of surface, dives, sinks");
        };
    }

    private static Lure.Range range(JsonFields f, String name) {
        List<Double> ends = numbers(f, name);
        if (ends.size() != 2) {
            throw new IllegalArgumentException(
                    name + " has " + ends.size() + " numbers, expected two, the lower first");
        }
        return new Lure.Range(ends.get(0), ends.get(1));
    }

    private static List<Double> numbers(JsonFields f, String name) {
        JsonNode list = f.raw(name);
        if (list == null || !list.isArray()) {
            throw new IllegalArgumentException(name + " is missing, expected a list of numbers");
        }
        return list.valueStream().map(n -> n.asDouble(Double.NaN)).toList();
    }

    private static <E extends Enum<E> & Coded> List<E> coded(JsonFields f, String name, Class<E> type) {
        Set<String> seen = new HashSet<>();
        return f.texts(name).stream()
                .filter(seen::add)
                .map(t -> Coded.find(type, t)
                        .orElseThrow(() -> new IllegalArgumentException(
                                name + " holds \"" + t + "\", expected some of " + Coded.choices(type))))
                .toList();
    }

    /** Writes a file. */
    public static void write(Tackle tackle, OutputStream out) {
        ObjectNode root = JSON.createObjectNode().put("lochanTackle", 1);
        add(root, "lures", tackle.lures(), TackleFile::node);
        add(root, "rods", tackle.rods(), TackleFile::node);
        add(root, "box", tackle.box(), TackleFile::node);
        add(root, "observations", tackle.observations(), TackleFile::node);
        JSON.writerWithDefaultPrettyPrinter().writeValue(out, root);
    }

    private static <T> void add(ObjectNode root, String name, List<T> values, Function<T, ObjectNode> toNode) {
        ArrayNode list = root.putArray(name);
        values.forEach(v -> list.add(toNode.apply(v)));
    }

    private static ObjectNode node(Rod r) {
        ObjectNode node = JSON.createObjectNode()
                .put("id", r.id())
                .put("name", r.name())
                .put("lengthM", r.lengthM())
                .put("power", r.power().code())
                .put("action", r.action().code())
                .put("turnM", r.turnM());
        node.set("line", node(r.line()));
        if (r.leader() != null) {
            node.set("leader", node(r.leader()));
        }
        node.put("inBoat", r.inBoat());
        EventFileWriter.entered(node, r.entered());
        return node;
    }

    private static ObjectNode node(FishingLine line) {
        return JSON.createObjectNode().put("kind", line.kind().code()).put("strengthKg", line.strengthKg());
    }

    private static ObjectNode node(BoxItem i) {
        ObjectNode node = JSON.createObjectNode()
                .put("id", i.id())
                .put("kind", i.kind().code())
                .put("name", i.name());
        EventFileWriter.optional(node, "lure", i.lureId());
        EventFileWriter.some(node, "grams", i.grams());
        EventFileWriter.some(node, "colour", i.colour());
        if (i.line() != null) {
            node.set("line", node(i.line()));
        }
        node.put("count", i.count()).put("inBoat", i.inBoat());
        EventFileWriter.entered(node, i.entered());
        return node;
    }

    private static ObjectNode node(LureObservation o) {
        ObjectNode node = JSON.createObjectNode()
                .put("id", o.id())
                .put("lure", o.lureId())
                .put("saw", o.saw().code())
                .put("depthM", o.depthM());
        EventFileWriter.some(node, "seconds", o.seconds());
        EventFileWriter.some(node, "castM", o.castM());
        EventFileWriter.some(node, "grams", o.grams());
        node.set("line", node(o.line()));
        return node;
    }

    private static ObjectNode node(Lure l) {
        ObjectNode node = JSON.createObjectNode()
                .put("id", l.id())
                .put("name", l.name())
                .put("family", l.family().code())
                .put("power", l.power())
                .put("search", l.search());
        node.putObject("hooks")
                .put("kind", l.hooking().kind().code())
                .put("count", l.hooking().count())
                .put("teasers", l.hooking().teasers());
        ends(node, "depthM", l.depth());
        node.set(
                "motion",
                switch (l.motion()) {
                    case Motion.Surface s -> JSON.createObjectNode().put("kind", "surface");
                    case Motion.Dives d ->
                        JSON.createObjectNode()
                                .put("kind", "dives")
                                .put("depthM", d.depthM())
                                .put("alongM", d.alongM())
                                .put("floats", d.floats());
                    case Motion.Sinks s ->
                        JSON.createObjectNode()
                                .put("kind", "sinks")
                                .put("fallMps", s.fallMps())
                                .put("holdMps", s.holdMps());
                });
        node.put("speedMps", l.speedMps());
        codes(node, "retrieves", l.retrieves());
        node.put("sight", l.sight());
        codes(node, "cover", l.cover().stream().sorted().toList());
        ends(node, "temperatureC", l.temperature());
        codes(node, "stages", l.stages().stream().sorted().toList());
        codes(node, "moods", l.moods().stream().sorted().toList());
        codes(node, "forage", l.forage().stream().sorted().toList());
        l.weights().forEach(node.putArray("weightsG")::add);
        if (l.rig() != null) {
            ObjectNode rig = node.putObject("rig");
            l.rig().lengthsMm().forEach(rig.putArray("lengthsMm")::add);
            rig.put("hook", l.rig().hook().code());
            l.rig().hookSizes().forEach(rig.putArray("hookSizes")::add);
            EventFileWriter.some(rig, "trailer", l.rig().trailer());
        }
        ObjectNode line = node.putObject("line");
        codes(line, "kinds", l.tackle().lines());
        ends(line, "strengthKg", l.tackle().strengthKg());
        ObjectNode rod = node.putObject("rod");
        codes(rod, "powers", l.tackle().powers().stream().sorted().toList());
        rod.put("action", l.tackle().action().code());
        return node;
    }

    private static void ends(ObjectNode node, String name, Lure.Range range) {
        node.putArray(name).add(range.from()).add(range.to());
    }

    private static void codes(ObjectNode node, String name, List<? extends Coded> values) {
        ArrayNode list = node.putArray(name);
        values.forEach(v -> list.add(v.code()));
    }
}
