package lochan.web.competition;

import jakarta.servlet.http.HttpSession;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Violation;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.practice.Presentation;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.JsonLimits;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.wording.Wording;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The boat's app: its page, the log as it takes it along, and the entries that it brings back. */
@Controller
class BoatController {

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

    /** The page is the same for every event: what it shows it fetches and keeps itself. */
    @GetMapping("/boat/{eventId}")
    String app(EventKey key) {
        return "boat/app";
    }

    @GetMapping(path = "/boat/{eventId}/log", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> log(EventKey key, CsrfToken token) {
        return ResponseEntity.ok(node(key, events.outline(key), token).toString());
    }

    /**
     * Takes {@code {"entries": […]}} in the order they were made. Each stands or is refused by itself; one that is there already is not added again.
     * However old it is: a phone that had no signal for days delivers them all. Answers {@code {"refused": [{id, message}], "moved": [{id, message}], "log": …}}, where
     * an entry is moved whose time the device cannot have meant.
     */
    @PostMapping(path = "/boat/{eventId}/log", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> add(EventKey key, CsrfToken token, @RequestBody String body) {
        EventData event = events.outline(key);
        ArrayNode refused = JsonNodeFactory.instance.arrayNode();
        ArrayNode moved = JsonNodeFactory.instance.arrayNode();
        JsonNode sent;
        try {
            sent = JsonLimits.read(body).path("entries");
        } catch (EventFileException e) {
            return ResponseEntity.badRequest().body("{\"error\": \"The entries are no JSON: open the app again.\"}");
        }
        take(key, event, sent, refused, moved);
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        answer.set("refused", refused);
        answer.set("moved", moved);
        answer.set("log", node(key, event, token));
        return ResponseEntity.ok(answer.toString());
    }

    private ObjectNode node(EventKey key, EventData event, CsrfToken token) {
        return boatLog.node(event, log.entries(key), accounts.units(key.accountId()))
                .put("token", token.getToken())
                .put("account", key.accountId());
    }

    /** An entry that can be read, and what had to be changed for it. */
    private record Readable(Entry entry, String changed) {}

    private void take(EventKey key, EventData event, JsonNode sent, ArrayNode refused, ArrayNode moved) {
        List<Readable> readable = new ArrayList<>();
        for (JsonNode one : sent) {
            try {
                List<String> changed = new ArrayList<>();
                Entry entry = entry(event, one, changed);
                readable.add(new Readable(entry, String.join(" ", changed)));
            } catch (EventFileException e) {
                refused.addObject()
                        .put("id", one.path("id").asString(""))
                        .put("message", e.problems().getFirst().toString());
            }
        }
        List<Optional<Violation>> refusals =
                log.append(key, readable.stream().map(Readable::entry).toList());
        for (int i = 0; i < readable.size(); i++) {
            String id = readable.get(i).entry().id();
            String changed = readable.get(i).changed();
            if (refusals.get(i).isPresent()) {
                refused.addObject()
                        .put("id", id)
                        .put("message", Wording.text(refusals.get(i).get().reason(), accounts.units(key.accountId())));
            } else if (!changed.isEmpty()) {
                moved.addObject().put("id", id).put("message", changed);
            }
        }
    }

    /**
     * An entry as it can be taken: what it names may have been deleted at the desk meanwhile, and the device's clock may have been off.
     *
     * @param changed is given what had to be changed, in words
     */
    private Entry entry(EventData event, JsonNode sent, List<String> changed) throws EventFileException {
        JsonNode known = sent.isObject() ? sent.deepCopy() : sent;
        if (known instanceof ObjectNode fields) {
            forget(fields, "spot", event.spots().stream().map(Spot::id).toList(), "its spot was deleted", changed);
            forget(
                    fields,
                    "presentation",
                    event.presentations().stream().map(Presentation::id).toList(),
                    "its lure was deleted",
                    changed);
            forget(
                    fields,
                    "species",
                    event.rules().species().stream()
                            .map(r -> r.species().code())
                            .toList(),
                    "its species is no longer in the rules",
                    changed);
        }
        Entry entry = read(event, known);
        Instant at = log.timed(event.event(), entry.at());
        if (!at.equals(entry.at())) {
            changed.add("The clock of this device was off, so the entry stands at the time it arrived: set the clock.");
            ((ObjectNode) known).put("at", at.toString());
        }
        return at.equals(entry.at()) ? entry : read(event, known);
    }

    private static Entry read(EventData event, JsonNode one) throws EventFileException {
        return EventFileReader.entries(JsonNodeFactory.instance.arrayNode().add(one), event)
                .getFirst();
    }

    private static void forget(ObjectNode fields, String name, List<String> known, String why, List<String> changed) {
        if (fields.path(name).isString() && !known.contains(fields.path(name).asString())) {
            fields.remove(name);
            changed.add("It was taken without it: " + why + ".");
        }
    }

    @GetMapping(path = "/boat/{eventId}/changes", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter changes(EventKey key, HttpSession session) {
        return watchers.watch(key, session.getId());
    }
}
