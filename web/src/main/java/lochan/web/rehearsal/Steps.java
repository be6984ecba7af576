package lochan.web.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.model.rate.Cell;
import lochan.core.rehearsal.Step;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Steps of a rehearsal as they are sent and kept: {@code {"what": "go", "spot", "presentation"}}, {@code fish} and {@code wait} with minutes, {@code ashore} with a shelter, {@code home}. */
final class Steps {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int LONGEST_MINUTES = 120;

    private Steps() {}

    /** Empty: it is none. */
    static Optional<Step> read(JsonNode sent) {
        int minutes = sent.path("minutes").asInt(0);
        boolean lasts = minutes >= 1 && minutes <= LONGEST_MINUTES;
        return Optional.ofNullable(
                switch (sent.path("what").asString("")) {
                    case "go" ->
                        new Step.Go(new Cell(
                                sent.path("spot").asString(""),
                                sent.path("presentation").asString("")));
                    case "fish" -> lasts ? new Step.Fish(minutes) : null;
                    case "wait" -> lasts ? new Step.Wait(minutes) : null;
                    case "ashore" -> new Step.Ashore(sent.path("shelter").asString(""));
                    case "home" -> new Step.Home();
                    default -> null;
                });
    }

    private static ObjectNode node(Step step) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        return switch (step) {
            case Step.Go g ->
                node.put("what", "go")
                        .put("spot", g.cell().spotId())
                        .put("presentation", g.cell().presentationId());
            case Step.Fish f -> node.put("what", "fish").put("minutes", f.minutes());
            case Step.Wait w -> node.put("what", "wait").put("minutes", w.minutes());
            case Step.Ashore a -> node.put("what", "ashore").put("shelter", a.shelter());
            case Step.Home h -> node.put("what", "home");
        };
    }

    static String text(List<Step> steps) {
        ArrayNode list = JsonNodeFactory.instance.arrayNode();
        steps.forEach(s -> list.add(node(s)));
        return list.toString();
    }

    static List<Step> list(String text) {
        List<Step> steps = new ArrayList<>();
        JSON.readTree(text).forEach(n -> steps.add(read(n).orElseThrow()));
        return steps;
    }
}
