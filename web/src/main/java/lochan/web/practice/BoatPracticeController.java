package lochan.web.practice;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFileException;
import lochan.eventformat.JsonLimits;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.practice.BiteWords;
import lochan.offline.practice.PracticeChange;
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
            List<String> presentations,
            int follows,
            List<BiteTaken> bites) {}

    record BiteTaken(
            String id, @Nullable String at, @Nullable String presentation, String words) {}

    /** A change that was not taken, and why. */
    record Refused(String id, String message) {}

    /** What became of changes, and practice after them. */
    record Answer(List<Refused> refused, Taken practice) {}

    @GetMapping("/boat/{eventId}/practice")
    Taken practice(EventKey key) {
        EventData event = events.outline(key);
        Units units = accounts.units(key.accountId());
        Names names = names(event);
        Instant first = practice.now().minus(DAYS_TAKEN_ALONG, ChronoUnit.DAYS);
        return new Taken(
                event.spots().stream()
                        .map(s -> new Place(
                                s.id(), s.position().lat(), s.position().lon()))
                        .toList(),
                practice.logged(key).stream()
                        .filter(s -> s.stop().end() == null || s.stop().start().isAfter(first))
                        .map(s -> stop(s, names, units))
                        .toList());
    }

    private static Names names(EventData event) {
        return new Names(
                event.spots().stream().collect(Collectors.toMap(Spot::id, Spot::name)),
                event.presentations().stream().collect(Collectors.toMap(Presentation::id, Presentation::name)));
    }

    private static Stop stop(LoggedStop logged, Names names, Units units) {
        return new Stop(
                logged.stop().id(),
                logged.stop().spotId(),
                logged.stop().start().toString(),
                text(logged.stop().end()),
                logged.stop().presentations().stream()
                        .map(PresentationTime::presentationId)
                        .toList(),
                logged.stop().follows(),
                logged.bites().stream()
                        .map(b -> new BiteTaken(
                                b.code(),
                                text(b.bite().at()),
                                b.bite().presentationId(),
                                BiteWords.of(b.bite(), names, units)))
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
        List<Refused> refused = sent.valueStream()
                .flatMap(one ->
                        take(key, one).map(why -> new Refused(one.path("id").asString(""), why)).stream())
                .toList();
        return ResponseEntity.ok(new Answer(refused, practice(key)));
    }

    private Optional<String> take(EventKey key, JsonNode one) {
        Map<String, String> fields = new LinkedHashMap<>();
        one.properties().forEach(f -> fields.put(f.getKey(), f.getValue().asString("")));
        Form form = new Form(fields, accounts.units(key.accountId()));
        try {
            Instant at = Instant.parse(form.value("at")).truncatedTo(ChronoUnit.SECONDS);
            Optional<PracticeChange> change =
                    PracticeChange.read(form, names(events.outline(key)), form.value("id"), at);
            return change.isPresent()
                    ? changes.take(key, change.get())
                    : form.allErrors().values().stream().flatMap(List::stream).findFirst();
        } catch (DateTimeParseException e) {
            return Optional.of("Its time “" + form.value("at") + "” cannot be read: log it once more.");
        }
    }
}
