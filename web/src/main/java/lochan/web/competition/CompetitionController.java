package lochan.web.competition;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import lochan.core.Assumptions;
import lochan.core.competition.BagLog;
import lochan.core.eventdata.EventData;
import lochan.core.planning.runs.DayRuns;
import lochan.core.quantity.Units;
import lochan.offline.bag.BagView;
import lochan.offline.bag.FormEntry;
import lochan.offline.bag.Names;
import lochan.offline.form.Form;
import lochan.offline.plan.Hazards;
import lochan.offline.plan.RunWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The log of a competition day at the desk, its result, and corrected entries. */
@Controller
class CompetitionController {

    private final CompetitionLog log;
    private final EventBook events;
    private final Accounts accounts;
    private final Lakes lakes;

    CompetitionController(CompetitionLog log, EventBook events, Accounts accounts, Lakes lakes) {
        this.log = log;
        this.events = events;
        this.accounts = accounts;
        this.lakes = lakes;
    }

    @GetMapping("/events/{eventId}/competition")
    String competition(EventKey key, @RequestParam(required = false) Integer day, Model model) {
        return page(key, day, new Form(accounts.units(key.accountId())), model);
    }

    private String page(EventKey key, @Nullable Integer day, Form form, Model model) {
        EventData event = events.event(key);
        Instant now = log.now();
        int shown =
                day == null ? log.today(event) : Math.clamp(day, 1, event.days().size());
        BagView bag = BagView.of(
                BagLog.replay(event.event(), log.shown(event.competition())),
                Names.in(event),
                new BagView.Moment(shown, now, null, null),
                accounts.units(key.accountId()));
        CompetitionView view = new CompetitionView(
                event,
                form,
                bag,
                cautions(event, shown, now, accounts.units(key.accountId())),
                UUID.randomUUID().toString());
        return Views.show("competition/competition", model, view);
    }

    private List<String> cautions(EventData event, int day, Instant now, Units units) {
        if (!now.isBefore(event.day(day).checkIn())) {
            return List.of();
        }
        DayRuns runs = lakes.dayRuns(event);
        List<String> words = new ArrayList<>();
        Hazards.lightning(event, day, runs, now, event.launch()).forEach(l -> words.add(l.words()));
        words.addAll(RunWords.waits(event, day, runs, now, Assumptions.DEFAULTS.planning()));
        words.addAll(Hazards.of(event, day, now, units));
        return words;
    }

    /**
     * Takes an entry. Its id is made by the page: an entry sent again, since its answer was lost, is not added again.
     */
    @PostMapping("/events/{eventId}/competition/entries")
    String add(
            EventKey key,
            @RequestParam String code,
            @RequestParam(defaultValue = "0") long ago,
            @RequestParam Map<String, String> fields,
            Model model) {
        EventData event = events.outline(key);
        Form form = new Form(fields, accounts.units(key.accountId()));
        FormEntry.read(form, event.event(), Names.in(event), code, log.ago(ago))
                .flatMap(e -> log.append(key, e))
                .map(FormEntry::onForm)
                .ifPresent(form::violation);
        if (!form.ok()) {
            return page(key, null, form, model);
        }
        return "redirect:/events/" + key.eventId() + "/competition";
    }
}
