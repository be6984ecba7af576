package lochan.web.plan;

import java.util.List;
import java.util.stream.IntStream;
import lochan.core.eventdata.EventData;
import lochan.core.lake.SpotType;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.valuation.Calibration;
import lochan.core.quantity.Units;
import lochan.offline.plan.PatternWords;
import lochan.offline.plan.PlanWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What to do when a plan's main pattern dies. */
@Controller
class BackupController {

    private final Plans plans;
    private final PlanBackups backups;
    private final EventBook events;
    private final Accounts accounts;
    private final Projections projections;

    BackupController(Plans plans, PlanBackups backups, EventBook events, Accounts accounts, Projections projections) {
        this.plans = plans;
        this.backups = backups;
        this.events = events;
        this.accounts = accounts;
        this.projections = projections;
    }

    /**
     * A rung of the ladder.
     *
     * @param triggers when to go, in words; none when going on is never worse
     */
    record Rung(int index, String pattern, String grams, String stops, List<String> triggers) {}

    @GetMapping("/events/{eventId}/plan/backups")
    String page(EventKey key, @RequestParam(required = false) Long plan, Model model) {
        if (plan == null) {
            return "redirect:/events/" + key.eventId() + "/plan";
        }
        EventData event = events.event(key);
        StoredPlan stored = plans.stored(key, plan);
        Plan kept = PlanPage.kept(stored.plan(), event);
        boolean empty = kept.stops().isEmpty() || !PlanValuation.values(event);
        BackgroundComputation.State<Backups.Ladder> state = empty ? null : backups.of(key, plan, event, kept);
        Backups.Ladder ladder = state == null ? null : state.result();
        BackupsView view = new BackupsView(
                stored,
                empty,
                state,
                ladder == null || ladder.main() == null ? null : PatternWords.of(ladder.main(), event),
                ladder == null ? null : rungs(ladder.backups(), event, key.accountId()));
        return Views.show("plan/backups", model, view);
    }

    /**
     * @param job         null for a plan without backups
     * @param mainPattern null until it is computed, like the rungs
     */
    record BackupsView(
            StoredPlan shown,
            boolean empty,
            BackgroundComputation.@Nullable State<Backups.Ladder> job,
            @Nullable String mainPattern,
            @Nullable List<Rung> rungs) {}

    private List<Rung> rungs(List<Backups.Backup> found, EventData event, long accountId) {
        Units units = accounts.units(accountId);
        Calibration calibration = projections.calibration(accountId);
        return IntStream.range(0, found.size())
                .mapToObj(i -> rung(i, found.get(i), event, units, calibration))
                .toList();
    }

    static Rung rung(int index, Backups.Backup b, EventData event, Units units, Calibration calibration) {
        return new Rung(
                index,
                PatternWords.of(b.pattern(), event),
                units.weight(b.grams() * calibration.factor()),
                PlanWords.stops(b.stops(), event),
                b.triggers().stream()
                        .map(t -> PlanWords.trigger(t, event) + ": go.")
                        .toList());
    }

    @PostMapping("/events/{eventId}/plan/backups")
    String goOn(EventKey key, @RequestParam long plan) {
        EventData event = events.event(key);
        Plan kept = PlanPage.kept(plans.stored(key, plan).plan(), event);
        if (!kept.stops().isEmpty() && PlanValuation.values(event)) {
            backups.goOn(key, plan, event, kept);
        }
        return "redirect:/events/" + key.eventId() + "/plan/backups?plan=" + plan;
    }

    @PostMapping("/events/{eventId}/plan/backups/stop")
    String stop(EventKey key, @RequestParam long plan) {
        backups.stop(key, plans.stored(key, plan).id());
        return "redirect:/events/" + key.eventId() + "/plan/backups?plan=" + plan;
    }

    /** Keeps a backup as a plan of its own. */
    @PostMapping("/events/{eventId}/plan/backups/keep")
    String keep(EventKey key, @RequestParam long plan, @RequestParam int rung, RedirectAttributes flash) {
        EventData event = events.event(key);
        Plan kept = PlanPage.kept(plans.stored(key, plan).plan(), event);
        List<Backups.Backup> found = backups.state(key, plan, event, kept)
                .map(BackgroundComputation.State::result)
                .map(Backups.Ladder::backups)
                .orElse(null);
        if (found == null || rung < 0 || rung >= found.size()) {
            flash.addFlashAttribute("trouble", "The plan or practice has changed: these are the new backups.");
            return "redirect:/events/" + key.eventId() + "/plan/backups?plan=" + plan;
        }
        Backups.Backup b = found.get(rung);
        List<PlanStop> stops = b.stops();
        String name = "Backup: " + SpotType.words(b.pattern().spotType());
        long id = plans.add(key, new Plan(kept.day(), name, stops));
        Undo.offer(flash, "The backup was added as a plan.", "/events/" + key.eventId() + "/plan/delete?plan=" + id);
        return "redirect:/events/" + key.eventId() + "/plan?plan=" + id;
    }
}
