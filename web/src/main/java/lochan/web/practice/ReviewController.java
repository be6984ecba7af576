package lochan.web.practice;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.lake.SpotType;
import lochan.core.model.ranking.EveningReview;
import lochan.core.planning.search.NextCheck;
import lochan.core.practice.PracticeStop;
import lochan.core.quantity.Units;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.DayMarks;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.shared.Dates;
import lochan.web.shared.Views;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The evening review, what a day of practice taught, and what to check next. */
@Controller
class ReviewController {

    private static final int MOST_ROWS = 12;
    /** Half an ounce. */
    private static final double LEAST_ADDED_G = 14;

    private final EventBook events;
    private final Accounts accounts;
    private final NextChecks nextChecks;

    private final DayMarks dayMarks;

    ReviewController(EventBook events, Accounts accounts, NextChecks nextChecks, DayMarks dayMarks) {
        this.dayMarks = dayMarks;
        this.nextChecks = nextChecks;
        this.events = events;
        this.accounts = accounts;
    }

    record GuessRow(String guess, String scale, String off) {}

    record DayChoice(String date, String label, boolean shown) {}

    @GetMapping("/events/{eventId}/practice/review")
    String review(
            EventKey key,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        TreeSet<LocalDate> fished = new TreeSet<>();
        event.stops().stream().filter(s -> s.end() != null).forEach(s -> fished.add(dateOf(s, event)));
        LocalDate last = fished.isEmpty() ? null : fished.last();
        LocalDate shown = date != null && fished.contains(date) ? date : last;
        ReviewViewBuilder page = ReviewViewBuilder.builder()
                .days(fished.stream()
                        .map(d -> new DayChoice(d.toString(), Dates.day(d), d.equals(shown)))
                        .toList());
        if (shown != null) {
            List<PracticeStop> stops = event.stops().stream()
                    .filter(s -> s.end() != null && dateOf(s, event).equals(shown))
                    .sorted(java.util.Comparator.comparing(PracticeStop::start))
                    .toList();
            EveningReview review = EveningReview.of(event, shown, 1, 0, Assumptions.DEFAULTS);
            page.marks(
                    dayMarks.of(event, stops.stream().map(PracticeStop::spotId).toList(), units));
            page.dayTitle(Dates.longDay(shown));
            page.band(DayBand.of(stops, event, units));
            page.patterns(review.patterns().stream()
                    .limit(MOST_ROWS)
                    .map(c -> ChangeRow.ofPattern(c, event))
                    .toList());
            page.cells(review.cells().stream()
                    .limit(MOST_ROWS)
                    .map(c -> ChangeRow.ofCell(c, event))
                    .toList());
            CompetitionDay first = event.days().getFirst();
            page.ratesFor(Dates.clock(first.start(), event.timeZone()) + " on " + Dates.day(first.date()));
            page.unsized(review.unsized().stream()
                    .map(id -> event.spot(id).orElseThrow().name())
                    .toList());
            page.guesses(review.guesses().stream()
                    .map(g -> new GuessRow(
                            units.weight(g.guessGrams()),
                            units.weight(g.scaleGrams()),
                            String.format(
                                    Locale.ROOT, "%+d%%", Math.round(100 * (g.guessGrams() / g.scaleGrams() - 1)))))
                    .toList());
            // Until a fish was guessed and weighed it is no finding, but what the model begins with.
            page.bias(
                    event.hasWeighedGuess()
                            ? String.format(
                                    Locale.ROOT,
                                    "%+d%%",
                                    Math.round(
                                            100 * Math.expm1(review.guessBias().mean())))
                            : null);
        }
        return Views.show("practice/review", model, page.build());
    }

    /** A look as the page shows it. */
    record LookRow(String where, String worth, String why) {}

    /**
     * @param day   that the looks are for
     * @param looks null while they are not computed
     */
    record NextView(
            BackgroundComputation.@Nullable State<List<NextCheck.Look>> job,
            boolean practised,
            String day,
            @Nullable List<LookRow> looks) {}

    @GetMapping("/events/{eventId}/practice/next")
    String next(EventKey key, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        BackgroundComputation.State<List<NextCheck.Look>> job =
                nextChecks.of(key, event).orElse(null);
        String day = Dates.day(event.days().getFirst().date());
        List<LookRow> looks = job == null || job.result() == null
                ? null
                : job.result().stream().map(l -> look(l, event, units, day)).toList();
        LocalDate lookDay = nextChecks.nextLook(event).atZone(event.timeZone()).toLocalDate();
        return Views.show(
                "practice/next", model, new NextView(job, !event.stops().isEmpty(), Dates.longDay(lookDay), looks));
    }

    private static LookRow look(NextCheck.Look l, EventData event, Units units, String day) {
        boolean tried = event.stops().stream()
                .anyMatch(s -> s.spotId().equals(l.cell().spotId())
                        && s.presentations().stream().anyMatch(p -> p.presentationId()
                                .equals(l.cell().presentationId())));
        String kind = SpotType.words(event.spot(l.cell().spotId()).orElseThrow().spotType());
        String untried = l.untriedOfKind() == 1
                ? "The only " + kind + " where it was never fished"
                : "One of " + l.untriedOfKind() + " spots of this type (" + kind + ") where it was never fished";
        String why = (tried ? "Fished, but still uncertain" : untried) + "; no bite in half an hour: "
                + Math.round(100 * l.chanceOfNothing()) + "%.";
        return new LookRow(
                ChangeRow.words(l.cell(), event),
                l.grams() < LEAST_ADDED_G ? "almost nothing" : units.weight(l.grams()) + " on " + day,
                why);
    }

    @PostMapping("/events/{eventId}/practice/next")
    String goOnNext(EventKey key) {
        nextChecks.goOn(key, events.event(key));
        return "redirect:/events/" + key.eventId() + "/practice/next";
    }

    @PostMapping("/events/{eventId}/practice/next/stop")
    String stopNext(EventKey key) {
        nextChecks.stop(key);
        return "redirect:/events/" + key.eventId() + "/practice/next";
    }

    private static LocalDate dateOf(PracticeStop stop, EventData event) {
        return stop.start().atZone(event.timeZone()).toLocalDate();
    }
}
