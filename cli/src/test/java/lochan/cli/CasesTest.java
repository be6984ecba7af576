package lochan.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.Orienteering;
import lochan.core.planning.search.TourSearch;
import lochan.core.planning.valuation.PlanValuer;
import lochan.eventformat.EventFileReader;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The worked cases of {@code ../eventformat/src/test/resources/cases}: what an independent implementation of the model found for invented events, with
 * the tolerances that its README gives.
 */
class CasesTest {

    private static final Path FOLDER = Path.of("../eventformat/src/test/resources/cases");
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final double GRAMS = 0.05;
    private static final int ROUNDS = 800;

    static Stream<String> cases() throws java.io.IOException {
        return Files.list(FOLDER)
                .map(p -> p.getFileName().toString())
                .filter(n -> n.endsWith(".expected.json"))
                .map(n -> n.replace(".expected.json", ""))
                .sorted();
    }

    @ParameterizedTest
    @MethodSource("cases")
    void theAnswerIsTheReferences(String name) throws Exception {
        JsonNode expected = JSON.readTree(FOLDER.resolve(name + ".expected.json"));
        List<String> arguments = new ArrayList<>(List.of(
                expected.get("command").asString(),
                FOLDER.resolve(name + ".event.json").toString()));
        expected.path("options").forEach(o -> arguments.add(o.asString()));

        JsonNode answer = answer(arguments);

        SoftAssertions softly = new SoftAssertions();
        for (JsonNode check : expected.path("checks")) {
            double value = check.get("value").asDouble();
            double tolerance = Math.max(
                            check.get("relTol").asDouble() * Math.abs(value),
                            check.path("absTol").asDouble(0))
                    + 1e-12;
            softly.assertThat(at(answer, check.get("path").asString()).asDouble())
                    .as(check.get("path").asString())
                    .isCloseTo(value, within(tolerance));
        }
        checkBag(answer, expected.path("bagRows"), softly);
        if (expected.has("rowCount")) {
            softly.assertThat(answer.get("rows").size())
                    .isEqualTo(expected.get("rowCount").asInt());
        }
        softly.assertAll();
        if (expected.has("plan")) {
            checkPlan(answer, expected.get("plan"), FOLDER.resolve(name + ".event.json"));
        }
        assertThat(expected.path("checks").size()
                        + expected.path("bagRows").size()
                        + expected.path("plan").size())
                .as("the case checks something")
                .isPositive();
    }

    /** The plan keeps the day, and put into the event it is worth what the reference found by enumeration. */
    private static void checkPlan(JsonNode answer, JsonNode expected, Path file) throws Exception {
        ObjectNode event = (ObjectNode) JSON.readTree(file);
        event.putArray("plans").addObject().put("day", 1).set("stops", answer.get("stops"));
        EventData data = EventFileReader.read(new ByteArrayInputStream(JSON.writeValueAsBytes(event)))
                .data();
        Assumptions.Planning planning = Assumptions.DEFAULTS.planning();
        Plan plan = data.plans().getFirst();
        PlanValuer valuer =
                new PlanValuer(new ScenarioSet(new FittedDayModel(data, 1, Assumptions.DEFAULTS), 20_000, 5));

        assertThat(PlanCheck.check(data, plan)).isEmpty();
        assertThat(PlanCheck.legs(data, plan, planning, DayRuns.of(data, planning)))
                .allMatch(l -> l.shortMinutes() == 0);
        assertThat(valuer.formula(plan.stops()))
                .isGreaterThan((1 - expected.get("slack").asDouble())
                        * expected.get("optimumGrams").asDouble());
        assertThat(answer.get("backups").size()).isPositive();
        assertThat(answer.get("value").get("chanceOfLimit").asDouble()).isBetween(0.0, 1.0);
        assertThat(OffsetDateTime.parse(answer.get("leaveBy").asString()).toInstant())
                .isBefore(data.days().getFirst().checkIn());
    }

    /** Best known scores of the first set of Tsiligirides (1984). */
    @ParameterizedTest
    @CsvSource({"10, 15", "40, 155", "60, 225", "85, 285"})
    void theRouteReachesThePublishedOptimum(int budget, double score) throws Exception {
        String file = FOLDER.resolve("orienteering/tsiligirides-1-budget-" + budget + ".txt")
                .toString();
        Orienteering problem = RouteAnswer.read(file);

        // As many rounds as the command makes in four seconds, however long a busy machine takes for them.
        JsonNode whole = RouteAnswer.json(
                problem,
                new TourSearch(problem, List.of(), 1).rounds(ROUNDS, i -> true).best());
        JsonNode timed = answer(List.of("route", file, "--seconds", "0.2", "--seed", "1"));

        assertThat(whole.get("score").asDouble()).isEqualTo(score);
        for (JsonNode answer : List.of(whole, timed)) {
            assertThat(answer.get("length").asDouble()).isLessThanOrEqualTo(budget + 1e-9);
            assertThat(answer.get("path").get(0).asInt()).isZero();
            assertThat(answer.get("path").get(answer.get("path").size() - 1).asInt())
                    .isEqualTo(1);
        }
    }

    private static JsonNode answer(List<String> arguments) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int exit = Main.run(
                java.io.InputStream.nullInputStream(),
                new PrintStream(out, true),
                new PrintStream(err, true),
                arguments.toArray(String[]::new));
        assertThat(exit).as(err.toString()).isZero();
        return JSON.readTree(out.toByteArray());
    }

    /** Reads a path as {@code rows[spot=a,presentation=b].landing}. */
    private static JsonNode at(JsonNode node, String path) {
        JsonNode here = node;
        for (String part : path.split("\\.(?![^\\[]*\\])")) {
            String name = part.replaceAll("\\[.*", "");
            here = here.path(name);
            if (part.contains("[")) {
                Map<String, String> wanted = new java.util.HashMap<>();
                for (String pair : part.replaceAll(".*\\[|\\]", "").split(",")) {
                    wanted.put(pair.split("=")[0], pair.split("=")[1]);
                }
                JsonNode list = here;
                here = Stream.iterate(0, i -> i < list.size(), i -> i + 1)
                        .map(list::get)
                        .filter(row -> wanted.entrySet().stream()
                                .allMatch(w -> row.path(w.getKey()).asString("").equals(w.getValue())))
                        .findFirst()
                        .orElseThrow(() -> new AssertionError("no row for " + part));
            }
        }
        return here;
    }

    private static void checkBag(JsonNode answer, JsonNode rows, SoftAssertions softly) {
        for (int i = 0; i < rows.size(); i++) {
            JsonNode found = answer.get(i);
            for (Map.Entry<String, JsonNode> field : rows.get(i).properties()) {
                String where = rows.get(i).get("entry").asString() + "." + field.getKey();
                JsonNode got = found.path(field.getKey());
                JsonNode wanted = field.getValue();
                if (wanted.isNull()) {
                    softly.assertThat(got.isNull() || got.isMissingNode())
                            .as(where)
                            .isTrue();
                } else if (wanted.isArray()) {
                    softly.assertThat(texts(got)).as(where).containsExactlyInAnyOrderElementsOf(texts(wanted));
                } else if (wanted.isNumber()) {
                    softly.assertThat(got.asDouble(Double.NaN)).as(where).isCloseTo(wanted.asDouble(), within(GRAMS));
                } else {
                    softly.assertThat(got.asString("")).as(where).isEqualTo(wanted.asString());
                }
            }
        }
    }

    private static List<String> texts(JsonNode array) {
        List<String> texts = new ArrayList<>();
        array.forEach(n -> texts.add(n.asString()));
        return texts;
    }
}
