package lochan.web.tackle;

import static java.util.Objects.requireNonNull;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.model.learning.Contest;
import lochan.core.model.learning.LossSigns;
import lochan.core.model.rate.LandingChance;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.core.practice.Hooks;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.NotebookKind;
import lochan.web.gear.Notebooks;
import lochan.web.gear.Tackles;
import lochan.web.shared.Dates;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Ways tried against each other, signs that bites are lost, and what was changed about it. */
@Controller
class TrialController {

    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final int LONGEST_ROUND_MINUTES = 1440;
    private static final int MOST_BITES = 1000;

    private final Notebooks notebooks;
    private final Tackles tackles;
    private final EventBook events;
    private final Accounts accounts;
    private final Clock clock;

    TrialController(Notebooks notebooks, EventBook events, Accounts accounts, Clock clock, Tackles tackles) {
        this.notebooks = notebooks;
        this.tackles = tackles;
        this.events = events;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** A trial as the page shows it. */
    record Row(
            Trial trial,
            SideRow first,
            SideRow second,
            String bites,
            String landing,
            String needed,
            boolean known,
            double share) {}

    /** A side of it. */
    record SideRow(String name, String hours, String perHour, String landed) {}

    /** A presentation with how many of its bites are landed. */
    record LandingLine(String id, String name, String hooks, String chance, String changes) {}

    @GetMapping("/events/{eventId}/tackle/trials")
    String trials(
            EventKey key,
            @RequestParam(required = false) String first,
            @RequestParam(required = false) String second,
            Model model) {
        return page(key, first, second, new Form(accounts.units(key.accountId())), model);
    }

    private String page(EventKey key, @Nullable String first, @Nullable String second, Form form, Model model) {
        EventData event = events.event(key);
        TrialViewBuilder page = TrialViewBuilder.builder().data(event);
        page.rows(event.notebook().trials().stream()
                .map(t -> row(t, Contest.of(t, ASSUMPTIONS), t.first(), t.second()))
                .toList());
        page.signs(LossSigns.of(event, tackles.tackle(key.accountId()).lures(), ASSUMPTIONS).stream()
                .map(TrialController::sign)
                .toList());
        page.landings(event.presentations().stream().map(p -> landing(p, event)).toList());
        page.changes(event.notebook().changes());
        page.zone(event.timeZone());
        page.subjects(Trial.Subject.values());
        Map<String, String> presentations = new LinkedHashMap<>();
        event.presentations().forEach(p -> presentations.put(p.id(), p.name()));
        page.presentations(presentations);
        page.form(form);
        page.freshCode(UUID.randomUUID().toString());
        var one = first == null ? java.util.Optional.<Presentation>empty() : event.presentation(first);
        var other = second == null ? java.util.Optional.<Presentation>empty() : event.presentation(second);
        if (one.isPresent() && other.isPresent() && !one.equals(other)) {
            Trial lures = new Trial(
                    "practice",
                    Trial.Subject.LURE,
                    one.get().name(),
                    other.get().name(),
                    List.of());
            page.compared(row(
                    lures,
                    Contest.of(event, one.get(), other.get(), ASSUMPTIONS),
                    one.get().name(),
                    other.get().name()));
        }
        page.first(first);
        page.second(second);
        return Views.show("tackle/trials", model, page.build());
    }

    private static Row row(Trial trial, Contest c, String first, String second) {
        String ahead = c.firstBitesMore() >= 0.5 ? first : second;
        String bites = c.first().hours() + c.second().hours() == 0
                ? "Nothing fished yet."
                : c.first().hours() == 0 || c.second().hours() == 0
                        ? "Only one was fished so far."
                        : String.format(
                                Locale.ROOT,
                                "%s brings more bites with a chance of %s.",
                                sentence(ahead),
                                percent(Math.max(c.firstBitesMore(), 1 - c.firstBitesMore())));
        String landsMore = c.firstLandsMore() >= 0.5 ? first : second;
        String landing = c.first().tried() == 0 || c.second().tried() == 0
                ? ""
                : String.format(
                        Locale.ROOT,
                        "More of its bites are landed on %s with a chance of %s.",
                        landsMore,
                        percent(Math.max(c.firstLandsMore(), 1 - c.firstLandsMore())));
        String more = Double.isNaN(c.hoursToKnow())
                ? "They cannot be told apart in " + ASSUMPTIONS.notebook().trialHours() + " hours each."
                : String.format(Locale.ROOT, "About %.1f more hours of each would decide it.", c.hoursToKnow());
        String needed = c.isKnown() ? "That is enough." : more;
        return new Row(
                trial,
                side(first, c.first()),
                side(second, c.second()),
                bites,
                landing,
                c.first().hours() + c.second().hours() == 0 ? "" : needed,
                c.isKnown(),
                100 * c.firstBitesMore());
    }

    private static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /** Never sure, never impossible. */
    private static String percent(double chance) {
        return chance > 0.995 ? "more than 99 %" : Math.round(100 * chance) + " %";
    }

    private static SideRow side(String name, Contest.Side s) {
        return new SideRow(
                name,
                String.format(Locale.ROOT, "%.1f h", s.hours()),
                s.hours() > 0 ? String.format(Locale.ROOT, "%.1f an hour", s.perHour()) : "–",
                s.landed() + " of " + s.tried());
    }

    private static String sign(LossSigns s) {
        return s.presentation().name() + ": " + (s.missed() + s.lost()) + " of " + s.tried() + " bites not landed ("
                + s.lost() + " lost, " + s.missed() + " missed or short); " + Math.round(100 * (1 - s.usual()))
                + " % is usual. The chance that this is more than bad luck is " + percent(s.chance()) + ". Try: "
                + s.remedies().stream().map(r -> Wording.text(r, Units.USUAL)).collect(Collectors.joining("; ")) + ".";
    }

    private static LandingLine landing(Presentation p, EventData event) {
        LandingChance chance = LandingChance.of(
                p,
                event.stops(),
                event.notebook().changes(),
                ASSUMPTIONS.landing(),
                ASSUMPTIONS.notebook().rerigged());
        ZoneId zone = event.timeZone();
        List<String> changes = new ArrayList<>();
        event.notebook().changes().stream()
                .filter(c -> c.presentationId().equals(p.id()))
                .forEach(c ->
                        changes.add(Dates.dayAndClock(c.at(), zone) + " " + (c.what() == null ? "changed" : c.what())));
        return new LandingLine(p.id(), p.name(), p.hooks().words(), percent(chance.mean()), String.join("; ", changes));
    }

    private static String path(EventKey key, String rest) {
        return "/events/" + key.eventId() + "/tackle/trials" + rest;
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    @PostMapping("/events/{eventId}/tackle/trials/new")
    String add(EventKey key, @RequestParam Map<String, String> fields, Model model) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Trial.Subject of = form.choice("of", Trial.Subject.class);
        form.needs("firstWay", "trials.first-way");
        form.needs("secondWay", "trials.second-way");
        String first = form.words("firstWay", "The first way", Trial.LONGEST_WORDS);
        String second = form.words("secondWay", "The second way", Trial.LONGEST_WORDS);
        if (first != null && second != null && form.ok() && first.equalsIgnoreCase(second)) {
            form.error("secondWay", "Both versions are called “" + first + "”: give them different names.");
        }
        if (first == null || second == null || !form.ok()) {
            return page(key, null, null, form, model);
        }
        String id = notebooks.freshCode(NotebookKind.TRIAL, key, first + " or " + second);
        notebooks.add(key, new Trial(id, of == null ? Trial.Subject.RETRIEVE : of, first, second, List.of()));
        return "redirect:" + path(key, "#" + id);
    }

    @PostMapping("/events/{eventId}/tackle/trials/round")
    String round(
            EventKey key,
            @RequestParam String trial,
            @RequestParam String code,
            @RequestParam boolean ofFirst,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Trial of = notebooks.trial(key, trial);
        Form form = new Form(fields, accounts.units(key.accountId()));
        form.needs("minutes", "trials.minutes");
        Double minutes = form.number("minutes");
        if (minutes != null && !(minutes > 0 && minutes <= LONGEST_ROUND_MINUTES)) {
            form.error(
                    "minutes",
                    "The round lasted “" + form.value("minutes") + "” min: expected more than 0 and at most a day.");
        }
        Integer bites = form.whole("bites");
        Integer landed = form.whole("landed");
        int had = bites == null ? 0 : bites;
        int got = landed == null ? 0 : landed;
        if (had < 0 || had > MOST_BITES || got < 0 || got > had) {
            form.error(
                    "landed",
                    "Bites are " + had + " with " + got
                            + " landed: expected 0 or more, and no more landed than bites.");
        }
        if (!form.ok()) {
            return page(key, null, null, form, model);
        }
        notebooks.addRound(
                key, of.id(), code, new Trial.Round(clock.instant(), ofFirst, requireNonNull(minutes), had, got));
        Undo.offer(flash, "Round saved.", path(key, "/round/undo?trial=" + encoded(trial) + "&code=" + encoded(code)));
        return "redirect:" + path(key, "#" + trial);
    }

    @PostMapping("/events/{eventId}/tackle/trials/round/undo")
    String undoRound(EventKey key, @RequestParam String trial, @RequestParam String code) {
        notebooks.setRoundDeleted(key, trial, code, true);
        return "redirect:" + path(key, "");
    }

    @PostMapping("/events/{eventId}/tackle/trials/delete")
    String delete(EventKey key, @RequestParam String trial, RedirectAttributes flash) {
        notebooks.delete(NotebookKind.TRIAL, key, trial);
        Undo.offer(flash, "Trial deleted.", path(key, "/restore?trial=" + encoded(trial)));
        return "redirect:" + path(key, "");
    }

    @PostMapping("/events/{eventId}/tackle/trials/restore")
    String restore(EventKey key, @RequestParam String trial) {
        notebooks.restore(NotebookKind.TRIAL, key, trial);
        return "redirect:" + path(key, "");
    }

    /** Notes that hooks, leader or rod of a presentation were changed now. */
    @PostMapping("/events/{eventId}/tackle/trials/change")
    String change(
            EventKey key,
            @RequestParam String presentation,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        if (events.outline(key).presentation(presentation).isEmpty()) {
            form.fail("presentation", "forms.lure-from-list");
        }
        form.needs("what", "trials.change");
        String what = form.words("what", "The change", SetupChange.LONGEST_WORDS);
        Hooks hooks = form.choice("hooks", Hooks.class);
        if (!form.ok()) {
            return page(key, null, null, form, model);
        }
        String id = notebooks.freshCode(NotebookKind.CHANGE, key, presentation);
        notebooks.add(key, new SetupChange(id, presentation, clock.instant(), requireNonNull(what), hooks));
        Undo.offer(
                flash,
                "Change saved: bites before now count half for landing.",
                path(key, "/change/delete?change=" + encoded(id)));
        return "redirect:" + path(key, "");
    }

    @PostMapping("/events/{eventId}/tackle/trials/change/delete")
    String deleteChange(EventKey key, @RequestParam String change, RedirectAttributes flash) {
        notebooks.delete(NotebookKind.CHANGE, key, change);
        Undo.offer(flash, "Change deleted.", path(key, "/change/restore?change=" + encoded(change)));
        return "redirect:" + path(key, "");
    }

    @PostMapping("/events/{eventId}/tackle/trials/change/restore")
    String restoreChange(EventKey key, @RequestParam String change) {
        notebooks.restore(NotebookKind.CHANGE, key, change);
        return "redirect:" + path(key, "");
    }
}
