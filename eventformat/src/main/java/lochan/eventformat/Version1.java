package lochan.eventformat;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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
    private static final Map<String, String> BOAT =
            Map.of("settleMinutes", "setUpMinutes", "mostWindMps", "maxWindMps");

    private Version1() {}

    /** Renames in place what version 2 calls otherwise; what is not understood stays for the reader to refuse or keep. */
    static void upgrade(ObjectNode file) {
        file.put("lochan", EventFileReader.VERSION);
        each(file, "spots", spot -> rename(spot, "placeClass", "type"));
        rename(file, "marks", "waypoints");
        each(file, "waypoints", waypoint -> {
            rename(waypoint, "holding", "position");
            value(waypoint, "position", FISH_POSITIONS);
        });
        if (file.get("boat") instanceof ObjectNode boat) {
            BOAT.forEach((from, to) -> rename(boat, from, to));
            if (boat.get("entered") instanceof ObjectNode entered) {
                BOAT.forEach((from, to) -> rename(entered, from, to));
            }
        }
        each(file, "stops", stop -> each(stop, "bites", bite -> rename(bite, "struck", "takenOn")));
        each(file, "competition", Version1::entry);
        if (file.get("notebook") instanceof ObjectNode notebook) {
            notebook(notebook);
        }
    }

    /** An entry of the competition log, whoever wrote it: phones that were away for long still send the old types. */
    public static void entry(ObjectNode entry) {
        value(entry, "type", ENTRY_TYPES);
    }

    private static void notebook(ObjectNode notebook) {
        each(notebook, "fish", fish -> {
            rename(fish, "mostWindMps", "maxWindMps");
            if (fish.get("entered") instanceof ObjectNode entered) {
                rename(entered, "mostWindMps", "maxWindMps");
            }
            each(fish, "tries", attempt -> value(attempt, "reaction", REACTIONS));
        });
        each(notebook, "trials", trial -> each(trial, "rounds", round -> rename(round, "strikes", "bites")));
        each(notebook, "carried", carried -> {
            rename(carried, "strikes", "bites");
            rename(carried, "lineHours", "anglerHours");
        });
        rename(notebook, "leanings", "priors");
    }

    /** Where a pointer of the upgraded file stands in the file that was given, so that a message names what its writer finds there. */
    static String pointerInFile(String pointer) {
        List<String> parts = Arrays.asList(pointer.split("/"));
        String root = parts.size() > 1 ? parts.get(1) : "";
        Map<String, String> old = new LinkedHashMap<>();
        switch (root) {
            case "spots" -> old.put("type", "placeClass");
            case "waypoints" -> {
                old.put("waypoints", "marks");
                old.put("position", "holding");
            }
            case "boat" -> BOAT.forEach((from, to) -> old.put(to, from));
            case "stops" -> old.put("takenOn", "struck");
            case "notebook" ->
                old.putAll(Map.of(
                        "maxWindMps",
                        "mostWindMps",
                        "bites",
                        "strikes",
                        "anglerHours",
                        "lineHours",
                        "priors",
                        "leanings"));
            default -> {}
        }
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

    private static void rename(ObjectNode node, String from, String to) {
        if (node.has(from)) {
            node.set(to, node.remove(from));
        }
    }

    private static void value(ObjectNode node, String name, Map<String, String> renamed) {
        if (node.get(name) instanceof StringNode text && renamed.containsKey(text.asString())) {
            node.put(name, renamed.get(text.asString()));
        }
    }
}
