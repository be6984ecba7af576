package lochan.web.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(TestServers.class)
@Tag("slow")
class RehearsalPagesTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String GO = """
            "what": "go", "spot": "sill-ledge", "presentation": "carolina-rig"
            """;

    private Visitor angler;
    private String event;
    private String plan;

    @BeforeEach
    void open(RunningApp app) {
        angler = app.angler();
        event = SampleEvents.demoAgain(angler);
        plan = angler.get(event + "/plan/rehearsals").value("plan");
    }

    private String begin(String number) {
        return angler.post(event + "/plan/rehearsals", "plan", plan, "number", number)
                .path()
                .replaceAll(".*rehearsal=", "");
    }

    private String path(String of, String rehearsal) {
        return SampleEvents.boat(event) + "/rehearsal/" + of + "?rehearsal=" + rehearsal;
    }

    private JsonNode state(String rehearsal) {
        return JSON.readTree(angler.get(path("state", rehearsal)).body());
    }

    private JsonNode step(String rehearsal, int taken, String what) {
        return JSON.readTree(angler.postJson(path("step", rehearsal), "{\"taken\": " + taken + ", " + what + "}")
                .body());
    }

    private List<String> fishedForTwoHours(String rehearsal) {
        step(rehearsal, 0, "\"what\": \"go\", \"spot\": \"harth-grass\", \"presentation\": \"walking-topwater\"");
        for (int i = 1; i <= 8; i++) {
            step(rehearsal, i, "\"what\": \"fish\", \"minutes\": 15");
        }
        return state(rehearsal)
                .path("log")
                .path("entries")
                .valueStream()
                .map(JsonNode::toString)
                .toList();
    }

    @Test
    void aDayIsPlayedToItsEndAndStandsBesideTheOthersAndTheRealLogStaysAsItIs() {
        String before = angler.get(event + "/export").body();
        String rehearsal = begin("");
        JsonNode first = state(rehearsal);
        assertThat(first.path("taken").asInt()).isZero();
        assertThat(first.path("number").asInt()).isBetween(1, 99_999);
        assertThat(first.path("stops")).hasSizeGreaterThan(2);
        assertThat(first.path("shelters")).isNotEmpty();
        assertThat(angler.get(event + "/plan/rehearsals").text()).contains("goes on");

        assertThat(step(rehearsal, 0, "\"what\": \"fish\", \"minutes\": 15")
                        .path("refusal")
                        .asString())
                .isEqualTo(Wording.text("rehearsal.nowhere"));
        JsonNode there = step(rehearsal, 0, GO);
        assertThat(there.path("fishing").asString()).isEqualTo("Sill Ledge, Carolina rig");
        assertThat(there.path("log").path("now").asLong())
                .isGreaterThan(first.path("log").path("now").asLong());
        JsonNode stale = step(rehearsal, 0, "\"what\": \"home\"");
        assertThat(stale.path("refusal").asString()).contains("in another window");
        assertThat(stale.path("taken").asInt()).isEqualTo(1);
        assertThat(angler.postJson(path("step", rehearsal), "{\"taken\": 1, \"what\": \"fly\"}")
                        .status())
                .isEqualTo(400);
        assertThat(angler.get(event + "/plan/rehearsals/played?rehearsal=" + rehearsal)
                        .path())
                .as("one that goes on is opened where it stands")
                .contains("/rehearsal?rehearsal=" + rehearsal);
        step(rehearsal, 1, "\"what\": \"fish\", \"minutes\": 120");
        JsonNode over = step(rehearsal, 2, "\"what\": \"home\"");
        assertThat(over.path("over").asBoolean()).isTrue();

        Visitor.Answer result = computed(event + "/plan/rehearsals/played?rehearsal=" + rehearsal);
        assertThat(result.texts("[aria-labelledby=bags] tbody tr")).hasSize(4);
        assertThat(result.text()).contains("Your bag " + over.path("counted").asString());
        assertThat(result.texts("[aria-labelledby=costs] li"))
                .as("who goes home at nine gives something away")
                .isNotEmpty();
        assertThat(result.texts("[aria-labelledby=truth] tbody tr"))
                .anyMatch(row -> row.startsWith("Sill Ledge, Carolina rig fished"));
        assertThat(angler.get(event + "/export").body())
                .as("nothing of the event was touched")
                .isEqualTo(before);
        assertThat(angler.get(event + "/plan/rehearsals").text())
                .contains(over.path("counted").asString());
    }

    private Visitor.Answer computed(String path) {
        return Awaitility.await().atMost(Duration.ofMinutes(2)).until(() -> angler.get(path), page -> page.page()
                .select("[data-again]")
                .isEmpty());
    }

    @Test
    void theSameNumberIsTheSameDayWhateverPracticeBringsLater() {
        String first = begin("4711");
        List<String> fished = fishedForTwoHours(first);
        assertThat(fished).hasSizeGreaterThan(1);
        assertThat(fishedForTwoHours(begin(" 4711 "))).isEqualTo(fished);
        assertThat(fishedForTwoHours(begin("4712"))).isNotEqualTo(fished);

        assertThat(angler.post(
                                event + "/practice/forecast",
                                Map.of(
                                        "day", "1",
                                        "0/from", "06:00",
                                        "0/to", "15:00",
                                        "0/wind", "30",
                                        "0/lightning", "on"))
                        .status())
                .isEqualTo(200);
        angler.post(event + "/spots/delete", "spot", "harth-grass");
        String again = angler.post(event + "/plan/rehearsals/again", "rehearsal", first)
                .path()
                .replaceAll(".*rehearsal=", "");
        assertThat(fishedForTwoHours(again)).isEqualTo(fished);
        assertThat(JSON.readTree(angler.get(path("pack", again)).body()).path("days"))
                .hasSize(1);
    }

    @Test
    void adviceIsShownOrHiddenAndItIsToldWhetherItWasEverSeen() {
        String rehearsal = begin("5");
        assertThat(state(rehearsal).path("advice").asBoolean()).isFalse();
        assertThat(angler.get(event + "/plan/rehearsals").texts("tbody td")).contains("hidden");
        angler.postJson(path("advice", rehearsal) + "&shown=true", "");
        assertThat(state(rehearsal).path("advice").asBoolean()).isTrue();
        angler.postJson(path("advice", rehearsal) + "&shown=false", "");
        assertThat(state(rehearsal).path("advice").asBoolean()).isFalse();
        assertThat(angler.get(event + "/plan/rehearsals").texts("tbody td")).contains("seen");
    }

    @Test
    void whatCannotBeRehearsedIsSaidAndADeletedOneComesBack() {
        for (String number : List.of("0", "100000", "12a")) {
            Visitor.Answer refused = angler.post(event + "/plan/rehearsals", "plan", plan, "number", number);
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.text()).contains("Day number: expected a whole number from 1 to 99999");
            assertThat(refused.value("number")).isEqualTo(number);
        }
        String bare = SampleEvents.event(angler, "Nothing fished");
        assertThat(angler.get(bare + "/plan/rehearsals").text()).contains("There is no plan with stops yet");

        String rehearsal = begin("6");
        Visitor.Answer deleted = angler.post(event + "/plan/rehearsals/delete", "rehearsal", rehearsal);
        assertThat(deleted.text()).contains("Rehearsal deleted.").contains("Nothing has been rehearsed yet.");
        assertThat(angler.get(path("state", rehearsal)).status()).isEqualTo(404);
        assertThat(angler.post(event + "/plan/rehearsals/restore", "rehearsal", rehearsal)
                        .text())
                .doesNotContain("Nothing has been rehearsed yet.");
        assertThat(state(rehearsal).path("taken").asInt()).isZero();
    }
}
