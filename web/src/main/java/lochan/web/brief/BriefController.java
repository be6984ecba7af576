package lochan.web.brief;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.Species;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.competition.CompetitionLog;
import lochan.page.form.Form;
import lochan.web.page.Undo;
import lochan.web.practice.Practice;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Making, editing and removing events. */
@Controller
class BriefController {

    private static final double SLOWEST_MPS = 0.5;
    private static final double FASTEST_MPS = 60;

    private final Briefs briefs;
    private final Accounts accounts;
    private final Practice practice;
    private final CompetitionLog competition;
    private final Clock clock;

    BriefController(Briefs briefs, Accounts accounts, Practice practice, CompetitionLog competition, Clock clock) {
        this.practice = practice;
        this.competition = competition;
        this.briefs = briefs;
        this.accounts = accounts;
        this.clock = clock;
    }

    @GetMapping("/events/new")
    String fresh(@AuthenticationPrincipal Angler angler, Model model) {
        ZoneId zone = briefs.usualZone(angler.accountId());
        return page(BriefForm.empty(zone, LocalDate.ofInstant(clock.instant(), zone), accounts.units(angler.accountId())), model);
    }

    @PostMapping("/events/new")
    String add(@AuthenticationPrincipal Angler angler, @RequestParam Map<String, String> fields, Model model,
               HttpServletResponse response, RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(angler.accountId()));
        Optional<BriefForm.Read> read = BriefForm.read(form, Boat.USUAL);
        if (read.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(form, model);
        }
        EventKey key = briefs.add(angler.accountId(), read.get().brief(), read.get().boat());
        practice.addPresentations(key, Presentation.COMMON);
        flash.addFlashAttribute("notice", "Event made. Next: mark the spots you know.");
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    @GetMapping("/events/{eventId}")
    String event(EventKey key) {
        return "redirect:/events/" + key.eventId() + "/brief";
    }

    @GetMapping("/events/{eventId}/brief")
    String brief(EventKey key, Model model) {
        Units units = accounts.units(key.accountId());
        addSpeeds(key, units, model);
        return page(BriefForm.of(briefs.brief(key), briefs.boat(key), units), model);
    }

    @PostMapping("/events/{eventId}/brief")
    String save(EventKey key, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response,
                RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<BriefForm.Read> read = BriefForm.read(form, briefs.boat(key));
        read.ifPresent(r -> {
            form.violations(briefs.conflicts(key, r.brief()));
            form.violations(competition.conflict(key, r.brief()).stream().toList());
        });
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            addSpeeds(key, form.units(), model);
            return page(form, model);
        }
        briefs.update(key, read.orElseThrow().brief(), read.orElseThrow().boat());
        flash.addFlashAttribute("notice", "Brief saved.");
        return "redirect:/events/" + key.eventId() + "/brief";
    }

    private void addSpeeds(EventKey key, Units units, Model model) {
        List<BoatRun> runs = briefs.runs(key);
        if (!runs.isEmpty()) {
            model.addAttribute("speeds", BoatSpeeds.of(runs, briefs.boat(key), units));
        }
    }

    /** Takes speeds learned from tracks, m/s. */
    @PostMapping("/events/{eventId}/brief/speeds")
    String speeds(EventKey key, @RequestParam double run, @RequestParam double rough, RedirectAttributes flash) {
        Boat before = briefs.boat(key);
        if (!(run >= SLOWEST_MPS && run <= FASTEST_MPS && rough >= SLOWEST_MPS && rough <= run)) {
            flash.addFlashAttribute("trouble", "Those speeds are none a boat plans with: expected 1 to 134 mph, on rough water no more than on calm.");
        } else {
            briefs.updateBoat(key, before.atSpeeds(run, rough));
            Undo.offer(flash, "Plans run at these speeds now.", "/events/" + key.eventId() + "/brief/speeds?run=" + before.runMps() + "&rough="
                    + Math.min(before.runMps(), before.roughMps()));
        }
        return "redirect:/events/" + key.eventId() + "/brief";
    }

    @PostMapping("/events/{eventId}/delete")
    String delete(EventKey key, RedirectAttributes flash) {
        String name = briefs.brief(key).name();
        briefs.delete(key);
        Undo.offer(flash, "Event “" + name + "” deleted.", "/events/" + key.eventId() + "/restore");
        return "redirect:/events";
    }

    @PostMapping("/events/{eventId}/restore")
    String restore(@AuthenticationPrincipal Angler angler, @PathVariable long eventId, RedirectAttributes flash) {
        briefs.restore(angler.accountId(), eventId);
        flash.addFlashAttribute("notice", "The event is back.");
        return "redirect:/events";
    }

    private static String page(Form form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("dayRows", BriefForm.dayRows(form));
        model.addAttribute("practiceRows", BriefForm.practiceRows(form));
        model.addAttribute("species", Species.values());
        model.addAttribute("zones", ZoneId.getAvailableZoneIds().stream().filter(z -> z.contains("/") && !z.startsWith("Etc/")
                && !z.startsWith("System")).sorted().toList());
        return "brief/brief";
    }
}
