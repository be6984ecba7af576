package lochan.web.competition;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import lochan.core.Violation;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import lochan.web.eventfile.EventFileException;
import lochan.web.eventfile.EventFileReader;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The log as the page in the boat takes it along, and the entries that the page brings back. */
@Controller
class BoatController {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Duration LATEST = Duration.ofDays(2);

    private final CompetitionLog log;
    private final LogWatchers watchers;
    private final BoatLog boatLog;
    private final EventBook events;
    private final Accounts accounts;

    BoatController(CompetitionLog log, LogWatchers watchers, BoatLog boatLog, EventBook events, Accounts accounts) {
        this.log = log;
        this.watchers = watchers;
        this.boatLog = boatLog;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping(path = "/events/{eventId}/competition/log", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> log(EventKey key) {
        return ResponseEntity.ok(boatLog.json(events.event(key), accounts.units(key.accountId())));
    }

    /**
     * Takes {@code {"entries": […]}} in the order they were made. Each stands or is refused by itself; one that is there already is not added again.
     * Answers {@code {"refused": [{id, message}], "log": …}}.
     */
    @PostMapping(path = "/events/{eventId}/competition/log", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> add(EventKey key, @RequestBody String body) {
        EventData event = events.event(key);
        ArrayNode refused = JsonNodeFactory.instance.arrayNode();
        JsonNode sent;
        try {
            sent = JSON.readTree(body).path("entries");
        } catch (JacksonException e) {
            return ResponseEntity.badRequest().body("{\"error\": \"The entries are no JSON: load the page again.\"}");
        }
        for (JsonNode one : sent) {
            refusal(key, event, one).ifPresent(message -> refused.addObject().put("id", one.path("id").asString("")).put("message", message));
        }
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        answer.set("refused", refused);
        answer.set("log", boatLog.node(events.event(key), accounts.units(key.accountId())));
        return ResponseEntity.ok(answer.toString());
    }

    private Optional<String> refusal(EventKey key, EventData event, JsonNode one) {
        try {
            List<Entry> entries = EventFileReader.entries(JsonNodeFactory.instance.arrayNode().add(one), event);
            Instant at = entries.getFirst().at();
            if (at.isAfter(log.now().plusSeconds(60)) || at.isBefore(log.now().minus(LATEST))) {
                return Optional.of("Its time is not of these days: set the clock of this device and log it again.");
            }
            return log.append(key, entries.getFirst()).map(Violation::message);
        } catch (EventFileException e) {
            return Optional.of(e.problems().getFirst().toString());
        }
    }

    @GetMapping(path = "/events/{eventId}/competition/changes", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter changes(EventKey key) {
        return watchers.watch(key);
    }
}
