package lochan.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The worked situations of {@code ../eventformat/src/test/resources/cases/lures}: what practitioners throw there, what they would not, and how heavy. */
class LureCasesTest {

    private static final Path FOLDER = Path.of("../eventformat/src/test/resources/cases/lures");
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static Stream<String> cases() throws IOException {
        return Files.list(FOLDER).map(p -> p.getFileName().toString()).sorted();
    }

    private record Answer(int exit, String out, String err) {}

    private static Answer lures(Path file) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int exit = Main.run(
                InputStream.nullInputStream(),
                new PrintStream(out, true),
                new PrintStream(err, true),
                "lures",
                file.toString());
        return new Answer(exit, out.toString(), err.toString());
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(t -> texts.add(t.asString()));
        return texts;
    }

    private static List<String> first(List<String> order, JsonNode expected) {
        return order.subList(0, Math.min(order.size(), expected.path("n").asInt()));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void whatPractitionersThrow(String name) throws Exception {
        JsonNode expected = JSON.readTree(FOLDER.resolve(name)).get("expected");
        Map<String, JsonNode> rows = new HashMap<>();
        List<String> order = new ArrayList<>();
        JSON.readTree(lures(FOLDER.resolve(name)).out()).get("lures").forEach(row -> {
            order.add(row.get("lure").asString());
            rows.put(row.get("lure").asString(), row);
        });

        JsonNode any = expected.path("anyAmongFirst");
        if (any.isObject()) {
            assertThat(first(order, any)).containsAnyElementsOf(texts(any.get("lures")));
        }
        JsonNode not = expected.path("notAmongFirst");
        if (not.isObject()) {
            assertThat(first(order, not)).doesNotContainAnyElementsOf(texts(not.get("lures")));
        }
        assertThat(texts(expected.path("fit")))
                .allMatch(l -> rows.get(l).get("fits").asBoolean());
        assertThat(texts(expected.path("ruledOut")))
                .noneMatch(l -> rows.get(l).get("fits").asBoolean());
        expected.path("weightGrams").properties().forEach(w -> assertThat(
                        rows.get(w.getKey()).get("weightGrams").asDouble())
                .as(w.getKey())
                .isBetween(w.getValue().get(0).asDouble(), w.getValue().get(1).asDouble()));
        assertThat(rows.values().stream()
                        .sorted(Comparator.comparingInt(
                                r -> order.indexOf(r.get("lure").asString())))
                        .map(r -> r.get("fits").asBoolean())
                        .distinct())
                .as("what does not fit comes last")
                .isIn(List.of(true), List.of(true, false));
    }

    @Test
    void aBadSituationIsToldWithItsPlace(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("s.json");
        Files.writeString(file, "{\"situation\": {\"cover\": \"ivy\", \"waterDepthM\": 2, \"fishDepthM\": 3}}");
        Answer answer = lures(file);
        assertThat(answer.exit()).isEqualTo(2);
        assertThat(answer.err())
                .contains("/situation/cover: found \"ivy\"")
                .contains("(and 1 more)")
                .hasLineCount(1);
        assertThat(lures(folder.resolve("none.json")).err()).contains("there is no such file");
    }
}
