package lochan.web.rules;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import lochan.core.event.Boat;
import lochan.core.event.BoatRun;
import lochan.core.event.Event;
import lochan.core.event.Species;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.competition.CompetitionLog;
import lochan.web.eventbook.DayMoves;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.practice.Practice;
import lochan.web.shared.Dates;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
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
class RulesController {

    private static final double SLOWEST_MPS = 0.5;
    private static final double FASTEST_MPS = 60;

    private final EventBook book;
    private final Events events;
    private final Accounts accounts;
    private final Practice practice;
    private final CompetitionLog competition;
    private final Clock clock;

    RulesController(
            EventBook book,
            Events events,
            Accounts accounts,
            Practice practice,
            CompetitionLog competition,
            Clock clock) {
        this.book = book;
        this.practice = practice;
        this.competition = competition;
        this.events = events;
        this.accounts = accounts;
        this.clock = clock;
    }

    @GetMapping("/events/new")
    String fresh(@AuthenticationPrincipal Angler angler, Model model) {
        ZoneId zone = events.usualZone(angler.accountId());
        return page(
                RulesForm.empty(zone, LocalDate.ofInstant(clock.instant(), zone), accounts.units(angler.accountId())),
                null,
                model);
    }

    @PostMapping("/events/new")
    String add(
            @AuthenticationPrincipal Angler angler,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(angler.accountId()));
        Optional<RulesForm.Input> read = RulesForm.read(form, Boat.USUAL);
        if (read.isEmpty()) {
            return page(form, null, model);
        }
        EventKey key =
                events.add(angler.accountId(), read.get().event(), read.get().boat());
        practice.addPresentations(key, Presentation.COMMON);
        flash.addFlashAttribute("notice", "Event created. Next: add your spots.");
        return "redirect:/events/" + key.eventId() + "/spots";
    }

    @GetMapping("/events/{eventId}")
    String event(EventKey key) {
        return "redirect:/events/" + key.eventId() + "/rules";
    }

    @GetMapping("/events/{eventId}/rules")
    String rules(EventKey key, Model model) {
        Units units = accounts.units(key.accountId());
        return page(RulesForm.of(events.event(key), events.boat(key), units), speeds(key, units), model);
    }

    @PostMapping("/events/{eventId}/rules")
    String save(EventKey key, @RequestParam Map<String, String> fields, Model model, RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<RulesForm.Input> read = RulesForm.read(form, events.boat(key));
        read.ifPresent(r -> {
            form.violations(events.conflicts(key, r.event()));
            form.violations(competition.conflict(key, r.event()).stream().toList());
        });
        if (!form.ok()) {
            return page(form, speeds(key, form.units()), model);
        }
        Event after = read.orElseThrow().event();
        DayMoves moves = DayMoves.of(events.event(key), after);
        List<String> meant = moves.moves().isEmpty() ? List.of() : book.onDays(key, moves);
        if (!meant.isEmpty() && !form.has("move")) {
            return page(form, speeds(key, form.units()), question(moves, meant), model);
        }
        boolean leave = form.value("move").equals("no");
        book.update(key, after, read.orElseThrow().boat(), leave ? new DayMoves(List.of(), moves.zone()) : moves);
        flash.addFlashAttribute("notice", "Event saved.");
        return "redirect:/events/" + key.eventId() + "/rules";
    }

    /** As "Day 1 moves from Wed 22 Dec to Wed 1 Dec. Move 2 plans and the forecast with it?". */
    private static String question(DayMoves moves, List<String> meant) {
        String days = moves.moves().stream()
                .map(m -> "Day " + m.day() + " moves from " + Dates.day(m.from()) + " to " + Dates.day(m.to()) + ".")
                .collect(Collectors.joining(" "));
        String last = meant.getLast();
        String what = meant.size() == 1 ? last : String.join(", ", meant.subList(0, meant.size() - 1)) + " and " + last;
        return days + " Move " + what + " with " + (moves.moves().size() == 1 ? "it?" : "them?");
    }

    private @Nullable BoatSpeeds speeds(EventKey key, Units units) {
        List<BoatRun> runs = events.runs(key);
        return runs.isEmpty() ? null : BoatSpeeds.of(runs, events.boat(key), units);
    }

    /** Takes speeds learned from tracks, m/s. */
    @PostMapping("/events/{eventId}/rules/speeds")
    String speeds(EventKey key, @RequestParam double run, @RequestParam double rough, RedirectAttributes flash) {
        Boat before = events.boat(key);
        if (!(run >= SLOWEST_MPS && run <= FASTEST_MPS && rough >= SLOWEST_MPS && rough <= run)) {
            flash.addFlashAttribute(
                    "trouble",
                    "The speeds are out of range: expected 1 to 134 mph, on rough water no more than on calm.");
        } else {
            events.updateBoat(key, before.atSpeeds(run, rough));
            Undo.offer(
                    flash,
                    "Plans use these speeds now.",
                    "/events/" + key.eventId() + "/rules/speeds?run=" + before.runMps() + "&rough="
                            + Math.min(before.runMps(), before.roughMps()));
        }
        return "redirect:/events/" + key.eventId() + "/rules";
    }

    @PostMapping("/events/{eventId}/delete")
    String delete(EventKey key, RedirectAttributes flash) {
        String name = events.event(key).name();
        events.delete(key);
        Undo.offer(flash, "Event “" + name + "” deleted.", "/events/" + key.eventId() + "/restore");
        return "redirect:/events";
    }

    @PostMapping("/events/{eventId}/restore")
    String restore(@AuthenticationPrincipal Angler angler, @PathVariable long eventId, RedirectAttributes flash) {
        events.restore(new EventKey(angler.accountId(), eventId));
        flash.addFlashAttribute("notice", "Event restored.");
        return "redirect:/events";
    }

    /**
     * @param speeds   what tracks say of the boat; null where there are none
     * @param question what is asked before days move; null: nothing
     */
    record RulesView(
            Form form,
            int dayRows,
            int practiceRows,
            Species[] species,
            List<String> zones,
            @Nullable BoatSpeeds speeds,
            @Nullable String question) {}

    private static String page(Form form, @Nullable BoatSpeeds speeds, Model model) {
        return page(form, speeds, null, model);
    }

    private static String page(Form form, @Nullable BoatSpeeds speeds, @Nullable String question, Model model) {
        return Views.show(
                "rules/rules",
                model,
                new RulesView(
                        form,
                        RulesForm.dayRows(form),
                        RulesForm.practiceRows(form),
                        Species.values(),
                        ZoneId.getAvailableZoneIds().stream()
                                .filter(z -> z.contains("/") && !z.startsWith("Etc/") && !z.startsWith("System"))
                                .sorted()
                                .toList(),
                        speeds,
                        question));
    }
}
