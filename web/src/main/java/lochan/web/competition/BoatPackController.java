package lochan.web.competition;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.Intake;
import lochan.core.eventdata.EventData;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.JsonLimits;
import lochan.eventformat.PackWriter;
import lochan.offline.pack.Pack;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.modelling.DayModels;
import lochan.web.plan.PlanBackups;
import lochan.web.plan.Plans;
import lochan.web.plan.Projections;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.util.DigestUtils;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Packs what the boat's app needs to advise without a signal, and takes back the plan it sends. */
@RestController
class BoatPackController {

    private static final Logger LOG = LoggerFactory.getLogger(BoatPackController.class);
    /** Reports in one request; the rest is left out. */
    private static final int MOST_FAULTS = 20;

    private static final int LONGEST_FAULT = 2000;

    private final CompetitionLog log;
    private final EventBook events;
    private final DayModels dayModels;
    private final PlanBackups backups;
    private final Projections projections;
    private final Plans plans;
    private final BoatPacks packs;

    BoatPackController(
            CompetitionLog log,
            EventBook events,
            DayModels dayModels,
            PlanBackups backups,
            Projections projections,
            Plans plans,
            BoatPacks packs) {
        this.log = log;
        this.events = events;
        this.dayModels = dayModels;
        this.backups = backups;
        this.projections = projections;
        this.plans = plans;
        this.packs = packs;
    }

    /**
     * What {@link Pack} reads. It has a tag, and is not sent again to a phone that has it; while a day's backups are computed its {@code ladder} is
     * null: it is to be asked for again soon.
     */
    @GetMapping(path = "/boat/{eventId}/pack", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> pack(EventKey key) {
        EventData known = events.event(key);
        List<PackWriter.Day> days = IntStream.rangeClosed(1, known.days().size())
                .filter(day -> log.now().isBefore(known.day(day).checkIn()))
                .mapToObj(day -> new PackWriter.Day(
                        day,
                        dayModels.of(key, known, day).numbers(),
                        backups.ofDay(key, known, day).orElse(null)))
                .toList();
        ObjectNode node = packs.of(
                key,
                known,
                log.now(),
                days,
                projections.calibration(key.accountId()).factor());
        packs.addDepths(node, key, known, log.now());
        String pack = node.toString();
        return ResponseEntity.ok()
                .eTag(DigestUtils.md5DigestAsHex(pack.getBytes(StandardCharsets.UTF_8)))
                .body(pack);
    }

    /**
     * Puts a day's stops as a phone planned them again into its plan: {@code {"id", "day", "stops": […]}}, the stops as in an event file. Each id is taken once.
     */
    @PostMapping("/boat/{eventId}/plan")
    ResponseEntity<Map<String, String>> plan(EventKey key, @RequestBody String body) {
        EventData event = events.outline(key);
        try {
            JsonNode sent = JsonLimits.read(body);
            int day = sent.path("day").asInt(0);
            if (day < 1 || day > event.days().size()) {
                return refused("The event has no day " + day + ".");
            }
            plans.take(key, sent.path("id").asString(""), day, EventFileReader.planStops(sent.path("stops"), event));
            return ResponseEntity.ok(Map.of());
        } catch (EventFileException e) {
            return refused("The spots or presentations have changed: plan the rest of the day again.");
        }
    }

    /** Writes what failed on a phone into the server's log: {@code {"faults": [{"at", "error", "entries"}]}}. */
    @PostMapping("/boat/{eventId}/faults")
    ResponseEntity<Map<String, String>> faults(EventKey key, @RequestBody String body) {
        try {
            int left = MOST_FAULTS;
            for (JsonNode one : JsonLimits.read(body).path("faults")) {
                if (left-- == 0) {
                    break;
                }
                LOG.warn(
                        "Move advice failed on a phone, account {}, event {}, {} entries, at {}: {}",
                        key.accountId(),
                        key.eventId(),
                        one.path("entries").asInt(0),
                        Instant.ofEpochMilli(one.path("at").asLong(0)),
                        Intake.line(one.path("error").asString(""), LONGEST_FAULT));
            }
            return ResponseEntity.ok(Map.of());
        } catch (EventFileException e) {
            return ResponseEntity.badRequest().body(Map.of("message", "This report isn't valid. Nothing was saved."));
        }
    }

    private static ResponseEntity<Map<String, String>> refused(String message) {
        return ResponseEntity.unprocessableContent().body(Map.of("message", message));
    }
}
