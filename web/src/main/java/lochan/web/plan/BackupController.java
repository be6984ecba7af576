package lochan.web.plan;

import java.time.ZoneId;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Backups;
import lochan.core.planning.Calibration;
import lochan.core.quantity.Units;
import lochan.core.rate.Pattern;
import lochan.core.water.PlaceClass;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import lochan.web.page.Dates;
import lochan.web.page.Undo;
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
    private final Forecasts forecasts;

    BackupController(Plans plans, PlanBackups backups, EventBook events, Accounts accounts, Forecasts forecasts) {
        this.plans = plans;
        this.backups = backups;
        this.events = events;
        this.accounts = accounts;
        this.forecasts = forecasts;
    }

    /**
     * A rung of the ladder.
     *
     * @param triggers when to go, in words; none when going on is never worse
     */
    record Rung(int index, String pattern, String grams, String stops, List<String> triggers) { }

    @GetMapping("/events/{eventId}/plan/backups")
    String page(EventKey key, @RequestParam(required = false) Long plan, Model model) {
        if (plan == null) {
            return "redirect:/events/" + key.eventId() + "/plan";
        }
        EventData event = events.event(key);
        StoredPlan stored = plans.stored(key, plan);
        Plan kept = PlanController.kept(stored.plan(), event);
        PlanBackups.State state = backups.state(key, plan, event, kept).orElse(null);
        model.addAttribute("shown", stored);
        model.addAttribute("empty", kept.stops().isEmpty() || event.brief().format() == Format.LIMIT_LENGTH);
        model.addAttribute("job", state);
        if (state != null && state.ladder() != null) {
            Units units = accounts.units(key.accountId());
            Calibration calibration = forecasts.calibration(key.accountId());
            List<Backups.Backup> found = state.ladder().backups();
            model.addAttribute("mainPattern", words(state.ladder().main(), event));
            model.addAttribute("rungs", IntStream.range(0, found.size()).mapToObj(i -> rung(i, found.get(i), event, units, calibration)).toList());
        }
        return "plan/backups";
    }

    private static Rung rung(int index, Backups.Backup b, EventData event, Units units, Calibration calibration) {
        ZoneId zone = event.brief().timeZone();
        return new Rung(index, words(b.pattern(), event), units.weight(b.grams() * calibration.factor()),
                b.stops().stream().map(s -> spot(s.spotId(), event) + " " + Dates.clock(s.arrive(), zone) + "–" + Dates.clock(s.leave(), zone))
                        .collect(Collectors.joining(", ")),
                b.triggers().stream().map(t -> (t.strikesUnder() == 1 ? "No strike" : "Fewer than " + t.strikesUnder() + " strikes") + " by "
                        + Dates.clock(t.at(), zone) + " at " + spot(t.spotId(), event) + ": go.").toList());
    }

    private static String words(Pattern pattern, EventData event) {
        return event.presentation(pattern.presentationId()).orElseThrow().name() + " on " + PlaceClass.words(pattern.placeClass());
    }

    private static String spot(String id, EventData event) {
        return event.spot(id).orElseThrow().name();
    }

    @PostMapping("/events/{eventId}/plan/backups")
    String begin(EventKey key, @RequestParam long plan) {
        EventData event = events.event(key);
        Plan kept = PlanController.kept(plans.stored(key, plan).plan(), event);
        if (!kept.stops().isEmpty() && event.brief().format() != Format.LIMIT_LENGTH) {
            backups.begin(key, plan, event, kept);
        }
        return "redirect:/events/" + key.eventId() + "/plan/backups?plan=" + plan;
    }

    /** Keeps a backup as a plan of its own. */
    @PostMapping("/events/{eventId}/plan/backups/keep")
    String keep(EventKey key, @RequestParam long plan, @RequestParam int rung, RedirectAttributes flash) {
        EventData event = events.event(key);
        Plan kept = PlanController.kept(plans.stored(key, plan).plan(), event);
        List<Backups.Backup> found = backups.state(key, plan, event, kept).map(PlanBackups.State::ladder).map(Backups.Ladder::backups).orElse(null);
        if (found == null || rung < 0 || rung >= found.size()) {
            flash.addFlashAttribute("trouble", "The plan or practice has changed since: reckon the backups anew.");
            return "redirect:/events/" + key.eventId() + "/plan/backups?plan=" + plan;
        }
        Backups.Backup b = found.get(rung);
        List<PlanStop> stops = b.stops();
        String name = "Backup: " + PlaceClass.words(b.pattern().placeClass());
        long id = plans.add(key, new Plan(kept.day(), name, stops));
        Undo.offer(flash, "The backup is a plan of its own now.", "/events/" + key.eventId() + "/plan/delete?plan=" + id);
        return "redirect:/events/" + key.eventId() + "/plan?plan=" + id;
    }
}
