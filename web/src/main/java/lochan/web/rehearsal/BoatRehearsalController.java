package lochan.web.rehearsal;

import java.time.Duration;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.planning.runs.Shelter;
import lochan.core.quantity.Units;
import lochan.core.rehearsal.Rehearsal;
import lochan.core.rehearsal.Step;
import lochan.eventformat.EventFileException;
import lochan.eventformat.JsonLimits;
import lochan.eventformat.PackWriter;
import lochan.offline.bag.Names;
import lochan.offline.bag.Times;
import lochan.offline.plan.PlanWords;
import lochan.offline.plan.RunWords;
import lochan.web.account.Accounts;
import lochan.web.competition.BoatLog;
import lochan.web.competition.BoatPacks;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** A rehearsal in the boat's screens. It writes to its own record alone, never to the event's log. */
@Controller
class BoatRehearsalController {

    private final Rehearsals rehearsals;
    private final EventBook events;
    private final Accounts accounts;
    private final BoatLog boatLog;
    private final BoatPacks packs;

    BoatRehearsalController(
            Rehearsals rehearsals, EventBook events, Accounts accounts, BoatLog boatLog, BoatPacks packs) {
        this.rehearsals = rehearsals;
        this.events = events;
        this.accounts = accounts;
        this.boatLog = boatLog;
        this.packs = packs;
    }

    @GetMapping("/boat/{eventId}/rehearsal")
    String page(EventKey key, @RequestParam long rehearsal) {
        rehearsals.stored(key, rehearsal);
        return "boat/rehearsal";
    }

    /** Sends the day, with the storms that have come, and the lake's depths, as the boat's app takes them along. */
    @GetMapping(path = "/boat/{eventId}/rehearsal/pack", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> pack(EventKey key, @RequestParam long rehearsal) {
        StoredRehearsal of = rehearsals.stored(key, rehearsal);
        Rehearsals.Opened opened = rehearsals.opened(key, of);
        ObjectNode pack = opened.pack().deepCopy();
        PackWriter.setForecast(
                pack,
                opened.day().known().at(opened.day().after(of.steps()).now()).event());
        packs.addDepths(pack, key, events.event(key), rehearsals.now());
        return ResponseEntity.ok(pack.toString());
    }

    @GetMapping(path = "/boat/{eventId}/rehearsal/state", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> state(EventKey key, @RequestParam long rehearsal, CsrfToken token) {
        return ResponseEntity.ok(node(key, rehearsals.stored(key, rehearsal), null, token));
    }

    /** Takes {@code {"taken": steps so far, "what": …}} as {@link Steps} has it; answers how things stand then, with {@code refusal} where it could not be. */
    @PostMapping(path = "/boat/{eventId}/rehearsal/step", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> step(EventKey key, @RequestParam long rehearsal, @RequestBody String body, CsrfToken token) {
        StoredRehearsal of = rehearsals.stored(key, rehearsal);
        Step step;
        int before;
        try {
            JsonNode sent = JsonLimits.read(body);
            step = Steps.read(sent).orElse(null);
            before = sent.path("taken").asInt(-1);
        } catch (EventFileException e) {
            step = null;
            before = -1;
        }
        if (step == null) {
            return ResponseEntity.badRequest().body("{\"error\": \"This is no step: load the page again.\"}");
        }
        Rehearsals.Taken taken = rehearsals.take(key, of, step, before);
        String refusal = taken.stale()
                ? "This day was played on in another window: it goes on from there."
                : taken.refusal().map(RehearsalWords::refusal).orElse(null);
        return ResponseEntity.ok(node(key, rehearsals.stored(key, rehearsal), refusal, token));
    }

    /** Shows the move advice from now on, or no longer. */
    @PostMapping(path = "/boat/{eventId}/rehearsal/advice", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> advice(
            EventKey key, @RequestParam long rehearsal, @RequestParam boolean shown, CsrfToken token) {
        rehearsals.showAdvice(key, rehearsals.stored(key, rehearsal), shown);
        return ResponseEntity.ok(node(key, rehearsals.stored(key, rehearsal), null, token));
    }

    /**
     * Gives the state: the log as the boat's app has it, the boat, the weather, the result of the last step, and the
     * choices.
     */
    private String node(EventKey key, StoredRehearsal of, @Nullable String refusal, CsrfToken token) {
        Rehearsals.Opened opened = rehearsals.opened(key, of);
        EventData event = opened.known().event();
        EventData actual = opened.day().actual().event();
        Units units = accounts.units(key.accountId());
        Rehearsal day = opened.day().after(of.steps());
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        node.set("log", boatLog.node(day.event(), Names.in(event), day.entries(), units, day.now()));
        node.put("token", token.getToken())
                .put("taken", of.steps().size())
                .put("day", of.day())
                .put("number", of.number())
                .put("advice", of.advice())
                .put("over", day.isOver())
                .put("late", day.isLate())
                .put("storms", opened.day().known().storms(day.now()))
                .put("lightning", day.lightning(day.now()).isPresent())
                .put("weather", RehearsalWords.weather(actual, day.now(), units))
                .put("counted", units.weight(day.countedGrams()))
                .put("refusal", refusal)
                .put("lat", day.place().lat())
                .put("lon", day.place().lon())
                .put("fishing", day.fishing() == null ? null : PlanWords.cell(day.fishing(), event))
                .put("home", day.wayHome().map(RehearsalWords::minutes).orElse(null));
        told(of, day, opened, node);
        ArrayNode shelters = node.putArray("shelters");
        for (Shelter s : Shelter.of(event)) {
            Duration way = day.wayTo(s.position()).orElse(null);
            if (way != null) {
                shelters.addObject()
                        .put("id", s.id())
                        .put("name", RunWords.place(s.id(), event))
                        .put("run", RehearsalWords.minutes(way));
            }
        }
        ArrayNode stops = node.putArray("stops");
        opened.day().plan().forEach(s -> stops.addObject()
                .put("time", Times.clock(s.arrive(), event.timeZone()) + "–" + Times.clock(s.leave(), event.timeZone()))
                .put("place", PlanWords.cell(Cell.of(s), event))
                .put("past", s.leave().isBefore(day.now())));
        return node.toString();
    }

    /** What came of the last step, and the ids of its bites and fish. */
    private static void told(StoredRehearsal of, Rehearsal day, Rehearsals.Opened opened, ObjectNode node) {
        List<Step> steps = of.steps();
        if (!steps.isEmpty()) {
            Rehearsal before = opened.day().after(steps.subList(0, steps.size() - 1));
            node.put(
                    "told",
                    RehearsalWords.told(
                            steps.getLast(),
                            day,
                            before,
                            opened.known().event(),
                            opened.day().hidden()));
            ArrayNode came = node.putArray("came");
            day.entries().subList(before.entries().size(), day.entries().size()).forEach(e -> came.add(e.id()));
        }
    }
}
