package lochan.web.tackle;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.lures.advice.Situation;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.Situations;
import lochan.core.model.learning.Contest;
import lochan.core.model.learning.Schools;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.core.tackle.BoxItem;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import lochan.core.tackle.Tackle;
import lochan.offline.form.Form;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.gear.Tackles;
import lochan.web.modelling.DayModels;
import lochan.web.practice.Practice;
import lochan.web.shared.Dates;
import lochan.web.shared.NotThereException;
import lochan.web.shared.Views;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What to throw at a spot in an hour, with the reasons. */
@Controller
class LureAdviceController {

    private static final int SHOWN = 12;

    private final EventBook events;
    private final Accounts accounts;
    private final Tackles tackles;
    private final DayModels dayModels;
    private final Practice practice;

    LureAdviceController(EventBook events, Accounts accounts, Tackles tackles, DayModels dayModels, Practice practice) {
        this.practice = practice;
        this.events = events;
        this.accounts = accounts;
        this.tackles = tackles;
        this.dayModels = dayModels;
    }

    /**
     * Both orders of a question on which anglers disagree.
     *
     * @param own what the angler's own practice says, in words
     */
    record Order(String question, String first, String second, String own) {}

    @GetMapping("/events/{eventId}/tackle/advice")
    String advice(
            EventKey key,
            @RequestParam(required = false, name = "spot") String spotId,
            @RequestParam(defaultValue = "1") int day,
            @RequestParam(required = false) String at,
            @RequestParam(defaultValue = "false") boolean changed,
            @RequestParam(defaultValue = "false") boolean all,
            @RequestParam Map<String, String> fields,
            Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        LureAdviceViewBuilder page = LureAdviceViewBuilder.builder().data(event);
        page.choices(LureAdviceForm.choices());
        boolean named = spotId != null && !spotId.isEmpty();
        if (event.spots().isEmpty() && !named) {
            return Views.show("tackle/advice", model, page.build());
        }
        Spot spot = named
                ? event.spot(spotId).orElseThrow(NotThereException::new)
                : event.spots().getFirst();
        Tackle tackle = tackles.tackle(key.accountId());
        FittedDayModel dayModel = dayModels.of(key, event, day);
        Instant time = time(event, dayModel.day(), at);
        Form form = changed
                ? new Form(fields, units)
                : LureAdviceForm.of(new Situations(event, Assumptions.DEFAULTS).at(spot, time), units);
        Situation situation = LureAdviceForm.read(form);
        List<LureAdvice> ranked = LureAdvice.ranked(
                tackle.lures(), situation, tackles.weights(key.accountId()), Assumptions.DEFAULTS.advice());
        Set<String> inBoat = tackle.box().stream()
                .filter(i -> i.kind() == BoxItem.Kind.LURE && i.inBoat() && i.count() > 0 && i.lureId() != null)
                .map(BoxItem::lureId)
                .collect(Collectors.toSet());
        Set<String> shown = new HashSet<>(inBoat);
        event.presentations().forEach(p -> shown.add(p.id()));
        int bin = bin(dayModel, time);
        List<LureAdvice> asked = ranked.stream()
                .filter(x -> all || shown.isEmpty() || shown.contains(x.lure().id()))
                .toList();
        page.picks(LurePick.of(
                asked.stream()
                        .filter(x -> !LureAdviceRow.isBanned(event, x.lure()))
                        .filter(x -> x.lure().family() != Family.LIVE_BAIT
                                || Boolean.TRUE.equals(event.rules().gear().liveBaitAllowed()))
                        .toList(),
                situation,
                tackle,
                units));
        page.rows(asked.stream()
                .limit(all ? ranked.size() : SHOWN)
                .map(x -> LureAdviceRow.of(
                        x,
                        situation,
                        spot,
                        bin,
                        dayModel,
                        inBoat.contains(x.lure().id()),
                        units))
                .toList());
        page.form(form);
        page.situationWords(LureAdviceForm.words(situation, units));
        page.spot(spot);
        page.at(Dates.clock(time, event.timeZone()));
        page.day(dayModel.day());
        page.times(times(event, dayModel.day()));
        page.all(all);
        page.changed(changed);
        page.orders(Schools.of(
                        ranked.stream()
                                .filter(x -> shown.isEmpty()
                                        || shown.contains(x.lure().id()))
                                .toList(),
                        event,
                        tackle.lures(),
                        Assumptions.DEFAULTS)
                .stream()
                .map(LureAdviceController::order)
                .toList());
        return Views.show("tackle/advice", model, page.build());
    }

    /** Takes a presentation of the catalogue into the event, so that it can be logged and planned. */
    @PostMapping("/events/{eventId}/tackle/take")
    String take(
            EventKey key,
            @RequestParam String lure,
            @RequestParam(required = false, name = "spot") String spotId,
            RedirectAttributes flash) {
        Lure of = tackles.tackle(key.accountId()).lure(lure).orElseThrow(NotThereException::new);
        if (events.outline(key).presentation(of.id()).isEmpty()) {
            practice.addPresentations(
                    key,
                    List.of(new Presentation(of.id(), of.name(), of.hooking().kind())));
        }
        flash.addFlashAttribute("notice", of.name() + " added to this event.");
        return "redirect:/events/" + key.eventId() + "/tackle/advice"
                + (spotId == null ? "" : "?spot=" + URLEncoder.encode(spotId, StandardCharsets.UTF_8));
    }

    /** The time of day asked for, or the start of the day. */
    static Instant time(EventData event, int day, String at) {
        CompetitionDay of = event.day(day);
        if (at == null || !at.matches("\\d\\d:\\d\\d") || at.compareTo("23:59") > 0 || at.charAt(3) > '5') {
            return of.start();
        }
        return of.date().atTime(LocalTime.parse(at)).atZone(event.timeZone()).toInstant();
    }

    static int bin(FittedDayModel model, Instant time) {
        List<Bin> bins = model.bins();
        return IntStream.range(0, bins.size())
                .filter(i -> bins.get(i).end().isAfter(time))
                .findFirst()
                .orElse(bins.size() - 1);
    }

    /** The hours of a day, as choices. */
    static Map<String, String> times(EventData event, int day) {
        CompetitionDay of = event.day(day);
        ZoneId zone = event.timeZone();
        Map<String, String> times = new LinkedHashMap<>();
        for (Instant t = of.start(); t.isBefore(of.checkIn()); t = t.plusSeconds(1800)) {
            times.put(Dates.clock(t, zone), Dates.clock(t, zone));
        }
        return times;
    }

    private static Order order(Schools s) {
        boolean search = s.question() == Schools.Question.SEARCH_OR_PICK;
        return new Order(
                search ? "Cover water, or fish slowly?" : "Power or finesse first?",
                names(s.first()),
                names(s.second()),
                own(s.own(), search ? "searching" : "power", search ? "picking" : "finesse"));
    }

    private static String names(List<Lure> lures) {
        return lures.stream().map(l -> l.name()).collect(Collectors.joining(", then "));
    }

    private static String own(Contest c, String first, String second) {
        if (c.first().hours() == 0 || c.second().hours() == 0) {
            return "You have fished only one of them.";
        }
        List<String> words = new ArrayList<>();
        words.add(String.format(
                java.util.Locale.ROOT,
                "Your practice: %s %.1f bites an hour in %.1f h, %s %.1f in %.1f h",
                first,
                c.first().perHour(),
                c.first().hours(),
                second,
                c.second().perHour(),
                c.second().hours()));
        long percent = Math.round(100 * Math.max(c.firstBitesMore(), 1 - c.firstBitesMore()));
        words.add(String.format(
                java.util.Locale.ROOT,
                "%s is ahead with a chance of %d %%",
                c.firstBitesMore() >= 0.5 ? first : second,
                Math.min(99, percent)));
        return String.join("; ", words) + ".";
    }
}
