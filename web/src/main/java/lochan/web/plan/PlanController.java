package lochan.web.plan;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import lochan.core.Coded;
import lochan.core.event.Event;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.Strategy;
import lochan.offline.plan.PlanWords;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Undo;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The plans of an event: new ones, copies, searches, and the page that shows them. */
@Controller
class PlanController {

    private final Plans plans;
    private final EventBook events;
    private final PlanPage page;
    private final PlanSearch search;
    private final PlanValuation computation;
    private final Budgets budgets;

    PlanController(
            Plans plans,
            EventBook events,
            PlanPage page,
            PlanSearch search,
            PlanValuation computation,
            Budgets budgets) {
        this.budgets = budgets;
        this.plans = plans;
        this.events = events;
        this.page = page;
        this.search = search;
        this.computation = computation;
    }

    @GetMapping("/events/{eventId}/plan")
    String plan(
            EventKey key,
            @RequestParam(required = false) Long plan,
            @RequestParam Map<String, String> fields,
            Model model) {
        return page.show(key, plan, null, fields, model);
    }

    @PostMapping("/events/{eventId}/plan/new")
    String add(EventKey key, @RequestParam(defaultValue = "1") int day) {
        return show(key, plans.add(key, new Plan(day(events.outline(key), day), null, List.of())));
    }

    private static int day(EventData event, int day) {
        return Math.clamp(day, 1, event.days().size());
    }

    /** Marks the plan that the boat app shows for its day. */
    @PostMapping("/events/{eventId}/plan/follow")
    String follow(EventKey key, @RequestParam long plan, RedirectAttributes flash) {
        int day = plans.follow(key, plan);
        flash.addFlashAttribute("notice", "The boat app now shows this plan for day " + day + ".");
        return show(key, plan);
    }

    /** A plan of its own with the same stops, on the same day or at the same times of another. */
    @PostMapping("/events/{eventId}/plan/copy")
    String copy(
            EventKey key,
            @RequestParam long plan,
            @RequestParam(required = false) Integer day,
            RedirectAttributes flash) {
        Event event = events.outline(key).event();
        Plan of = plans.stored(key, plan).plan();
        int to = day == null ? of.day() : Math.clamp(day, 1, event.days().size());
        Duration ahead = Duration.between(
                event.day(of.day()).date().atStartOfDay(event.timeZone()),
                event.day(to).date().atStartOfDay(event.timeZone()));
        String name = "Copy" + (of.name() == null ? "" : " of " + of.name());
        long id = plans.add(
                key,
                new Plan(
                        to,
                        plans.freeName(key, to, name),
                        of.stops().stream()
                                .map(s -> s.during(
                                        s.arrive().plus(ahead), s.leave().plus(ahead)))
                                .toList()));
        Undo.offer(flash, "Copied for day " + to + ".", path(key, "/delete?plan=" + id));
        return show(key, id);
    }

    /** Searches for plans around the locked stops; without a plan, makes an empty one to search for. */
    @PostMapping("/events/{eventId}/plan/search")
    String search(
            EventKey key,
            @RequestParam(required = false) Long plan,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam(defaultValue = "balanced") String strategy,
            @RequestParam(defaultValue = "quick") String effort,
            @RequestParam(required = false) List<String> avoid,
            RedirectAttributes flash) {
        EventData event = events.event(key);
        if (!PlanValuation.values(event)
                || computation
                        .scenarios(
                                key,
                                event,
                                plan == null
                                        ? day(event, day)
                                        : plans.stored(key, plan).plan().day())
                        .model()
                        .cells()
                        .isEmpty()) {
            flash.addFlashAttribute(
                    "trouble",
                    PlanValuation.values(event)
                            ? "No practice yet: log practice stops with their lures, then optimise."
                            : "Plans of length events are not computed yet: choose the stops by hand.");
            return plan == null ? "redirect:" + path(key, "") : show(key, plan);
        }
        StoredPlan of =
                plans.stored(key, plan == null ? plans.add(key, new Plan(day(event, day), null, List.of())) : plan);
        Plan kept = PlanPage.kept(of.plan(), event);
        List<PlanStop> locked = kept.stops().stream().filter(PlanStop::locked).toList();
        if (!locked.isEmpty() && !computation.edits(event, kept.day()).canBeKept(locked)) {
            flash.addFlashAttribute(
                    "trouble",
                    "The locked stops alone cannot be kept: the runs between them, or home, are too long. Unlock one or change its times.");
            return show(key, of.id());
        }
        boolean bothDays =
                strategy.equals("both-days") && kept.day() < event.days().size();
        List<Strategy> strategies = strategy.equals("all")
                ? PlanPage.strategies(event)
                : List.of(Coded.find(Strategy.class, strategy).orElse(Strategy.BALANCED));
        search.begin(
                key,
                of.id(),
                event,
                kept,
                new PlanSearch.Request(
                        strategies,
                        bothDays,
                        new HashSet<>(avoid == null ? List.of() : avoid),
                        effort.equals("thorough")
                                ? budgets.search().thorough()
                                : budgets.search().quick()));
        return show(key, of.id()) + "#search";
    }

    @PostMapping("/events/{eventId}/plan/search/stop")
    String stopSearch(EventKey key, @RequestParam long plan) {
        plans.stored(key, plan);
        search.stop(key, plan);
        return show(key, plan) + "#search";
    }

    /** Keeps what a search found: as a plan of its own, or in an empty plan's place. */
    @PostMapping("/events/{eventId}/plan/search/keep")
    String keepFound(EventKey key, @RequestParam long plan, @RequestParam int found, RedirectAttributes flash) {
        EventData event = events.event(key);
        StoredPlan of = plans.stored(key, plan);
        List<PlanSearch.Result> all = search.state(key, plan, event, of.plan().day())
                .map(BackgroundComputation.State::result)
                .orElse(List.of());
        if (found < 0 || found >= all.size()) {
            flash.addFlashAttribute("trouble", "Practice, rules or spots have changed: optimise again.");
            return show(key, plan);
        }
        PlanSearch.Result f = all.get(found);
        boolean both = f.next() != null;
        String saved = f.savedSpotId() == null ? "Both days" : "Saving " + PlanWords.spot(f.savedSpotId(), event);
        String name = both ? saved : org.springframework.util.StringUtils.capitalize(PlanWords.strategy(f.strategy()));
        if (of.plan().stops().isEmpty() && !both) {
            if (!plans.change(
                    key,
                    of,
                    "optimised",
                    of.plan().name() == null
                            ? plans.freeName(key, of.plan().day(), name)
                            : of.plan().name(),
                    f.stops())) {
                flash.addFlashAttribute("trouble", "The plan was changed in another window. Nothing was changed here.");
            }
            return show(key, plan);
        }
        String kept = plans.freeName(key, of.plan().day(), name);
        long id = plans.add(key, new Plan(of.plan().day(), kept, f.stops()));
        List<Long> made = new ArrayList<>(List.of(id));
        if (f.next() != null) {
            made.add(plans.add(key, new Plan(of.plan().day() + 1, kept, f.next())));
        }
        Undo.offer(
                flash,
                both ? "Two plans were added, one for each day." : "The plan was added.",
                path(key, "/delete?plan=" + ids(made)));
        return show(key, id);
    }

    @PostMapping("/events/{eventId}/plan/delete")
    String delete(EventKey key, @RequestParam List<Long> plan, RedirectAttributes flash) {
        named(plan).forEach(id -> plans.delete(key, id));
        Undo.offer(
                flash, plan.size() == 1 ? "Plan deleted." : "Plans deleted.", path(key, "/restore?plan=" + ids(plan)));
        return "redirect:" + path(key, "");
    }

    /** Refuses a list without plans, or with an id left empty. */
    private static List<Long> named(List<Long> plans) {
        if (plans.isEmpty() || plans.stream().anyMatch(Objects::isNull)) {
            throw new NotThereException();
        }
        return plans;
    }

    private static String ids(List<Long> plans) {
        return plans.stream().map(String::valueOf).collect(Collectors.joining(","));
    }

    @PostMapping("/events/{eventId}/plan/restore")
    String restore(EventKey key, @RequestParam List<Long> plan, RedirectAttributes flash) {
        named(plan).forEach(id -> plans.restore(key, id));
        int days = events.outline(key).days().size();
        List<Long> without = plan.stream()
                .filter(id -> plans.stored(key, id).plan().day() > days)
                .toList();
        if (!without.isEmpty()) {
            without.forEach(id -> plans.delete(key, id));
            flash.addFlashAttribute(
                    "trouble",
                    "The event no longer has the day of that plan: add the day under Rules, then restore the plan.");
            return "redirect:" + path(key, "");
        }
        return show(key, plan.getFirst());
    }

    private static String path(EventKey key, String rest) {
        return "/events/" + key.eventId() + "/plan" + rest;
    }

    static String show(EventKey key, long plan) {
        return "redirect:" + path(key, "?plan=" + plan);
    }
}
