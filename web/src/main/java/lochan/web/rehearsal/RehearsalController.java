package lochan.web.rehearsal;

import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import lochan.core.competition.BagLog;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.quantity.Units;
import lochan.core.rehearsal.Costs;
import lochan.core.rehearsal.Outcome;
import lochan.core.rehearsal.Rehearsal;
import lochan.offline.bag.BagView;
import lochan.offline.bag.Names;
import lochan.offline.plan.PlanWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.modelling.DayModels;
import lochan.web.plan.PlanPage;
import lochan.web.plan.Plans;
import lochan.web.plan.StoredPlan;
import lochan.web.shared.Dates;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Rehearsals at the desk: which plan, how they went, and what each decision cost. */
@Controller
class RehearsalController {

    private static final int MOST_COSTS = 5;
    /** A choice that cost less is no mistake. */
    private static final double LEAST_COST_GRAMS = 14;

    private static final double MUCH = 1.3;

    private final Rehearsals rehearsals;
    private final Outcomes outcomes;
    private final EventBook events;
    private final Plans plans;
    private final DayModels dayModels;
    private final Accounts accounts;

    RehearsalController(
            Rehearsals rehearsals,
            Outcomes outcomes,
            EventBook events,
            Plans plans,
            DayModels dayModels,
            Accounts accounts) {
        this.rehearsals = rehearsals;
        this.outcomes = outcomes;
        this.events = events;
        this.plans = plans;
        this.dayModels = dayModels;
        this.accounts = accounts;
    }

    @GetMapping("/events/{eventId}/plan/rehearsals")
    String all(EventKey key, @RequestParam(required = false) Long plan, Model model) {
        return list(key, plan, "", null, model);
    }

    private String list(EventKey key, @Nullable Long plan, String typed, @Nullable String wrong, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        List<StoredPlan> known = plans.stored(key).stream()
                .filter(p -> !PlanPage.kept(p.plan(), event).stops().isEmpty()
                        && p.plan().day() <= event.days().size())
                .toList();
        Long chosen = known.stream()
                .map(StoredPlan::id)
                .filter(id -> id.equals(plan))
                .findFirst()
                .orElse(known.isEmpty() ? null : known.getFirst().id());
        return Views.show(
                "rehearsal/rehearsals",
                model,
                new RehearsalsView(
                        known.stream()
                                .map(p -> new RehearsalsView.Choice(
                                        p.id(), title(p.plan().day(), p.plan().name())))
                                .toList(),
                        chosen,
                        none(event, known),
                        typed,
                        wrong,
                        rehearsals.all(key).stream()
                                .map(r -> line(r, event.timeZone(), units))
                                .toList()));
    }

    private static @Nullable String none(EventData event, List<StoredPlan> known) {
        if (event.rules().format() == Format.LIMIT_LENGTH) {
            return "Days of length events cannot be rehearsed yet.";
        }
        return known.isEmpty() ? "There is no plan with stops yet: make one first." : null;
    }

    private static String title(int day, @Nullable String name) {
        return "Day " + day + (name == null ? "" : ", " + name);
    }

    private static RehearsalsView.Line line(StoredRehearsal r, ZoneId zone, Units units) {
        Outcome o = r.outcome();
        return RehearsalsViewLineBuilder.builder()
                .id(r.id())
                .began(Dates.dayAndClock(r.beganAt(), zone))
                .of(title(r.day(), r.planName()))
                .number(r.number())
                .advice(r.advised() ? "seen" : "hidden")
                .over(r.isOver())
                .you(o == null ? null : units.weight(o.you().grams()))
                .plan(o == null ? null : units.weight(o.plan().grams()))
                .again(o == null ? null : units.weight(o.again().grams()))
                .given(o == null ? null : RehearsalWords.weight(given(o), units))
                .build();
    }

    private static double given(Outcome outcome) {
        return outcome.costs().stream().mapToDouble(Costs.Cost::grams).sum();
    }

    /** Draws a day, or the one of a number, and opens it in the boat's screens. */
    @PostMapping("/events/{eventId}/plan/rehearsals")
    String begin(
            EventKey key,
            @RequestParam long plan,
            @RequestParam(defaultValue = "") String number,
            @RequestParam(defaultValue = "false") boolean advice,
            Model model,
            HttpServletResponse response) {
        StoredPlan stored = plans.stored(key, plan);
        EventData event = events.event(key);
        Plan kept = PlanPage.kept(stored.plan(), event);
        String wrong = wrong(number);
        if (wrong == null
                && (none(event, List.of(stored)) != null
                        || kept.stops().isEmpty()
                        || kept.day() > event.days().size()
                        || dayModels.of(key, event, kept.day()).cells().isEmpty())) {
            wrong = "This plan cannot be rehearsed: it needs stops, and practice that says what bites there.";
        }
        if (wrong != null) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return list(key, plan, number, wrong, model);
        }
        int drawn = number.isBlank()
                ? RandomGenerator.getDefault().nextInt(1, Rehearsals.MOST_NUMBER + 1)
                : Integer.parseInt(number.strip());
        return play(
                key, rehearsals.begin(key, stored.plan(), drawn, advice, rehearsals.draw(key, event, stored, drawn)));
    }

    private static @Nullable String wrong(String number) {
        if (number.isBlank()) {
            return null;
        }
        String message = "Day number: expected a whole number from 1 to " + Rehearsals.MOST_NUMBER
                + ", or nothing for a new day.";
        try {
            int drawn = Integer.parseInt(number.strip());
            return drawn >= 1 && drawn <= Rehearsals.MOST_NUMBER ? null : message;
        } catch (NumberFormatException e) {
            return message;
        }
    }

    private static String play(EventKey key, long id) {
        return "redirect:/boat/" + key.eventId() + "/rehearsal?rehearsal=" + id;
    }

    /** Starts the day again from its beginning. */
    @PostMapping("/events/{eventId}/plan/rehearsals/again")
    String again(EventKey key, @RequestParam long rehearsal) {
        return play(key, rehearsals.again(key, rehearsal));
    }

    @PostMapping("/events/{eventId}/plan/rehearsals/delete")
    String delete(EventKey key, @RequestParam long rehearsal, RedirectAttributes flash) {
        rehearsals.delete(key, rehearsal);
        Undo.offer(flash, "Rehearsal deleted.", root(key) + "/restore?rehearsal=" + rehearsal);
        return "redirect:" + root(key);
    }

    @PostMapping("/events/{eventId}/plan/rehearsals/restore")
    String restore(EventKey key, @RequestParam long rehearsal) {
        rehearsals.restore(key, rehearsal);
        return "redirect:" + root(key);
    }

    private static String root(EventKey key) {
        return "/events/" + key.eventId() + "/plan/rehearsals";
    }

    /** How a day went; one that goes on is opened where it stands. */
    @GetMapping("/events/{eventId}/plan/rehearsals/played")
    String played(EventKey key, @RequestParam long rehearsal, Model model) {
        StoredRehearsal of = rehearsals.stored(key, rehearsal);
        if (!of.isOver()) {
            return play(key, rehearsal);
        }
        Units units = accounts.units(key.accountId());
        Rehearsals.Opened opened = rehearsals.opened(key, of);
        EventData event = opened.known().event();
        Rehearsal day = opened.day().after(of.steps());
        RehearsalViewBuilder page = RehearsalViewBuilder.builder()
                .id(of.id())
                .played(title(of.day(), of.planName()))
                .number(of.number())
                .you(units.weight(day.countedGrams()))
                .back(back(Outcome.Played.of(day), event))
                .advice(of.advised() ? "seen" : "hidden")
                .log(log(day, of, event, units));
        Outcome outcome = of.outcome();
        if (outcome == null) {
            var work = outcomes.of(key, of);
            outcome = work.result();
            page.work(outcome == null ? work : null);
        }
        if (outcome == null) {
            page.bars(List.of()).caught(List.of()).costs(List.of()).places(List.of());
        } else {
            shown(outcome, day.bag().weighedGrams(), event, units, page);
        }
        return Views.show("rehearsal/rehearsal", model, page.build());
    }

    /** Lets the others play after all, where that failed. */
    @PostMapping("/events/{eventId}/plan/rehearsals/played")
    String goOn(EventKey key, @RequestParam long rehearsal) {
        StoredRehearsal of = rehearsals.stored(key, rehearsal);
        if (of.isOver()) {
            outcomes.again(key, of);
        }
        return "redirect:" + root(key) + "/played?rehearsal=" + rehearsal;
    }

    private static String back(Outcome.Played played, EventData event) {
        return RehearsalWords.clock(played.back(), event)
                + (played.lateMinutes() > 0 ? ", " + RehearsalWords.minutesLate(played.lateMinutes()) + " late" : "");
    }

    /** @param grams of the bag before penalties */
    private static void shown(Outcome o, double grams, EventData event, Units units, RehearsalViewBuilder page) {
        double most = Stream.of(o.you(), o.plan(), o.advised(), o.again())
                .mapToDouble(Outcome.Played::grams)
                .max()
                .orElse(1);
        page.bars(List.of(
                bar("You", o.you(), true, most, event, units),
                bar("The plan, whatever bites", o.plan(), false, most, event, units),
                bar("The move advice, obeyed", o.advised(), false, most, event, units),
                bar("Planned again every hour", o.again(), false, most, event, units)));
        page.summary(summary(o, units));
        page.caught(
                o.caught().stream().map(c -> RehearsalWords.caught(c, event)).toList());
        page.costs(Stream.concat(
                        RehearsalWords.late(o.you(), grams, units).stream(),
                        o.costs().stream()
                                .filter(c -> c.grams() >= LEAST_COST_GRAMS)
                                .limit(MOST_COSTS)
                                .map(c -> RehearsalWords.cost(c, event, units)))
                .toList());
        double given = given(o);
        page.given(given < LEAST_COST_GRAMS ? null : RehearsalWords.weight(given, units));
        page.places(o.places().stream().map(p -> place(p, event)).toList());
    }

    private static RehearsalView.Bar bar(
            String name, Outcome.Played played, boolean you, double most, EventData event, Units units) {
        return new RehearsalView.Bar(
                name,
                units.weight(played.grams()),
                played.fish() + " fish",
                back(played, event),
                most == 0 ? 0 : RehearsalView.BAR_WIDTH * played.grams() / most,
                you);
    }

    private static String summary(Outcome o, Units units) {
        double most = Math.max(
                o.plan().grams(), Math.max(o.advised().grams(), o.again().grams()));
        return o.you().grams() >= most
                ? "You beat all three on this day."
                : "The best of them brought "
                        + RehearsalWords.weight(most - o.you().grams(), units) + " more on this day.";
    }

    private static RehearsalView.Place place(Outcome.Place p, EventData event) {
        double ratio = p.expected() > 0 ? p.bites() / p.expected() : 1;
        String said = ratio > MUCH
                ? "better than practice said"
                : ratio < 1 / MUCH ? "worse than practice said" : "as practice said";
        return new RehearsalView.Place(
                PlanWords.cell(p.cell(), event),
                RehearsalWords.perHour(p.bites()),
                RehearsalWords.perHour(p.expected()),
                said + (p.occupied() ? "; another boat was there first" : ""),
                p.fished());
    }

    private static List<RehearsalView.Logged> log(Rehearsal day, StoredRehearsal of, EventData event, Units units) {
        BagView view = BagView.of(
                BagLog.replay(day.event(), day.entries()),
                Names.in(event),
                new BagView.Moment(of.day(), day.now(), null, null),
                units);
        return view.lines().reversed().stream()
                .map(l -> new RehearsalView.Logged(l.time(), l.what(), l.brought()))
                .toList();
    }
}
