package lochan.web.rehearsal;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lochan.offline.json.Fields;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A JSON object read by its fields, as the phone reads what it took along. */
record NodeFields(JsonNode node) implements Fields {

    private <T> @Nullable T value(String name, Function<JsonNode, T> as) {
        return has(name) ? as.apply(node.path(name)) : null;
    }

    @Override
    public boolean has(String name) {
        return node.hasNonNull(name);
    }

    @Override
    public @Nullable String text(String name) {
        return value(name, JsonNode::asString);
    }

    @Override
    public @Nullable Double number(String name) {
        return value(name, JsonNode::asDouble);
    }

    @Override
    public @Nullable Integer whole(String name) {
        return value(name, JsonNode::asInt);
    }

    @Override
    public @Nullable Boolean truth(String name) {
        return value(name, JsonNode::asBoolean);
    }

    @Override
    public @Nullable Instant time(String name) {
        return value(name, v -> OffsetDateTime.parse(v.asString()).toInstant());
    }

    @Override
    public @Nullable Fields object(String name) {
        return value(name, NodeFields::new);
    }

    @Override
    public <T> List<T> list(String name, Function<Fields, T> read) {
        List<T> list = new ArrayList<>();
        node.path(name).forEach(n -> list.add(read.apply(new NodeFields(n))));
        return list;
    }

    @Override
    public List<String> texts(String name) {
        List<String> list = new ArrayList<>();
        node.path(name).forEach(n -> list.add(n.asString()));
        return list;
    }

    @Override
    public double[] numbers(String name) {
        return numbers(node.path(name));
    }

    @Override
    public List<double[]> lists(String name) {
        List<double[]> lists = new ArrayList<>();
        node.path(name).forEach(n -> lists.add(numbers(n)));
        return lists;
    }

    private static double[] numbers(JsonNode list) {
        return list.valueStream().mapToDouble(JsonNode::asDouble).toArray();
    }

    @Override
    public Map<String, String> all() {
        Map<String, String> all = new LinkedHashMap<>();
        node.properties().stream()
                .filter(e -> !e.getValue().isNull())
                .forEach(e -> all.put(e.getKey(), e.getValue().asString()));
        return all;
    }
}
