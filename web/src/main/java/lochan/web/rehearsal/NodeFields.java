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

    private @Nullable JsonNode value(String name) {
        JsonNode value = node.path(name);
        return value.isMissingNode() || value.isNull() ? null : value;
    }

    @Override
    public boolean has(String name) {
        return value(name) != null;
    }

    @Override
    public @Nullable String text(String name) {
        JsonNode value = value(name);
        return value == null ? null : value.asString();
    }

    @Override
    public @Nullable Double number(String name) {
        JsonNode value = value(name);
        return value == null ? null : value.asDouble();
    }

    @Override
    public @Nullable Integer whole(String name) {
        JsonNode value = value(name);
        return value == null ? null : value.asInt();
    }

    @Override
    public @Nullable Boolean truth(String name) {
        JsonNode value = value(name);
        return value == null ? null : value.asBoolean();
    }

    @Override
    public @Nullable Instant time(String name) {
        String text = text(name);
        return text == null ? null : OffsetDateTime.parse(text).toInstant();
    }

    @Override
    public @Nullable Fields object(String name) {
        JsonNode value = value(name);
        return value == null ? null : new NodeFields(value);
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
