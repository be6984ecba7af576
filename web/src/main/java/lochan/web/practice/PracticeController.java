package lochan.web.practice;

import java.io.Serializable;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import lochan.core.event.Species;
import lochan.core.eventdata.EventData;
import lochan.core.model.evidence.ObservedWeather;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.Conditions;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PresentationTime;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.offline.form.Form;
import lochan.offline.practice.BiteForm;
import lochan.offline.practice.BiteWords;
import lochan.offline.practice.ConditionWords;
import lochan.offline.practice.StopForm;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.Dates;
import lochan.web.shared.Undo;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Logging practice: with the clock while fishing, or afterwards. */
@Controller
class PracticeController {

    private static final int LONGEST_CODE = 64;
    private static final int RETRIEVES_OFFERED = 5;

    private final Practice practice;
    private final EventBook events;
    private final Accounts accounts;

    PracticeController(Practice practice, EventBook events, Accounts accounts) {
        this.practice = practice;
        this.events = events;
        this.accounts = accounts;
    }

    /** @param date a day to show in full besides the latest */
    @GetMapping("/events/{eventId}/practice")
    String practice(
            EventKey key,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            Model model) {
        return practicePage(key, new Form(accounts.units(key.accountId())), date, model);
    }

    private String practicePage(EventKey key, Form pad, @Nullable LocalDate date, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        List<LoggedStop> stops = practice.logged(key);
        Optional<LoggedStop> open = Practice.open(stops);
        PracticeViewBuilder page = PracticeViewBuilder.builder().data(event);
        page.open(open.orElse(null));
        page.freshCode(UUID.randomUUID().toString());
        List<PracticeDay> days = PracticeDay.of(
                event,
                stops.stream()
                        .map(LoggedStop::stop)
                        .filter(s -> s.end() != null)
                        .toList(),
                date,
                units);
        page.days(days.stream().filter(d -> !d.stops().isEmpty()).toList());
        page.earlier(days.stream().filter(d -> d.stops().isEmpty()).toList());
        page.hooks(Hooks.values());
        page.fishedLast(stops.isEmpty() ? Set.of() : fished(stops.getLast()));
        open.ifPresent(stop -> openPage(stop, event, stops, pad, units, page));
        page.pad(pad);
        page.light(ConditionWords.light(event, practice.now()));
        return Views.show("practice/practice", model, page.build());
    }

    private void openPage(
            LoggedStop open, EventData event, List<LoggedStop> stops, Form pad, Units units, PracticeViewBuilder page) {
        ZoneId zone = event.timeZone();
        Form conditions = StopForm.of(open.stop(), zone, units);
        page.fishedHere(fished(open));
        page.outcomes(Outcome.values());
        page.choices(Choices.ALL);
        page.follows(Count.of(open.stop().follows(), "follow") + " so far");
        page.conditions(conditions);
        page.openSpot(event.spot(open.stop().spotId()).orElseThrow());
        page.openSeconds(Math.max(
                0, Duration.between(open.stop().start(), practice.now()).toSeconds()));
        page.openBites(
                open.bites().reversed().stream().map(b -> row(b, event, units)).toList());
        List<Bite> all = stops.stream().flatMap(s -> s.stop().bites().stream()).toList();
        page.retrieves(lastRetrieves(all));
        Conditions added = ObservedWeather.added(open.stop(), event);
        page.conditionWords(ConditionWords.of(open.stop().conditions(), units));
        page.recordWords(added == null ? null : ConditionWords.of(added, units));
        if (!pad.has("outcome")) {
            pad.put(
                    "how",
                    all.stream()
                            .map(Bite::size)
                            .filter(Objects::nonNull)
                            .reduce((a, b) -> b)
                            .map(size -> size.how().code())
                            .orElse("guess"));
            pad.put(
                    "species",
                    all.stream()
                            .map(Bite::species)
                            .filter(Objects::nonNull)
                            .reduce((a, b) -> b)
                            .map(Species::code)
                            .orElse(""));
            List<Bite> here = open.stop().bites();
            BiteNotes last = here.isEmpty() ? BiteNotes.NONE : here.getLast().notes();
            StopForm.putNotes(pad, last, units);
            page.noteWords(ConditionWords.of(last, units));
            pad.put("presentation", usualPresentation(open.stop()));
        }
    }

    /** Returns the lure of the last bite, else the stop's first; empty when neither is known. */
    private static String usualPresentation(PracticeStop stop) {
        String last = stop.bites().isEmpty() ? null : stop.bites().getLast().presentationId();
        if (last != null) {
            return last;
        }
        return stop.presentations().isEmpty()
                ? ""
                : stop.presentations().getFirst().presentationId();
    }

    /** The ways of working a lure noted last, the latest first. */
    private static List<String> lastRetrieves(List<Bite> bites) {
        return bites.reversed().stream()
                .map(b -> b.notes().retrieve())
                .filter(Objects::nonNull)
                .distinct()
                .limit(RETRIEVES_OFFERED)
                .toList();
    }

    private static Set<String> fished(LoggedStop stop) {
        return stop.stop().presentations().stream()
                .map(PresentationTime::presentationId)
                .collect(Collectors.toSet());
    }

    record BiteRow(
            String code,
            String time,
            Outcome outcome,
            String presentation,
            String species,
            String size,
            String notes) {}

    private static BiteRow row(LoggedBite logged, EventData event, Units units) {
        Bite b = logged.bite();
        String time = b.at() == null ? "some time" : Dates.clock(b.at(), event.timeZone());
        return new BiteRow(
                logged.code(),
                time,
                b.outcome(),
                b.presentationId() == null
                        ? ""
                        : event.presentation(b.presentationId()).orElseThrow().name(),
                b.species() == null ? "" : b.species().code(),
                b.size() == null ? "" : BiteWords.of(b.size(), units),
                ConditionWords.of(b.notes(), units));
    }

    /** A stop at a spot off limits, which is asked about before it is logged. */
    public record StartQuestion(String spot, String name, List<String> presentations, String code)
            implements Serializable {

        private static final long serialVersionUID = 1L;
    }

    @PostMapping("/events/{eventId}/practice/start")
    String start(
            EventKey key,
            @RequestParam String spot,
            @RequestParam(required = false) List<String> presentation,
            @RequestParam String code,
            @RequestParam(defaultValue = "1") int anglers,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam(defaultValue = "false") boolean anyway,
            RedirectAttributes flash) {
        EventData event = events.event(key);
        List<String> known = presentation == null
                ? List.of()
                : presentation.stream()
                        .filter(p -> event.presentation(p).isPresent())
                        .distinct()
                        .toList();
        if (event.spot(spot).isEmpty()) {
            flash.addFlashAttribute("trouble", "Choose the spot first.");
        } else if (!anyway && event.offLimits(event.spot(spot).orElseThrow())) {
            flash.addFlashAttribute(
                    "asksStart",
                    new StartQuestion(spot, event.spot(spot).orElseThrow().name(), known, code));
        } else if (isCode(code)) {
            practice.start(key, code, spot, known, Math.clamp(anglers, 1, 2), practice.ago(ago));
        }
        return back(key);
    }

    private static boolean isCode(String code) {
        return !code.isBlank() && code.length() <= LONGEST_CODE;
    }

    @PostMapping("/events/{eventId}/practice/end")
    String end(
            EventKey key,
            @RequestParam String stop,
            @RequestParam(defaultValue = "0") long ago,
            RedirectAttributes flash) {
        practice.end(key, stop, practice.ago(ago));
        Undo.offer(flash, "Stop ended.", path(key, "practice/reopen", "stop", stop));
        return back(key);
    }

    @PostMapping("/events/{eventId}/practice/reopen")
    String reopen(EventKey key, @RequestParam String stop) {
        practice.reopen(key, stop);
        return back(key);
    }

    @PostMapping("/events/{eventId}/practice/follow")
    String follow(
            EventKey key,
            @RequestParam String stop,
            @RequestParam(defaultValue = "1") int more,
            RedirectAttributes flash) {
        practice.addFollows(key, stop, more > 0 ? 1 : -1);
        if (more > 0) {
            Undo.offer(flash, "Follow logged.", path(key, "practice/follow", "stop", stop) + "&more=-1");
        }
        return back(key);
    }

    @PostMapping("/events/{eventId}/practice/bites")
    String bite(
            EventKey key,
            @RequestParam String stop,
            @RequestParam String code,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Units units = accounts.units(key.accountId());
        EventData event = events.outline(key);
        PracticeStop open = practice.logged(key, stop).stop();
        Instant at = practice.ago(ago);
        Form form = new Form(fields, units);
        Optional<Bite> bite = BiteForm.read(form, at.isBefore(open.start()) ? open.start() : at);
        checkNames(form, event);
        if (!isCode(code)) {
            form.error("size", "This page is out of date: load it again and log the bite once more.");
        }
        if (!form.ok()) {
            return practicePage(key, form, null, model);
        }
        practice.addBite(key, stop, new LoggedBite(code, bite.orElseThrow()));
        Undo.offer(
                flash,
                switch (bite.orElseThrow().outcome()) {
                    case LANDED -> "Landed, logged. Check the hook.";
                    case LOST -> "Lost, logged. Check the hook.";
                    case MISSED -> "Missed, logged.";
                    case SHAKEN -> "Shaken off, logged.";
                },
                path(key, "practice/bites/delete", "bite", code));
        return back(key);
    }

    private static void checkNames(Form form, EventData event) {
        if (form.has("presentation")
                && event.presentation(form.value("presentation")).isEmpty()) {
            form.fail("presentation", "forms.lure-from-list");
        }
        if (form.has("species")
                && event.rules().species().stream()
                        .noneMatch(s -> s.species().code().equals(form.value("species")))) {
            form.fail("species", "practiceforms.species", form.value("species"));
        }
    }

    @PostMapping("/events/{eventId}/practice/bites/delete")
    String deleteBite(EventKey key, @RequestParam String bite, RedirectAttributes flash) {
        practice.deleteBite(key, bite);
        Undo.offer(flash, "Bite deleted.", path(key, "practice/bites/restore", "bite", bite));
        return back(key);
    }

    @PostMapping("/events/{eventId}/practice/bites/restore")
    String restoreBite(EventKey key, @RequestParam String bite) {
        practice.restoreBite(key, bite);
        return back(key);
    }

    @GetMapping("/events/{eventId}/practice/bites/edit")
    String editBite(EventKey key, @RequestParam String stop, @RequestParam String bite, Model model) {
        Units units = accounts.units(key.accountId());
        EventData event = events.event(key);
        return bitePage(
                event, stop, bite, StopForm.of(practice.bite(key, stop, bite).bite(), event.timeZone(), units), model);
    }

    @PostMapping("/events/{eventId}/practice/bites/edit")
    String saveBite(
            EventKey key,
            @RequestParam String stop,
            @RequestParam String bite,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        Units units = accounts.units(key.accountId());
        EventData event = events.outline(key);
        PracticeStop at = practice.logged(key, stop).stop();
        practice.bite(key, stop, bite);
        Form form = new Form(fields, units);
        LocalTime time = form.time("at");
        Instant when = time == null
                ? null
                : at.start()
                        .atZone(event.timeZone())
                        .toLocalDate()
                        .atTime(time)
                        .atZone(event.timeZone())
                        .toInstant();
        if (when != null
                && (when.isBefore(at.start().truncatedTo(java.time.temporal.ChronoUnit.MINUTES))
                        || (at.end() != null && when.isAfter(at.end())))) {
            form.error("at", "The bite lies outside its stop: give a time in it, or none.");
        }
        Instant inside = when != null && when.isBefore(at.start()) ? at.start() : when;
        Optional<Bite> read = BiteForm.read(form, inside);
        checkNames(form, event);
        if (!form.ok()) {
            return bitePage(events.event(key), stop, bite, form, model);
        }
        practice.updateBite(key, new LoggedBite(bite, read.orElseThrow()));
        flash.addFlashAttribute("notice", "Bite saved.");
        return at.end() == null ? back(key) : "redirect:" + path(key, "practice/stops/edit", "stop", stop);
    }

    /** The contents of the page of one bite. */
    record BiteView(
            EventData data,
            String stop,
            String bite,
            Form form,
            Outcome[] outcomes,
            Choices choices,
            List<String> retrieves) {}

    private static String bitePage(EventData event, String stop, String bite, Form form, Model model) {
        return Views.show(
                "practice/bite",
                model,
                new BiteView(
                        event,
                        stop,
                        bite,
                        form,
                        Outcome.values(),
                        Choices.ALL,
                        lastRetrieves(event.stops().stream()
                                .flatMap(x -> x.bites().stream())
                                .toList())));
    }

    @PostMapping("/events/{eventId}/practice/conditions")
    String conditions(
            EventKey key,
            @RequestParam String stop,
            @RequestParam Map<String, String> fields,
            RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Conditions read = StopForm.conditions(form);
        practice.logged(key, stop);
        if (form.ok()) {
            practice.note(key, stop, read, isNorth(events.outline(key)));
            flash.addFlashAttribute("notice", "Conditions saved; the next stops start with them.");
        } else {
            flash.addFlashAttribute(
                    "trouble",
                    String.join(
                            " ",
                            form.allErrors().values().stream()
                                    .flatMap(List::stream)
                                    .toList()));
        }
        return back(key);
    }

    @GetMapping("/events/{eventId}/practice/stops/new")
    String newStop(EventKey key, Model model) {
        EventData event = events.event(key);
        Form form = new Form(accounts.units(key.accountId()))
                .put("anglers", event.anglers())
                .put("follows", 0)
                .put("date", practice.now().atZone(event.timeZone()).toLocalDate());
        return stopPage(event, null, form, model);
    }

    @PostMapping("/events/{eventId}/practice/stops/new")
    String addStop(EventKey key, @RequestParam Map<String, String> fields, Model model, RedirectAttributes flash) {
        return saveStop(key, UUID.randomUUID().toString(), null, fields, model, flash);
    }

    @GetMapping("/events/{eventId}/practice/stops/edit")
    String editStop(EventKey key, @RequestParam String stop, Model model) {
        EventData event = events.event(key);
        LoggedStop logged = practice.logged(key, stop);
        return stopPage(
                event, logged, StopForm.of(logged.stop(), event.timeZone(), accounts.units(key.accountId())), model);
    }

    @PostMapping("/events/{eventId}/practice/stops/edit")
    String changeStop(
            EventKey key,
            @RequestParam String stop,
            @RequestParam Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        return saveStop(key, stop, practice.logged(key, stop), fields, model, flash);
    }

    private String saveStop(
            EventKey key,
            String id,
            @Nullable LoggedStop before,
            Map<String, String> fields,
            Model model,
            RedirectAttributes flash) {
        EventData event = events.outline(key);
        Form form = new Form(fields, accounts.units(key.accountId()));
        Optional<PracticeStop> stop = StopForm.read(
                form, id, before == null ? List.of() : before.stop().bites(), event.presentations(), event.timeZone());
        if (stop.isPresent() && event.spot(stop.get().spotId()).isEmpty()) {
            form.fail("spot", "forms.spot-from-list");
        }
        if (before == null && stop.isPresent() && stop.get().end() == null) {
            form.error("end", "The end is missing: a stop still being fished is started on the Practice page.");
        }
        if (!form.ok()) {
            return stopPage(events.event(key), before, form, model);
        }
        practice.save(
                key,
                practice.filledIn(
                        key,
                        stop.orElseThrow(),
                        before == null ? Conditions.UNKNOWN : before.stop().conditions(),
                        isNorth(event)));
        flash.addFlashAttribute("notice", before == null ? "Stop logged. Its bites can be added now." : "Stop saved.");
        return before == null ? "redirect:" + path(key, "practice/stops/edit", "stop", id) : back(key);
    }

    private String stopPage(EventData event, @Nullable LoggedStop logged, Form form, Model model) {
        StopViewBuilder page = StopViewBuilder.builder().data(event);
        page.stop(logged == null ? null : logged.stop().id());
        page.form(form);
        page.choices(Choices.ALL);
        page.outcomes(Outcome.values());
        page.freshCode(UUID.randomUUID().toString());
        page.retrieves(lastRetrieves(
                event.stops().stream().flatMap(s -> s.bites().stream()).toList()));
        if (logged != null) {
            page.light(ConditionWords.light(event, logged.stop().start()));
        }
        page.bites(
                logged == null
                        ? List.of()
                        : logged.bites().stream()
                                .map(b -> row(b, event, form.units()))
                                .toList());
        return Views.show("practice/stop", model, page.build());
    }

    /** A bite of a stop logged afterwards: with no time of its own. */
    @PostMapping("/events/{eventId}/practice/stops/bites")
    String lateBite(
            EventKey key,
            @RequestParam String stop,
            @RequestParam String code,
            @RequestParam Map<String, String> fields,
            RedirectAttributes flash) {
        Units units = accounts.units(key.accountId());
        Form form = new Form(fields, units);
        Optional<Bite> bite = BiteForm.read(form, null);
        checkNames(form, events.outline(key));
        practice.logged(key, stop);
        if (form.ok() && isCode(code)) {
            practice.addBite(key, stop, new LoggedBite(code, bite.orElseThrow()));
        } else {
            flash.addFlashAttribute(
                    "trouble",
                    String.join(
                            " ",
                            form.allErrors().values().stream()
                                    .flatMap(List::stream)
                                    .toList()));
        }
        return "redirect:" + path(key, "practice/stops/edit", "stop", stop);
    }

    @PostMapping("/events/{eventId}/practice/stops/delete")
    String deleteStop(EventKey key, @RequestParam String stop, RedirectAttributes flash) {
        practice.deleteStop(key, stop);
        Undo.offer(flash, "Stop deleted, with its bites.", path(key, "practice/stops/restore", "stop", stop));
        return back(key);
    }

    @PostMapping("/events/{eventId}/practice/stops/restore")
    String restoreStop(EventKey key, @RequestParam String stop) {
        practice.restoreStop(key, stop);
        return back(key);
    }

    @PostMapping("/events/{eventId}/practice/presentations")
    String addPresentation(EventKey key, @RequestParam Map<String, String> fields, RedirectAttributes flash) {
        Form form = new Form(fields, accounts.units(key.accountId()));
        Hooks hooks = form.choice("hooks", Hooks.class);
        if (!form.has("name") || form.value("name").length() > 80 || hooks == null) {
            flash.addFlashAttribute(
                    "trouble", "A presentation needs a name of at most 80 characters and its kind of hooks.");
        } else {
            practice.addPresentation(key, form.value("name"), hooks);
            flash.addFlashAttribute("notice", "Presentation “" + form.value("name") + "” added.");
        }
        return back(key);
    }

    private static boolean isNorth(EventData event) {
        return event.launch().lat() >= 0;
    }

    private static String back(EventKey key) {
        return "redirect:/events/" + key.eventId() + "/practice";
    }

    private static String path(EventKey key, String page, String name, String value) {
        return "/events/" + key.eventId() + "/" + page + "?" + name + "="
                + URLEncoder.encode(value, StandardCharsets.UTF_8);
    }
}
