package lochan.web.competition;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lures.deck.GearCheck;
import lochan.core.plan.PlanStop;
import lochan.core.quantity.Units;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Decks;
import lochan.web.gear.FishWords;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What the Plan screen of the boat's app shows, and the rest of the day planned again. */
@RestController
class BoatPlanController {

    private final CompetitionLog log;
    private final EventBook events;
    private final Accounts accounts;
    private final Decks decks;
    private final MoveAdviceView nextHour;
    private final RestOfDay restOfDay;

    BoatPlanController(
            CompetitionLog log,
            EventBook events,
            Accounts accounts,
            Decks decks,
            MoveAdviceView nextHour,
            RestOfDay restOfDay) {
        this.log = log;
        this.events = events;
        this.accounts = accounts;
        this.decks = decks;
        this.nextHour = nextHour;
        this.restOfDay = restOfDay;
    }

    /**
     * The Plan screen at a time.
     *
     * @param now      that time, ms of the epoch
     * @param cautions what the angler's forecast and rules say against going on as planned
     * @param stay     whether to stay or move; null where there is no advice
     * @param rest     the rest of the day planned again; null: it was not asked for
     * @param due      known fish to come back to; null once the day is over
     */
    record PlanScreen(
            long now,
            List<String> cautions,
            MoveAdviceView.@Nullable View stay,
            RestOfDay.@Nullable View rest,
            @Nullable List<FishWords.Due> due) {}

    @GetMapping("/boat/{eventId}/plan")
    PlanScreen plan(
            EventKey key, @RequestParam(required = false) Double lat, @RequestParam(required = false) Double lon) {
        EventData event = events.event(key);
        Instant now = log.now();
        int day = log.today(event);
        CompetitionDay hours = event.day(day);
        Units units = accounts.units(key.accountId());
        MoveAdviceView.View stay = nextHour.at(
                        key, event, day, log.shown(event.competition()), now, position(lat, lon), units)
                .orElse(null);
        return new PlanScreen(
                now.toEpochMilli(),
                cautions(key, event, day, now, units),
                stay,
                stay == null ? null : restOfDay.said(key, event, day, units),
                now.isBefore(hours.checkIn()) ? FishWords.due(event, now, hours.checkIn(), units) : null);
    }

    private List<String> cautions(EventKey key, EventData event, int day, Instant now, Units units) {
        CompetitionDay hours = event.day(day);
        if (!now.isBefore(hours.checkIn())) {
            return List.of();
        }
        List<PlanStop> plan = event.planOf(day);
        List<GearCheck> gear =
                now.isBefore(hours.start()) && !plan.isEmpty() ? decks.check(key, event, plan) : List.of();
        return Stream.concat(
                        gear.stream().map(g -> "Before you start, your rules say no: " + g.words()),
                        Hazards.of(event, day, now, units).stream())
                .toList();
    }

    /** Where the boat says it is; null when it does not, or is nowhere. */
    private static @Nullable Position position(@Nullable Double lat, @Nullable Double lon) {
        return lat == null || lon == null || !(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180)
                ? null
                : new Position(lat, lon);
    }

    /** Looks for the best way to fish what is left of the day. */
    @PostMapping("/boat/{eventId}/rest")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void look(EventKey key, @RequestParam(required = false) Double lat, @RequestParam(required = false) Double lon) {
        EventData event = events.event(key);
        restOfDay.look(key, event, log.today(event), log.shown(event.competition()), log.now(), position(lat, lon));
    }

    /** Takes what was found into the plan; refused when it no longer fits it. */
    @PostMapping("/boat/{eventId}/rest/take")
    ResponseEntity<Map<String, String>> take(EventKey key) {
        EventData event = events.event(key);
        return restOfDay
                .take(key, event, log.today(event))
                .map(back -> ResponseEntity.ok(Map.of("undo", back)))
                .orElseGet(() -> ResponseEntity.status(HttpStatus.CONFLICT)
                        .body(Map.of("message", "Practice or the plan has changed: plan the rest of the day again.")));
    }

    @PostMapping("/boat/{eventId}/rest/drop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(EventKey key) {
        restOfDay.drop(key, log.today(events.outline(key)));
    }
}
