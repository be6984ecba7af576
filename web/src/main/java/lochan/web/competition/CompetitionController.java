package lochan.web.competition;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.deck.GearCheck;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.event.Format;
import lochan.core.event.Species;
import lochan.core.live.Today;
import lochan.core.practice.Outcome;
import lochan.core.quantity.QuantityText;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.deck.Decks;
import lochan.web.eventbook.EventBook;
import lochan.web.form.Form;
import lochan.web.notebook.FishWords;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Logging fish on a competition day and being told what to do with them. */
@Controller
class CompetitionController {

    private static final int LONGEST_CODE = 64;
    private static final int LONGEST_TAG = 40;
    private static final int LONGEST_ENTERED = 80;

    private final CompetitionLog log;
    private final EventBook events;
    private final Accounts accounts;
    private final Decks decks;
    private final NextHour nextHour;

    CompetitionController(CompetitionLog log, EventBook events, Accounts accounts, Decks decks, NextHour nextHour) {
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

    private String page(EventKey key, Integer day, Form form, Model model) {
        EventData event = events.event(key);
        model.addAttribute("data", event);
        model.addAttribute("form", form);
        if (event.brief().format() != Format.LIMIT_LENGTH) {
            Instant now = log.now();
            int shown = day == null ? new BagLog(event.brief()).dayOf(now) : Math.clamp(day, 1, event.brief().days().size());
            model.addAttribute("page", CompetitionPage.of(event.brief(), log.shown(key), shown, now, accounts.units(key.accountId())));
            model.addAttribute("freshCode", UUID.randomUUID().toString());
            model.addAttribute("today", new BagLog(event.brief()).dayOf(now));
            model.addAttribute("now", now);
            model.addAttribute("fishing", Today.fishing(event.brief(), log.shown(key), shown, now));
            nextHour.at(key, event, shown, log.shown(key), BagLog.replay(event.brief(), log.shown(key)).bag(shown), now, accounts.units(key.accountId()))
                    .ifPresent(s -> model.addAttribute("nextHour", s));
            CompetitionDay hours = event.brief().day(shown);
            model.addAttribute("due", FishWords.due(event, now, hours.checkIn(), accounts.units(key.accountId())));
            if (now.isBefore(hours.start())) {
                model.addAttribute("gear", event.plans().stream().filter(p -> p.day() == shown && !p.stops().isEmpty()).findFirst()
                        .map(p -> decks.check(key, event, p.stops()).stream().map(GearCheck::words).toList()).orElse(List.of()));
            }
        }
        return "competition/competition";
    }

    /**
     * Takes an entry. Its id is made by the page: an entry sent again, since its answer was lost, is not added again.
     */
    @PostMapping("/events/{eventId}/competition/entries")
    String add(EventKey key, @RequestParam String type, @RequestParam String code, @RequestParam(defaultValue = "0") long ago,
               @RequestParam Map<String, String> fields, Model model, HttpServletResponse response) {
        EventData event = events.event(key);
        Form form = new Form(fields, accounts.units(key.accountId()));
        if (code.isBlank() || code.length() > LONGEST_CODE || code.chars().anyMatch(Character::isISOControl)) {
            form.error("code", "The entry has no id of 1 to 64 characters: load the page again and log the fish once more.");
        }
        Instant at = log.ago(ago);
        Optional<Entry> entry = switch (type) {
            case "catch" -> caught(form, code, at, event);
            case "balance" -> Optional.of(new Entry.Balance(code, at, form.value("heavier"), form.value("lighter")));
            case "died" -> Optional.of(new Entry.Died(code, at, form.value("catch")));
            case "correct" -> corrected(form, code, at);
            case "void" -> Optional.of(new Entry.Void(code, at, form.value("entry")));
            case "official" -> official(form, code, at);
            case "fishing" -> fishing(form, code, at, event);
            case "strike" -> strike(form, code, at, event);
            default -> {
                form.error("type", "“" + type + "” is no kind of entry: load the page again.");
                yield Optional.empty();
            }
        };
        if (form.ok()) {
            Optional<Violation> refusal = log.append(key, entry.orElseThrow());
            refusal.ifPresent(v -> form.error(type.equals("catch") ? v.field().equals("mm") ? "length" : "weight" : v.field(), v.message()));
        }
        if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(key, null, form, model);
        }
        return "redirect:/events/" + key.eventId() + "/competition";
    }

    private static Optional<Entry> caught(Form form, String code, Instant at, EventData event) {
        Species species = form.choice("species", Species.class);
        if (species != null && event.brief().rule(species).isEmpty()) {
            form.error("species", species.code() + " does not count in this event: choose one that does.");
        }
        Double grams = form.quantity("weight", QuantityText::grams);
        Double mm = form.quantity("length", QuantityText::mm);
        String typed = form.has("weight") ? form.value("weight") : form.has("length") ? form.value("length") : null;
        if (typed != null && typed.length() > LONGEST_ENTERED || form.value("tag").length() > LONGEST_TAG) {
            form.error("weight", "That is too long: type a weight as 3-4.");
        }
        return form.ok() ? Optional.of(new Entry.Catch(code, at, species, grams, mm, known(form.value("spot"), event.spot(form.value("spot")).isPresent()),
                known(form.value("presentation"), event.presentation(form.value("presentation")).isPresent()), !form.has("dead"),
                form.has("tag") ? form.value("tag") : null, typed)) : Optional.empty();
    }

    /** What is fished from now on; neither spot nor presentation: the boat is under way. */
    private static Optional<Entry> fishing(Form form, String code, Instant at, EventData event) {
        place(form, event);
        if (form.has("spot") != form.has("presentation")) {
            form.error(form.has("spot") ? "presentation" : "spot", "Say both where you fish and with what, or neither when you are under way.");
        }
        return form.ok() ? Optional.of(new Entry.Fishing(code, at, form.has("spot") ? form.value("spot") : null, form.has("presentation") ? form.value("presentation") : null)) : Optional.empty();
    }

    /** A strike that was not landed, where and on what is fished. */
    private static Optional<Entry> strike(Form form, String code, Instant at, EventData event) {
        place(form, event);
        Outcome outcome = form.choice("outcome", Outcome.class);
        return form.ok() ? Optional.of(new Entry.Strike(code, at, form.has("spot") ? form.value("spot") : null, form.has("presentation") ? form.value("presentation") : null, outcome)) : Optional.empty();
    }

    private static void place(Form form, EventData event) {
        if (form.has("spot") && event.spot(form.value("spot")).isEmpty()) {
            form.error("spot", "There is no such spot here: choose one of the list.");
        }
        if (form.has("presentation") && event.presentation(form.value("presentation")).isEmpty()) {
            form.error("presentation", "There is no such presentation here: choose one of the list.");
        }
    }

    private static String known(String id, boolean there) {
        return there ? id : null;
    }

    private static Optional<Entry> corrected(Form form, String code, Instant at) {
        Double grams = form.quantity("weight", QuantityText::grams);
        Double mm = form.quantity("length", QuantityText::mm);
        String typed = form.has("weight") ? form.value("weight") : form.value("length");
        return form.ok() ? Optional.of(new Entry.Correct(code, at, form.value("catch"), grams, mm, typed.isEmpty() ? null : typed)) : Optional.empty();
    }

    private static Optional<Entry> official(Form form, String code, Instant at) {
        form.need("weight", "The official weight is missing.");
        Double grams = form.quantity("weight", QuantityText::grams);
        Integer dead = form.whole("dead");
        return form.ok() ? Optional.of(new Entry.Official(code, at, grams, dead)) : Optional.empty();
    }
}
