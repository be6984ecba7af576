package lochan.web.competition;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lures.deck.GearCheck;
import lochan.core.model.rate.Cell;
import lochan.core.plan.PlanStop;
import lochan.core.quantity.Units;
import lochan.offline.bag.BagView;
import lochan.offline.bag.FormEntry;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Decks;
import lochan.web.gear.FishWords;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Logging fish on a competition day and being told what to do with them. */
@Controller
class CompetitionController {

    private final CompetitionLog log;
    private final EventBook events;
    private final Accounts accounts;
    private final Decks decks;
    private final MoveAdviceView nextHour;
    private final BoatLog boatLog;
    private final RestOfDay restOfDay;

    CompetitionController(
            CompetitionLog log,
            EventBook events,
            Accounts accounts,
            Decks decks,
            MoveAdviceView nextHour,
            BoatLog boatLog,
            RestOfDay restOfDay) {
        this.restOfDay = restOfDay;
        this.boatLog = boatLog;
        this.nextHour = nextHour;
        this.decks = decks;
        this.log = log;
        this.events = events;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/competition")
    String competition(EventKey key, @RequestParam(required = false) Integer day, Model model) {
        return page(key, day, new Form(accounts.units(key.accountId())), model);
    }

    private String page(EventKey key, @Nullable Integer day, Form form, Model model) {
        EventData event = events.event(key);
        Instant now = log.now();
        int shown = day == null ? today(event) : Math.clamp(day, 1, event.days().size());
        Units units = accounts.units(key.accountId());
        AdviceView advice = advice(key, event, shown, null, units);
        Instant leave = advice.nextHour() == null ? null : advice.nextHour().leaveAt();
        BagView.Moment moment = new BagView.Moment(shown, now, leave);
        BagView bag = BagView.of(event.event(), BoatLog.names(event), log.shown(event.competition()), moment, units);
        CompetitionDay hours = event.day(shown);
        CompetitionView view = new CompetitionView(
                event,
                form,
                bag,
                boatLog.node(event, event.competition(), units).toString(),
                now.isBefore(hours.checkIn()) ? Hazards.of(event, shown, now, units) : List.of(),
                now.isBefore(hours.start()) ? gear(key, event, shown) : null);
        return Views.show("competition/competition", model, view, advice);
    }

    /** What is wrong with the gear for the day's plan. */
    private List<String> gear(EventKey key, EventData event, int day) {
        List<PlanStop> plan = event.planOf(day);
        return plan.isEmpty()
                ? List.of()
                : decks.check(key, event, plan).stream().map(GearCheck::words).toList();
    }

    /**
     * What the page shows of stay or go.
     *
     * @param due      known fish to come back to; null once the day is over
     * @param rest     the rest of the day; null where there is no advice
     * @param nextHour null where there is no advice
     * @param fishing  what is fished now; null where there is no advice
     */
    record AdviceView(
            EventData data,
            @Nullable List<FishWords.Due> due,
            RestOfDay.@Nullable View rest,
            MoveAdviceView.@Nullable View nextHour,
            @Nullable Cell fishing,
            String freshCode) {}

    private AdviceView advice(EventKey key, EventData event, int day, @Nullable Position position, Units units) {
        Instant now = log.now();
        MoveAdviceView.View said = nextHour.at(key, event, day, log.shown(event.competition()), now, position, units)
                .orElse(null);
        CompetitionDay hours = event.day(day);
        return new AdviceView(
                event,
                now.isBefore(hours.checkIn()) ? FishWords.due(event, now, hours.checkIn(), units) : null,
                said == null ? null : restOfDay.said(key, event, day, units),
                said,
                said == null ? null : said.cell(),
                UUID.randomUUID().toString());
    }

    /** The advice alone, as the page asks for it after each entry. */
    @GetMapping("/events/{eventId}/competition/advice")
    String advice(
            EventKey key,
            @RequestParam(required = false) Double lat,
            @RequestParam(required = false) Double lon,
            Model model) {
        EventData event = events.event(key);
        AdviceView view = advice(key, event, today(event), position(lat, lon), accounts.units(key.accountId()));
        return Views.show("competition/advice :: advice", model, view);
    }

    private int today(EventData event) {
        return event.event().dayOf(log.now());
    }

    /** Where the boat says it is; null when it does not, or is nowhere. */
    private static @Nullable Position position(Double lat, Double lon) {
        return lat == null || lon == null || !(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180)
                ? null
                : new Position(lat, lon);
    }

    /** Looks for the best way to fish what is left of the day. */
    @PostMapping("/events/{eventId}/competition/rest")
    String look(EventKey key, @RequestParam(required = false) Double lat, @RequestParam(required = false) Double lon) {
        EventData event = events.event(key);
        restOfDay.look(key, event, today(event), log.shown(event.competition()), log.now(), position(lat, lon));
        return "redirect:/events/" + key.eventId() + "/competition";
    }

    @PostMapping("/events/{eventId}/competition/rest/take")
    String take(EventKey key, RedirectAttributes flash) {
        EventData event = events.event(key);
        restOfDay
                .take(key, event, today(event))
                .ifPresentOrElse(
                        back -> Undo.offer(flash, "Your plan now has the new rest of the day.", back),
                        () -> flash.addFlashAttribute(
                                "trouble", "Practice or the plan has changed: plan the rest of the day again."));
        return "redirect:/events/" + key.eventId() + "/competition";
    }

    @PostMapping("/events/{eventId}/competition/rest/drop")
    String drop(EventKey key) {
        restOfDay.drop(key, today(events.outline(key)));
        return "redirect:/events/" + key.eventId() + "/competition";
    }

    /**
     * Takes an entry. Its id is made by the page: an entry sent again, since its answer was lost, is not added again.
     */
    @PostMapping("/events/{eventId}/competition/entries")
    String add(
            EventKey key,
            @RequestParam String code,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam Map<String, String> fields,
            Model model) {
        EventData event = events.outline(key);
        Form form = new Form(fields, accounts.units(key.accountId()));
        FormEntry.read(form, event.event(), BoatLog.names(event), code, log.ago(ago))
                .flatMap(e -> log.append(key, e))
                .map(FormEntry::onForm)
                .ifPresent(v -> form.error(v.field(), v.message()));
        if (!form.ok()) {
            return page(key, null, form, model);
        }
        return "redirect:/events/" + key.eventId() + "/competition";
    }
}
