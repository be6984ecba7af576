package lochan.eventformat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lochan.core.Lookup;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/** Event files of version 1 and what is left of them elsewhere, with the names that version 2 has for the same things. */
public final class Version1 {

    static final int NUMBER = 1;

    private static final Map<String, String> FISH_POSITIONS =
            Map.of("on top", "on-top", "off the edge", "off-edge", "on bottom", "on-bottom");
    private static final Map<String, String> ENTRY_TYPES = Map.of("strike", "bite", "well-water", "livewell");
    private static final Map<String, String> REACTIONS = Map.of("struck", "bit");
    /** Fields that have another name now. */
    private static final Map<String, String> NAMES = Map.of(
            "placeClass", "type",
            "marks", "waypoints",
            "holding", "position",
            "settleMinutes", "setUpMinutes",
            "mostWindMps", "maxWindMps",
            "struck", "takenOn",
            "strikes", "bites",
            "lineHours", "anglerHours",
            "leanings", "priors");
    /** Which of them stand below which part of the file. */
    private static final Map<String, List<String>> RENAMED = Map.of(
            "spots", List.of("placeClass"),
            "waypoints", List.of("marks", "holding"),
            "boat", List.of("settleMinutes", "mostWindMps"),
            "stops", List.of("struck"),
            "notebook", List.of("mostWindMps", "strikes", "lineHours", "leanings"));

    private Version1() {}

    /** Renames in place what version 2 calls otherwise; what is not understood stays for the reader to refuse or keep. */
    static void upgrade(ObjectNode file) {
        file.put("lochan", EventFileReader.VERSION);
        each(file, "spots", spot -> rename(spot, "placeClass"));
        rename(file, "marks");
        each(file, "waypoints", waypoint -> {
            rename(waypoint, "holding");
            value(waypoint, "position", FISH_POSITIONS);
        });
        if (file.get("boat") instanceof ObjectNode boat) {
            Lookup.of(RENAMED, "boat").forEach(name -> rename(boat, name));
            if (boat.get("entered") instanceof ObjectNode entered) {
                Lookup.of(RENAMED, "boat").forEach(name -> rename(entered, name));
            }
        }
        each(file, "stops", stop -> each(stop, "bites", bite -> rename(bite, "struck")));
        each(file, "competition", Version1::entry);
        if (file.get("notebook") instanceof ObjectNode notebook) {
            notebook(notebook);
        }
    }

    /** An entry of the competition log from any phone: phones that were away for long still send the old types. */
    public static void entry(ObjectNode entry) {
        value(entry, "type", ENTRY_TYPES);
    }

    private static void notebook(ObjectNode notebook) {
        each(notebook, "fish", fish -> {
            rename(fish, "mostWindMps");
            if (fish.get("entered") instanceof ObjectNode entered) {
                rename(entered, "mostWindMps");
            }
            each(fish, "tries", attempt -> value(attempt, "reaction", REACTIONS));
        });
        each(notebook, "trials", trial -> each(trial, "rounds", round -> rename(round, "strikes")));
        each(notebook, "carried", carried -> {
            rename(carried, "strikes");
            rename(carried, "lineHours");
        });
        rename(notebook, "leanings");
    }

    /** Where a pointer of the upgraded file stands in the file that was given, so that a message names what its writer finds there. */
    static String pointerInFile(String pointer) {
        List<String> parts = Arrays.asList(pointer.split("/"));
        String root = parts.size() > 1 ? parts.get(1) : "";
        Map<String, String> old =
                RENAMED.getOrDefault(root, List.of()).stream().collect(Collectors.toMap(NAMES::get, name -> name));
        return parts.stream().map(p -> old.getOrDefault(p, p)).collect(Collectors.joining("/"));
    }

    private static void each(ObjectNode parent, String list, java.util.function.Consumer<ObjectNode> change) {
        JsonNode items = parent.get(list);
        if (items != null && items.isArray()) {
            items.forEach(item -> {
                if (item instanceof ObjectNode object) {
                    change.accept(object);
                }
            });
        }
    }

    private static void rename(ObjectNode node, String name) {
        if (node.has(name)) {
            node.set(NAMES.get(name), node.remove(name));
        }
    }

    private static void value(ObjectNode node, String name, Map<String, String> renamed) {
        if (node.get(name) instanceof StringNode text && renamed.containsKey(text.asString())) {
            node.put(name, renamed.get(text.asString()));
        }
    }
}
