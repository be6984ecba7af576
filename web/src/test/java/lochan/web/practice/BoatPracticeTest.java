package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.Arrays;
import java.util.stream.Collectors;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What phones logged in practice, as the server takes it. */
@ExtendWith(TestServers.class)
class BoatPracticeTest {

    private static final Instant MORNING = Instant.parse("2026-05-30T13:00:00Z");

    /** A change made some minutes into the morning; fields and values by turns. */
    private static String change(String id, int minute, String... fields) {
        String rest = java.util.stream.IntStream.range(0, fields.length / 2)
                .mapToObj(i -> ",\"" + fields[2 * i] + "\":\"" + fields[2 * i + 1] + "\"")
                .collect(Collectors.joining());
        return "{\"id\":\"" + id + "\",\"at\":\"" + MORNING.plusSeconds(60L * minute) + "\"" + rest + "}";
    }

    private static JsonNode send(Visitor angler, String event, String... changes) {
        return JsonMapper.shared()
                .readTree(angler.postJson(
                                SampleEvents.boat(event) + "/practice",
                                "{\"changes\":[" + String.join(",", changes) + "]}")
                        .body());
    }

    private static JsonNode stops(Visitor angler, String event) {
        return JsonMapper.shared()
                .readTree(angler.get(event + "/export").body())
                .path("stops");
    }

    @Test
    void whatIsSentTwiceStandsOnceAsItWasLogged(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Practised");
        angler.get(event + "/practice");
        String[] changes = {
            change("spot", 0, "what", "spot", "spot", "here-1", "name", "New spot 07:00", "position", "42.64, -116.92"),
            change("one", 0, "what", "start", "spot", "here-1", "presentation", "swim-jig,drop-shot"),
            change("bite", 5, "what", "bite", "stop", "one", "outcome", "landed", "size", "3-4", "how", "guess"),
            change("missed", 9, "what", "bite", "stop", "one", "outcome", "missed", "presentation", "drop-shot"),
            change("seen", 11, "what", "follow", "stop", "one"),
            change("two", 30, "what", "start", "spot", "reed-corner"),
            change("end", 50, "what", "end", "stop", "two")
        };
        assertThat(send(angler, event, changes).path("refused").size()).isZero();
        JsonNode first = stops(angler, event);
        assertThat(send(angler, event, changes).path("refused").size()).isZero();

        assertThat(stops(angler, event)).isEqualTo(first);
        assertThat(first.valueStream().map(s -> s.path("spot").asString())).containsExactly("here-1", "reed-corner");
        JsonNode one = first.get(0);
        assertThat(Instant.parse(one.path("end").asString()))
                .as("where the next begins")
                .isEqualTo(MORNING.plusSeconds(1800));
        assertThat(one.path("follows").asInt()).isEqualTo(1);
        assertThat(one.path("bites")
                        .valueStream()
                        .map(b -> b.path("outcome").asString() + " "
                                + Instant.parse(b.path("at").asString())))
                .containsExactly("landed " + MORNING.plusSeconds(300), "missed " + MORNING.plusSeconds(540));
        assertThat(angler.get(event + "/spots").text()).contains("New spot 07:00");
    }

    @Test
    void whatIsTakenBackIsGone(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Taken back");
        angler.get(event + "/practice");
        send(
                angler,
                event,
                change("one", 0, "what", "start", "spot", "reed-corner"),
                change("bite", 5, "what", "bite", "stop", "one", "outcome", "lost"),
                change("seen", 6, "what", "follow", "stop", "one"),
                change("end", 7, "what", "end", "stop", "one"),
                change("again", 8, "what", "reopen", "stop", "one"),
                change("unseen", 8, "what", "unfollow", "stop", "one"),
                change("no bite", 9, "what", "delete-bite", "stop", "one", "bite", "bite"),
                change("wrong", 20, "what", "start", "spot", "reed-corner"),
                change("no stop", 21, "what", "delete-stop", "stop", "wrong"));

        JsonNode stops = stops(angler, event);
        assertThat(stops.size()).isEqualTo(1);
        assertThat(stops.get(0).path("bites").size()).isZero();
        assertThat(stops.get(0).path("follows").asInt()).isZero();
    }

    @Test
    void whatCannotStandIsRefusedByItselfWithTheReason(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Refused practice");
        angler.get(event + "/practice");
        JsonNode answer = send(
                angler,
                event,
                change("nowhere", 0, "what", "start", "spot", "deleted"),
                change("one", 1, "what", "start", "spot", "reed-corner"),
                change("heavy", 2, "what", "bite", "stop", "one", "outcome", "landed", "size", "heavy"),
                change("lost", 3, "what", "bite", "stop", "gone", "outcome", "lost"),
                change("dance", 4, "what", "dance"),
                "{\"id\":\"late\",\"at\":\"soon\",\"what\":\"end\",\"stop\":\"one\"}",
                "7",
                change("ended", 30, "what", "end", "stop", "one"));

        assertThat(answer.path("refused").valueStream().map(r -> r.path("id").asString()))
                .containsExactly("nowhere", "heavy", "lost", "dance", "late", "");
        assertThat(Arrays.asList(
                        "Choose a spot from the list",
                        "“heavy” isn't a weight",
                        "stop was deleted",
                        "“dance”",
                        "“soon”"))
                .allSatisfy(
                        words -> assertThat(answer.path("refused").toString()).contains(words));
        assertThat(stops(angler, event).get(0).path("end").isString()).isTrue();
        assertThat(angler.postJson(SampleEvents.boat(event) + "/practice", "no JSON")
                        .status())
                .isEqualTo(400);
    }

    /** Two phones change one stop: what only one of them changed is kept of both, what both did is shown once with both its values. */
    @Test
    void whatTwoPhonesChangedIsKeptOfBoth(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Two phones practise");
        angler.get(event + "/practice");
        send(
                angler,
                event,
                change("one", 0, "what", "start", "spot", "reed-corner"),
                change("b", 5, "what", "bite", "stop", "one", "outcome", "landed", "size", "3-4"),
                change("end", 9, "what", "end", "stop", "one"));
        JsonNode first = send(
                angler,
                event,
                change("f1", 20, "what", "edit-stop", "stop", "one", "set/waterTempC", "64", "was/waterTempC", ""),
                change("f2", 21, "what", "edit-stop", "stop", "one", "set/sky", "clear", "was/sky", ""),
                change(
                        "f3",
                        22,
                        "what",
                        "edit-bite",
                        "stop",
                        "one",
                        "bite",
                        "b",
                        "set/size",
                        "3-8",
                        "was/size",
                        "3-4"));
        assertThat(first.path("clashes").size()).isZero();
        JsonNode second = send(
                angler,
                event,
                change("s1", 20, "what", "edit-stop", "stop", "one", "set/windMps", "10 mph", "was/windMps", ""),
                change("s2", 21, "what", "edit-stop", "stop", "one", "set/sky", "rain", "was/sky", ""),
                change("s3", 23, "what", "edit-stop", "stop", "one", "set/waterTempC", "hot", "was/waterTempC", ""));

        assertThat(second.path("clashes").valueStream().map(c -> c.path("words").asString()))
                .containsExactly("Sky: this phone said “rain”, another said “clear”. Now it reads “rain”.");
        assertThat(second.path("refused").valueStream().map(c -> c.path("id").asString()))
                .containsExactly("s3");
        JsonNode stop = stops(angler, event).get(0);
        assertThat(stop.path("conditions").path("waterTempC").asDouble()).isCloseTo(17.8, within(0.1));
        assertThat(stop.path("conditions").path("windMps").asDouble()).isCloseTo(4.47, within(0.01));
        assertThat(stop.path("conditions").path("sky").asString()).isEqualTo("rain");
        assertThat(stop.path("bites").get(0).path("size").path("entered").asString())
                .isEqualTo("3-8");
    }

    @Test
    void waypointsBycatchAndTracksArriveOnce(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Seen on the water");
        angler.get(event + "/practice");
        String[] changes = {
            change("one", 0, "what", "start", "spot", "reed-corner"),
            change("pike", 1, "what", "bycatch", "stop", "one"),
            change("pikes", 2, "what", "bycatch", "stop", "one"),
            change(
                    "seen",
                    3,
                    "what",
                    "waypoint",
                    "position",
                    "42.64, -116.92",
                    "seen",
                    "2 o'clock, 70 ft",
                    "heading",
                    "30",
                    "waterDepthM",
                    "20",
                    "note",
                    "bait ball"),
            change("end", 30, "what", "end", "stop", "one")
        };
        send(angler, event, changes);
        assertThat(send(angler, event, changes).path("refused").size()).isZero();
        assertThat(stops(angler, event).get(0).path("bycatch").asInt()).isEqualTo(2);
        JsonNode waypoints = JsonMapper.shared()
                .readTree(angler.get(event + "/export").body())
                .path("waypoints");
        assertThat(waypoints.size()).isEqualTo(1);
        assertThat(waypoints.get(0).path("lat").asDouble())
                .as("two o'clock of a heading of 30° is due east")
                .isCloseTo(42.64, within(1e-6));
        assertThat(waypoints.get(0).path("lon").asDouble()).isGreaterThan(-116.92);

        // Still for ten minutes, then away at 10 m/s.
        String fixes = java.util.stream.IntStream.range(0, 180)
                .mapToObj(i -> "[" + MORNING.plusSeconds(3600 + 5L * i).toEpochMilli() + ","
                        + (42.66 + (i < 120 ? 0 : (i - 120) * 0.00045)) + ",-116.92]")
                .collect(Collectors.joining(","));
        for (int times = 0; times < 2; times++) {
            assertThat(angler.postJson(SampleEvents.boat(event) + "/track", "{\"fixes\":[" + fixes + "]}")
                            .status())
                    .isEqualTo(204);
        }
        assertThat(angler.postJson(SampleEvents.boat(event) + "/track", "{\"fixes\":[[1,2]]}")
                        .status())
                .isEqualTo(400);
        assertThat(angler.get(event + "/practice/track").text()).contains("Show stops of Sat 30 May");
        assertThat(angler.get(event + "/practice/track?day=2026-05-30").text()).contains("1 stop", "08:00–08:1");
        angler.post(event + "/practice/track/delete", "day", "2026-05-30");
        assertThat(angler.get(event + "/practice/track").text()).doesNotContain("Show stops of");
    }
}
