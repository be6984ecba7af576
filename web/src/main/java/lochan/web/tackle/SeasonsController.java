package lochan.web.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import lochan.core.Assumptions;
import lochan.core.eventdata.CompetitionStops;
import lochan.core.eventdata.EventData;
import lochan.core.lake.SpotType;
import lochan.core.model.learning.History;
import lochan.core.model.learning.LikeEvent;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.notebook.CarriedRate;
import lochan.core.notebook.Notebook;
import lochan.core.practice.Presentation;
import lochan.core.tackle.SeasonStage;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.gear.Notebooks;
import lochan.web.shared.Dates;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The angler's own history over all events, and the priors that it and the advice give an event's rates. */
@Controller
class SeasonsController {

    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final int MOST_DAYS = 5;
    private static final int MOST_EFFECTS = 10;
    private static final double NO_EFFECT = 0.005;
    /** Presentations are trusted from so many bites on, and from so much more than their lakes brought. */
    private static final int TRUSTED_BITES = 8;

    private static final double TRUSTED_RATIO = 1.15;

    private final Events events;
    private final EventBook book;
    private final Notebooks notebooks;
    private final Accounts accounts;

    SeasonsController(Events events, EventBook book, Notebooks notebooks, Accounts accounts) {
        this.events = events;
        this.book = book;
        this.notebooks = notebooks;
        this.accounts = accounts;
    }

    /** A line of a table: what a group came to. */
    @RecordBuilder
    record LineRow(
            String name,
            String hours,
            String bites,
            String perHour,
            String ratio,
            double width,
            boolean more,
            int days,
            boolean trusted) {}

    /** A pattern whose rate the priors change. */
    record Effect(String pattern, String before, String after, String times, boolean more) {}

    @GetMapping("/events/{eventId}/tackle/seasons")
    String seasons(
            EventKey key,
            @RequestParam(required = false) String lake,
            @RequestParam(required = false) String stage,
            Model model) {
        List<EventData> all = all(key);
        EventData event = book.event(key);
        History whole = History.of(all, ASSUMPTIONS);
        History history =
                whole.only(e -> (lake == null || lake.isEmpty() || e.lake().equals(lake))
                        && (stage == null
                                || stage.isEmpty()
                                || (e.stage() != null && e.stage().code().equals(stage))));
        Map<String, String> names = new LinkedHashMap<>();
        all.forEach(e -> e.presentations().forEach(p -> names.put(p.id(), p.name())));
        SeasonsViewBuilder page = SeasonsViewBuilder.builder().data(event);
        page.lakes(whole.entries().stream().map(History.Entry::lake).distinct().toList());
        page.stages(SeasonStage.values());
        page.lake(lake);
        page.stage(stage);
        page.byPresentation(rows(history, History.Entry::presentationId, names::get));
        page.byPlace(rows(history, History.Entry::spotType, SpotType::words));
        page.byStage(rows(history, History.Entry::stage, SeasonStage::words));
        page.byTemperature(rows(
                history,
                e -> e.waterTempC() == null ? null : (int) Math.floor(e.waterTempC() / 3) * 3,
                t -> accounts.units(key.accountId()).temperature((double) t) + " to "
                        + accounts.units(key.accountId()).temperature(t + 3.0)));
        page.days(History.bestDays(all, MOST_DAYS).stream()
                .map(d -> Dates.day(d.date()) + " " + d.date().getYear() + ", " + d.event() + ": " + d.bites()
                        + " bites in " + String.format(Locale.ROOT, "%.1f", d.hours()) + " angler-hours, "
                        + d.landed() + " landed")
                .toList());
        page.events(all.size());
        page.trustedBites(TRUSTED_BITES);
        page.carried(event.notebook().carried().stream()
                .map(c -> carried(c, event))
                .filter(Objects::nonNull)
                .toList());
        page.priors(event.notebook().priors());
        page.others(all.size() > 1);
        page.like(like(key, event).stream().map(SeasonsController::words).toList());
        page.effects(effects(event));
        return Views.show("tackle/seasons", model, page.build());
    }

    private List<LikeEvent> like(EventKey key, EventData event) {
        return LikeEvent.of(
                event,
                events.all(key.accountId()).stream()
                        .filter(k -> !k.equals(key))
                        .map(book::event)
                        .map(CompetitionStops::all)
                        .filter(e -> !e.stops().isEmpty())
                        .toList(),
                ASSUMPTIONS);
    }

    /** As "May Opener, a year ago: same lake, post-spawn; an hour there counts 0.84". */
    private static String words(LikeEvent l) {
        String age = l.years() < 0.1
                ? "this season"
                : l.years() < 1.5
                        ? Math.max(1, Math.round(12 * l.years())) + " months ago"
                        : Math.round(l.years()) + " years ago";
        String lake = l.sameLake() ? "same lake" : l.likeLake() ? "a lake like it" : "other water";
        String season = l.stage() == null ? "season unknown" : l.stage().words();
        return l.event().name() + ", " + age + ": " + lake + ", " + season
                + (l.counts()
                        ? String.format(Locale.ROOT, "; an hour there counts %.2f", l.weight())
                        : l.seasonLike() == 0 ? "; not used: another season" : "; not used");
    }

    private List<EventData> all(EventKey key) {
        return events.all(key.accountId()).stream()
                .map(book::event)
                .map(CompetitionStops::all)
                .filter(e -> !e.stops().isEmpty())
                .sorted(Comparator.comparing(e -> e.days().getFirst().date()))
                .toList();
    }

    private static <K> List<LineRow> rows(History history, Function<History.Entry, K> key, Function<K, String> name) {
        List<LineRow> rows = new ArrayList<>();
        history.by(key)
                .forEach((k, l) -> rows.add(SeasonsControllerLineRowBuilder.builder()
                        .name(name.apply(k))
                        .hours(String.format(Locale.ROOT, "%.1f", l.hours()))
                        .bites(Long.toString(Math.round(l.bites())))
                        .perHour(String.format(Locale.ROOT, "%.1f", l.perHour()))
                        .ratio(String.format(Locale.ROOT, "× %.2f", l.ratio()))
                        .width(Math.min(50, 50 * Math.abs(Math.log(l.ratio()) / Math.log(3))))
                        .more(l.ratio() >= 1)
                        .days(l.days())
                        .trusted(l.bites() >= TRUSTED_BITES && l.ratio() >= TRUSTED_RATIO)
                        .build()));
        return rows;
    }

    private static @Nullable String carried(CarriedRate c, EventData event) {
        return event.presentation(c.presentationId())
                .map(p -> p.name()
                        + String.format(
                                Locale.ROOT, " × %.2f (%d bites in %.1f h)", c.ratio(), c.bites(), c.anglerHours()))
                .orElse(null);
    }

    /** The patterns whose rates the priors change most, on the first competition day's morning: with them and without. */
    private List<Effect> effects(EventData event) {
        Notebook.Priors priors = event.notebook().priors();
        if (!priors.byAdvice() && !priors.byHistory()) {
            return List.of();
        }
        FittedDayModel withPriors = new FittedDayModel(event, 1, ASSUMPTIONS);
        FittedDayModel without = new FittedDayModel(
                event.withNotebook(event.notebook().withPriors(Notebook.Priors.NONE)), 1, ASSUMPTIONS);
        Set<Pattern> patterns = new LinkedHashSet<>();
        event.spots().forEach(s -> event.presentations().forEach(p -> patterns.add(new Pattern(s.spotType(), p.id()))));
        record Change(Pattern pattern, double before, double after) {}
        return patterns.stream()
                .map(p -> new Change(
                        p, without.rates(0).patternMean(p), withPriors.rates(0).patternMean(p)))
                .filter(c -> Math.abs(Math.log(c.after() / c.before())) > NO_EFFECT)
                .sorted(Comparator.comparingDouble((Change c) -> -Math.abs(Math.log(c.after() / c.before()))))
                .limit(MOST_EFFECTS)
                .map(c -> new Effect(
                        event.presentation(c.pattern().presentationId())
                                        .map(Presentation::name)
                                        .orElse("") + " on "
                                + SpotType.words(c.pattern().spotType()),
                        String.format(Locale.ROOT, "%.2f", c.before()),
                        String.format(Locale.ROOT, "%.2f", c.after()),
                        String.format(Locale.ROOT, "× %.2f", c.after() / c.before()),
                        c.after() > c.before()))
                .toList();
    }

    /** Carries what other events say into this one, or what is carried away again. */
    @PostMapping("/events/{eventId}/tackle/seasons/carry")
    String carry(EventKey key, @RequestParam boolean on, RedirectAttributes flash) {
        EventData event = book.event(key);
        Set<String> known = event.presentations().stream().map(Presentation::id).collect(Collectors.toSet());
        List<CarriedRate> carried = on
                ? History.carried(like(key, event), ASSUMPTIONS).stream()
                        .filter(c -> known.contains(c.presentationId()))
                        .toList()
                : List.of();
        Notebook.Priors now = notebooks.notebook(key).priors();
        notebooks.carry(key, carried);
        notebooks.changePriors(key, now.byAdvice(), on && !carried.isEmpty());
        String used = carried.isEmpty()
                ? "No earlier event on this lake or one like it, at this season, has these lures."
                : carried.size() + " lures of other seasons are used, one angler-hour each.";
        flash.addFlashAttribute("notice", on ? used : "Other seasons are not used any more.");
        return "redirect:/events/" + key.eventId() + "/tackle/seasons";
    }

    /** Switches the priors of the event's rates on or off. */
    @PostMapping("/events/{eventId}/tackle/seasons/lean")
    String priors(
            EventKey key,
            @RequestParam(defaultValue = "false") boolean advice,
            @RequestParam(defaultValue = "false") boolean history,
            RedirectAttributes flash) {
        notebooks.changePriors(key, advice, history);
        flash.addFlashAttribute(
                "notice",
                advice || history
                        ? "Rankings and plans use it now."
                        : "Rankings and plans use this event's practice only.");
        return "redirect:/events/" + key.eventId() + "/tackle/seasons";
    }
}
