package lochan.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Advice outside the page, on the demo's first day. */
class AdviseTest {

    private static final String DEMO = "../web/src/main/resources/demo/two-arms-open.event.json";
    private static final String TINY = "../eventformat/src/test/resources/cases/plan-tiny.event.json";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int run(String input, String... arguments) {
        out.reset();
        err.reset();
        return Main.run(
                new ByteArrayInputStream(input.getBytes(StandardCharsets.UTF_8)),
                new PrintStream(out, true),
                new PrintStream(err, true),
                arguments);
    }

    private List<JsonNode> stream(String file, String... lines) {
        assertThat(run(String.join("\n", lines) + "\n", "advise", file, "--stream"))
                .isZero();
        List<JsonNode> answers = new ArrayList<>();
        out.toString().lines().forEach(l -> answers.add(JSON.readTree(l)));
        assertThat(answers).hasSameSizeAs(lines);
        return answers;
    }

    private static String line(String day, String at, String spot, String presentation, String since, String entries) {
        String what = spot == null
                ? "\"spot\":null,\"presentation\":null,\"since\":null"
                : "\"spot\":\"" + spot + "\",\"presentation\":\"" + presentation + "\",\"since\":\"2027-06-" + day + "T"
                        + since + ":00-06:00\"";
        return "{\"at\":\"2027-06-" + day + "T" + at + ":00-06:00\",\"position\":null," + what + ",\"entries\":["
                + entries + "]}";
    }

    @Test
    void atATimeThePlanAndTheLogTellWhatToDo() {
        assertThat(run("", "advise", DEMO, "--at", "09:40")).isZero();
        JsonNode answer = JSON.readTree(out.toString());
        assertThat(answer.path("stay").path("gainGrams").asDouble()).isNotNegative();
        assertThat(answer.path("best").path("spot").asString("")).isNotEmpty();
        assertThat(answer.path("leaveBy").asString(""))
                .startsWith("2027-06-05T14:")
                .endsWith("-06:00");
        JsonNode projected = answer.path("projected");
        assertThat(projected.path("p10").asDouble())
                .isLessThan(projected.path("p50").asDouble());
        assertThat(projected.path("p50").asDouble())
                .isLessThan(projected.path("p90").asDouble());
        assertThat(projected.path("p10").asDouble())
                .as("the bag of the log is in it")
                .isGreaterThan(3000);
        assertThat(answer.path("chanceOfTarget").asDouble()).isBetween(0.0, 1.0);
    }

    @Test
    void theSameIsSaidEachTimeAndOfATimeWithItsDay() {
        run("", "advise", TINY, "--at", "07:40");
        String first = out.toString();
        run("", "advise", TINY, "--at", "2027-06-05T07:40:00-07:00");
        assertThat(first).contains("\"best\"");
        assertThat(out.toString()).isEqualTo(first);
    }

    @Test
    void aStreamLearnsFromLineToLine() {
        String bite =
                "{\"type\":\"bite\",\"id\":\"s%d\",\"at\":\"2027-06-06T06:%d:00-06:00\",\"spot\":\"harth-grass\",\"presentation\":\"walking-topwater\",\"outcome\":\"missed\"}";
        List<JsonNode> answers = stream(
                DEMO,
                line("06", "06:00", null, null, null, ""),
                line("06", "06:30", "harth-grass", "walking-topwater", "06:10", ""),
                line(
                        "06",
                        "06:40",
                        "harth-grass",
                        "walking-topwater",
                        "06:10",
                        String.format(bite, 1, 33) + "," + String.format(bite, 2, 36) + ","
                                + String.format(bite, 3, 39)),
                line("06", "09:40", "harth-grass", "walking-topwater", "06:10", ""));
        assertThat(answers.get(0).path("stay").isNull()).isTrue();
        assertThat(answers.get(2).path("stay").path("gainGrams").asDouble())
                .isGreaterThan(answers.get(1).path("stay").path("gainGrams").asDouble());
        assertThat(answers.get(3).path("best").path("gainGrams").asDouble())
                .as("three blank hours later it is time to go")
                .isGreaterThan(answers.get(3).path("stay").path("gainGrams").asDouble());
        assertThat(answers.get(3).path("stay").path("minutes").asInt()).isZero();
    }

    @Test
    void aWrongLineIsAnsweredAndTheStreamGoesOn() {
        List<JsonNode> answers = stream(
                TINY,
                "{oops",
                "{}",
                line("05", "07:30", "atlantis", "swim-jig", "07:10", ""),
                line("05", "07:30", "s1", "swim-jig", "07:10", "{\"type\":\"catch\",\"id\":\"x\"}"),
                line("05", "07:31", null, null, null, ""));
        assertThat(answers.get(0).path("error").asString("")).startsWith("no JSON");
        assertThat(answers.get(1).path("error").asString("")).startsWith("/at: missing");
        assertThat(answers.get(2).path("error").asString("")).contains("/spot: found \"atlantis\"");
        assertThat(answers.get(3).path("error").asString("")).startsWith("/entries/0/at: missing");
        assertThat(answers.get(4).has("best")).isTrue();
    }

    @Test
    void aBadTimeOrNoneEndsWithTwo() {
        assertThat(run("", "advise", DEMO)).isEqualTo(2);
        assertThat(err.toString()).contains("give --at as 09:40").hasLineCount(1);
        assertThat(run("", "advise", DEMO, "--at", "dawn")).isEqualTo(2);
        assertThat(err.toString()).contains("--at is dawn").hasLineCount(1);
    }
}
