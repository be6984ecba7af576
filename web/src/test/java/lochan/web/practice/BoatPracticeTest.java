package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

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
        assertThat(Arrays.asList("no such spot", "“heavy” is no", "stop was deleted", "“dance”", "“soon”"))
                .allSatisfy(
                        words -> assertThat(answer.path("refused").toString()).contains(words));
        assertThat(stops(angler, event).get(0).path("end").isString()).isTrue();
        assertThat(angler.postJson(SampleEvents.boat(event) + "/practice", "no JSON")
                        .status())
                .isEqualTo(400);
    }
}
