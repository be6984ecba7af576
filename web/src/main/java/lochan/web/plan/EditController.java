package lochan.web.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lochan.core.Violation;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.edits.PlanEdits;
import lochan.offline.form.Form;
import lochan.offline.plan.PlanWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Changes of a plan by hand, one at a time: each is kept, valued, and can be undone. */
@Controller
class EditController {

    static final int LONGEST_NAME = 80;
    private static final int MOST_STOPS = 40;
    private static final int USUAL_STAY_MINUTES = 45;
    private static final int LONGEST_DAY_MINUTES = 24 * 60;

    private final Plans plans;
    private final EventBook events;
    private final Accounts accounts;
    private final PlanValuation computation;
    private final PlanPage page;

    EditController(Plans plans, EventBook events, Accounts accounts, PlanValuation computation, PlanPage page) {
        this.plans = plans;
        this.events = events;
        this.accounts = accounts;
        this.computation = computation;
        this.page = page;
    }

    /** A change that is asked for: what becomes of the stops, and what it is called. */
    private record Edit(String words, List<PlanStop> stops) {}

    /**
     * Does a change.
     *
     * @param op   what to do
     * @param stop index of the stop it is done to, from 0
     * @param seen revision of the plan that the page showed; another one means that the plan was changed elsewhere
     */
    @PostMapping("/events/{eventId}/plan/edit")
    String edit(
            EventKey key,
            @RequestParam long plan,
            @RequestParam String op,
            @RequestParam(name = "index", defaultValue = "-1") int stop,
            @RequestParam(required = false) Integer seen,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        EventData event = events.event(key);
        StoredPlan of = plans.stored(key, plan);
        Plan kept = PlanPage.kept(of.plan(), event);
        boolean ofStop = !List.of("add", "close", "name").contains(op);
        if ((seen != null && seen != of.revision())
                || (ofStop && (stop < 0 || stop >= kept.stops().size()))) {
            return changedElsewhere(key, plan, flash);
        }
        Form form = new Form(fields, accounts.units(key.accountId()));
        String name = op.equals("name")
                ? form.words("name", "The name", LONGEST_NAME)
                : of.plan().name();
        Edit edit = op.equals("name")
                ? new Edit("named " + (name == null ? "nothing" : name), kept.stops())
                : edited(key, event, kept, op, stop, form);
        if (form.ok()) {
            PlanCheck.check(event, new Plan(kept.day(), name, edit.stops())).forEach(form::violation);
        }
        if (!form.ok()) {
            return page.show(key, plan, form, Map.of(), model);
        }
        return plans.change(key, of, edit.words(), name, edit.stops())
                ? PlanController.show(key, plan)
                : changedElsewhere(key, plan, flash);
    }

    private static String changedElsewhere(EventKey key, long plan, RedirectAttributes flash) {
        flash.addFlashAttribute("trouble", "The plan was changed in another window. Nothing was changed here.");
        return PlanController.show(key, plan);
    }

    private Edit edited(EventKey key, EventData event, Plan plan, String op, int index, Form form) {
        PlanEdits edits = computation.edits(event, plan.day());
        if (op.equals("close")) {
            return new Edit("gaps closed", edits.pulledUp(plan.stops()));
        }
        if (op.equals("add")) {
            return added(key, event, plan, form, edits);
        }
        return edited(event, plan, op, index, form, edits);
    }

    private Edit edited(EventData event, Plan plan, String op, int index, Form form, PlanEdits edits) {
        List<PlanStop> stops = plan.stops();
        PlanStop stop = stops.get(index);
        String spot = PlanWords.spot(stop.spotId(), event);
        CompetitionDay day = event.day(plan.day());
        return switch (op) {
            case "set" -> new Edit(spot + " set by hand", set(event, plan, index, form, edits));
            case "shift" ->
                new Edit(
                        spot + (minutes(form, "minutes") < 0 ? " earlier" : " later"),
                        edits.startedAt(
                                stops, index, stop.arrive().plus(Duration.ofMinutes(minutes(form, "minutes")))));
            case "stretch" ->
                new Edit(
                        spot + (minutes(form, "minutes") < 0 ? " shorter" : " longer"),
                        edits.endedAt(stops, index, stop.leave().plus(Duration.ofMinutes(minutes(form, "minutes")))));
            case "start" ->
                new Edit(
                        spot + " at another time",
                        edits.startedAt(stops, index, day.start().plus(Duration.ofMinutes(minutes(form, "minutes")))));
            case "begin" ->
                new Edit(
                        spot + " begun at another time",
                        edits.replaced(
                                stops, index, stop.during(within(stop, day, minutes(form, "minutes")), stop.leave())));
            case "end" ->
                new Edit(
                        spot + " ended at another time",
                        edits.endedAt(stops, index, day.start().plus(Duration.ofMinutes(minutes(form, "minutes")))));
            case "move" ->
                new Edit(
                        spot + " in another order",
                        edits.moved(stops, index, Math.clamp(minutes(form, "to"), 0, stops.size() - 1)));
            case "lock" ->
                new Edit(
                        spot + (stop.locked() ? " unlocked" : " locked"),
                        edits.replaced(stops, index, stop.locked(!stop.locked())));
            case "drop" -> new Edit(spot + " dropped", edits.without(stops, index));
            default -> {
                form.error("op", "There is no change “" + op + "”.");
                yield new Edit("", stops);
            }
        };
    }

    /** A start no later than what leaves the shortest stop. */
    private static Instant within(PlanStop stop, CompetitionDay day, int minute) {
        Instant at = day.start().plus(Duration.ofMinutes(minute));
        Instant latest = stop.leave()
                .minus(Duration.ofMinutes(PlanValuation.ASSUMPTIONS.planning().minDwellMinutes()));
        return at.isAfter(latest) ? latest : at;
    }

    private static int minutes(Form form, String name) {
        Integer value = form.whole(name);
        if (value == null || Math.abs(value) > LONGEST_DAY_MINUTES) {
            form.fail(name, "forms.minutes", form.value(name));
            return 0;
        }
        return value;
    }

    private List<PlanStop> set(EventData event, Plan plan, int index, Form form, PlanEdits edits) {
        String at = "stops/" + index + "/";
        CompetitionDay day = event.day(plan.day());
        ZoneId zone = event.timeZone();
        form.needs(at + "arrive", "planforms.arrive");
        form.needs(at + "leave", "planforms.leave");
        Instant arrive = onDay(form.time(at + "arrive"), day, zone);
        Instant leave = onDay(form.time(at + "leave"), day, zone);
        PlanStop before = plan.stops().get(index);
        PlanStop typed = arrive == null || leave == null
                ? before
                : new PlanStop(
                        form.value(at + "spot"), form.value(at + "presentation"), arrive, leave, before.locked());
        List<Violation> unknown = PlanCheck.check(event, new Plan(plan.day(), null, List.of(typed)));
        unknown.forEach(v -> form.violation(v.at(v.field().replace("stops/0", "stops/" + index))));
        return !unknown.isEmpty() || typed.equals(before) ? plan.stops() : edits.replaced(plan.stops(), index, typed);
    }

    private Edit added(EventKey key, EventData event, Plan plan, Form form, PlanEdits edits) {
        form.needs("add/spot", "planforms.spot");
        form.needs("add/presentation", "planforms.lure");
        if ((form.has("add/spot") && event.spot(form.value("add/spot")).isEmpty())
                || (form.has("add/presentation")
                        && event.presentation(form.value("add/presentation")).isEmpty())) {
            form.fail("add/spot", "planforms.not-in-event");
        }
        if (plan.stops().size() >= MOST_STOPS) {
            form.fail("add/spot", "planforms.too-many-stops", MOST_STOPS);
        }
        int minutes = form.has("add/minutes") ? minutes(form, "add/minutes") : USUAL_STAY_MINUTES;
        if (minutes < PlanValuation.ASSUMPTIONS.planning().minDwellMinutes()) {
            form.error(
                    "add/minutes",
                    "A stop takes " + PlanValuation.ASSUMPTIONS.planning().minDwellMinutes()
                            + " minutes at least: give more.");
        }
        return !form.ok()
                ? new Edit("", plan.stops())
                : new Edit(
                        PlanWords.spot(form.value("add/spot"), event) + " added",
                        edits.with(
                                plan.stops(),
                                form.value("add/spot"),
                                form.value("add/presentation"),
                                Duration.ofMinutes(minutes),
                                stops -> PlanValuation.values(event)
                                        ? computation.grams(key, event, plan.day(), stops)
                                        : 0));
    }

    /** A time of the clock on a day that may run past midnight. */
    private static @Nullable Instant onDay(@Nullable LocalTime time, CompetitionDay day, ZoneId zone) {
        if (time == null) {
            return null;
        }
        Instant at = day.date().atTime(time).atZone(zone).toInstant();
        boolean overnight = !day.checkIn().atZone(zone).toLocalDate().equals(day.date());
        return overnight && at.isBefore(day.start())
                ? day.date().plusDays(1).atTime(time).atZone(zone).toInstant()
                : at;
    }

    @PostMapping("/events/{eventId}/plan/undo")
    String undo(EventKey key, @RequestParam long plan, RedirectAttributes flash) {
        said(flash, "Undone", plans.undo(key, plan), "There is nothing to undo.");
        return PlanController.show(key, plan);
    }

    @PostMapping("/events/{eventId}/plan/redo")
    String redo(EventKey key, @RequestParam long plan, RedirectAttributes flash) {
        said(flash, "Redone", plans.redo(key, plan), "There is nothing to redo.");
        return PlanController.show(key, plan);
    }

    private static void said(
            RedirectAttributes flash, String what, StoredPlan.@Nullable Change change, String nothing) {
        flash.addFlashAttribute("notice", Objects.isNull(change) ? nothing : what + ": " + change.words() + ".");
    }
}
