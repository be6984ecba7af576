package lochan.web.practice;

import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileException;
import lochan.eventformat.JsonLimits;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.practice.BiteWords;
import lochan.offline.practice.PracticeLog;
import lochan.offline.practice.StopForm;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Practice as the boat's app takes it along, and the changes that it brings back. */
@RestController
class BoatPracticeController {

    /** Stops that began earlier are the desk's. */
    private static final int DAYS_TAKEN_ALONG = 2;

    private final PhoneChanges changes;
    private final Practice practice;
    private final EventBook events;
    private final Accounts accounts;

    BoatPracticeController(PhoneChanges changes, Practice practice, EventBook events, Accounts accounts) {
        this.changes = changes;
        this.practice = practice;
        this.events = events;
        this.accounts = accounts;
    }

    /**
     * Practice of the last days.
     *
     * @param places positions of the spots
     */
    record Taken(List<Place> places, List<Stop> stops) {}

    record Place(String id, double lat, double lon) {}

    /** A stop; times in ISO 8601, end null while it is being fished. */
    record Stop(
            String id,
            String spot,
            String start,
            @Nullable String end,
            int anglers,
            List<String> presentations,
            int follows,
            int bycatch,
            Map<String, String> conditions,
            List<BiteTaken> bites) {}

    record BiteTaken(
            String id, @Nullable String at, @Nullable String presentation, String words, Map<String, String> fields) {}

    /** A change that was not taken, and why. */
    record Refused(String id, String message) {}

    /** Fields of a change that somebody else had changed too, with both their values. */
    record Clash(String id, String words) {}

    /** What became of changes, and practice after them. */
    record Answer(List<Refused> refused, List<Clash> clashes, Taken practice) {}

    @GetMapping("/boat/{eventId}/practice")
    Taken practice(EventKey key) {
        EventData event = events.outline(key);
        Units units = accounts.units(key.accountId());
        Names names = Names.in(event);
        Instant first = practice.now().minus(DAYS_TAKEN_ALONG, ChronoUnit.DAYS);
        return new Taken(
                event.spots().stream()
                        .map(s -> new Place(
                                s.id(), s.position().lat(), s.position().lon()))
                        .toList(),
                practice.logged(key).stream()
                        .filter(s -> s.stop().end() == null || s.stop().start().isAfter(first))
                        .map(s -> stop(s, names, event.timeZone(), units))
                        .toList());
    }

    private static Stop stop(LoggedStop logged, Names names, ZoneId zone, Units units) {
        return new Stop(
                logged.stop().id(),
                logged.stop().spotId(),
                logged.stop().start().toString(),
                text(logged.stop().end()),
                logged.stop().anglers(),
                logged.stop().presentations().stream()
                        .map(PresentationTime::presentationId)
                        .toList(),
                logged.stop().follows(),
                logged.stop().bycatch(),
                PracticeLog.conditions(StopForm.of(logged.stop(), zone, units)),
                logged.bites().stream()
                        .map(b -> new BiteTaken(
                                b.code(),
                                text(b.bite().at()),
                                b.bite().presentationId(),
                                BiteWords.of(b.bite(), names, units),
                                StopForm.of(b.bite(), zone, units).all()))
                        .toList());
    }

    private static @Nullable String text(@Nullable Instant at) {
        return at == null ? null : at.toString();
    }

    /**
     * Takes {@code {"changes": [{id, at, what, …}]}} in the order they were made, the fields as typed. Each stands or is refused by itself;
     * one that was taken already is not taken again.
     */
    @PostMapping("/boat/{eventId}/practice")
    ResponseEntity<?> take(EventKey key, @RequestBody String body) {
        JsonNode sent;
        try {
            sent = JsonLimits.read(body).path("changes");
        } catch (EventFileException e) {
            return ResponseEntity.badRequest().body(Map.of("error", "The changes are no JSON: open the app again."));
        }
        Units units = accounts.units(key.accountId());
        List<Refused> refused = new ArrayList<>();
        List<Clash> clashes = new ArrayList<>();
        for (JsonNode one : sent) {
            String id = one.path("id").asString("");
            PhoneChanges.Outcome outcome = changes.take(key, form(one, units));
            if (outcome.refused() != null) {
                refused.add(new Refused(id, outcome.refused()));
            }
            outcome.clashes().forEach(words -> clashes.add(new Clash(id + " " + clashes.size(), words)));
        }
        return ResponseEntity.ok(new Answer(refused, clashes, practice(key)));
    }

    private static Form form(JsonNode one, Units units) {
        Map<String, String> fields = new LinkedHashMap<>();
        one.properties().forEach(f -> fields.put(f.getKey(), f.getValue().asString("")));
        return new Form(fields, units);
    }
}
