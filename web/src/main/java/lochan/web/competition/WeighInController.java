package lochan.web.competition;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import lochan.core.Assumptions;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.Fish;
import lochan.core.event.Format;
import lochan.core.eventdata.CompetitionStops;
import lochan.core.eventdata.EventData;
import lochan.core.live.Outlooks;
import lochan.core.model.learning.History;
import lochan.core.model.rate.Cell;
import lochan.core.model.size.SizeModel;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.core.review.DayProjection;
import lochan.core.review.DayReview;
import lochan.offline.bag.BagView;
import lochan.offline.bag.Names;
import lochan.offline.bag.Times;
import lochan.offline.plan.PatternWords;
import lochan.offline.plan.PlanWords;
import lochan.web.account.Accounts;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.DayMarks;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.DayModels;
import lochan.web.plan.Projections;
import lochan.web.shared.Dates;
import lochan.web.shared.Views;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Weigh-in and review: the result, the plan against what happened, guesses against the scale. */
@Controller
class WeighInController {

    private static final double PERCENT = 100;

    private final CompetitionLog log;
    private final EventBook events;
    private final Accounts accounts;
    private final DayReviews reviews;
    private final DayModels dayModels;

    private final DayMarks dayMarks;

    WeighInController(
            CompetitionLog log,
            EventBook events,
            Accounts accounts,
            DayReviews reviews,
            DayModels dayModels,
            DayMarks dayMarks) {
        this.dayMarks = dayMarks;
        this.log = log;
        this.events = events;
        this.accounts = accounts;
        this.reviews = reviews;
        this.dayModels = dayModels;
    }

    /** A stop of the plan, expected and real. */
    record StopRow(String time, String place, String expected, String bites, String fished, String said) {}

    /** A trigger that fired, and what obeying would have come to. */
    record TriggerRow(String what, String backup, String hindsight) {}

    /** A finished day and its projection. */
    record ScoreRow(String event, String projection, String actual, String below, boolean held) {}

    @GetMapping("/events/{eventId}/competition/review")
    String review(EventKey key, @RequestParam(required = false) Integer day, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        int today = event.event().dayOf(log.now());
        int shown = day == null ? today : Math.clamp(day, 1, event.days().size());
        BagView view = BagView.of(
                BagLog.replay(event.event(), log.shown(event.competition())),
                Names.in(event),
                new BagView.Moment(shown, log.now(), null, null),
                units);
        boolean over = !log.now().isBefore(event.day(shown).checkIn());
        WeighInViewBuilder page = WeighInViewBuilder.builder().data(event);
        page.page(view);
        page.day(shown);
        page.over(over);
        page.byLength(event.rules().format() == Format.LIMIT_LENGTH);
        page.carried(over ? carried(event) : List.of());
        page.marks(over ? dayMarks.of(event, fished(event, shown), units) : null);
        if (over && event.rules().format() != Format.LIMIT_LENGTH) {
            BackgroundComputation.State<DayReviews.Result> state =
                    reviews.of(key, event, shown).orElse(null);
            page.job(state);
            if (state != null && state.result() != null) {
                found(state.result(), event, shown, units, page);
            }
            page.scales(scales(key, event, shown, units));
        }
        return Views.show("competition/review", model, page.build());
    }

    /** Ids of the spots that were fished on a competition day, in their order. */
    private static List<String> fished(EventData event, int day) {
        LocalDate date = event.day(day).date();
        return CompetitionStops.all(event).stops().stream()
                .filter(CompetitionStops::isOne)
                .filter(s -> event.dateAt(s.start()).equals(date))
                .sorted(Comparator.comparing(PracticeStop::start))
                .map(PracticeStop::spotId)
                .toList();
    }

    /** What this event's practice and competition say to later ones, in words. */
    private static List<String> carried(EventData event) {
        return History.of(List.of(CompetitionStops.all(event)), Assumptions.DEFAULTS).rates().stream()
                .map(c -> event.presentation(c.presentationId())
                                .map(Presentation::name)
                                .orElse(c.presentationId())
                        + String.format(
                                Locale.ROOT,
                                " × %.2f (%d bites in %.1f angler-hours)",
                                c.ratio(),
                                c.bites(),
                                c.anglerHours()))
                .toList();
    }

    private static void found(DayReviews.Result found, EventData event, int day, Units units, WeighInViewBuilder page) {
        ZoneId zone = event.timeZone();
        DayReview review = found.review();
        page.planned(review != null);
        if (review != null) {
            page.drawing(ReviewDrawing.of(review, event.day(day), zone, units));
            page.said(review.projection() == null ? null : said(review.projection(), units));
            page.stops(review.stops().stream().map(s -> stop(s, event, zone)).toList());
            page.elsewhere(
                    review.elsewhere() == 0
                            ? null
                            : Count.of(review.elsewhere(), "bite") + " came outside the stops of the plan.");
            page.triggers(review.triggers().stream()
                    .map(t -> trigger(t, event, units))
                    .toList());
        }
        List<Projections.ScoredDay> scores = found.scores();
        page.scores(scores.stream().map(s -> score(s, units)).toList());
        page.dots(ReviewDrawing.dots(scores));
        if (!scores.isEmpty()) {
            long held = scores.stream().filter(s -> s.projection().held()).count();
            double gain = scores.stream()
                    .mapToDouble(s -> s.projection().logGain())
                    .average()
                    .orElse(0);
            page.scoreWords(held + " of " + Count.of(scores.size(), "day")
                    + " fell in the likely range; four of five should. Log score "
                    + String.format(Locale.ROOT, "%+.2f", gain) + "; above 0 is better than a guess."
                    + (scores.size() < 5 ? " That is few days." : ""));
        }
    }

    private static String said(DayProjection f, Units units) {
        String outside = f.actualGrams() < f.p10Grams() ? "below the likely range" : "above the likely range";
        String where = f.held() ? "within the likely range" : outside;
        return "Projected " + units.weight(f.p50Grams()) + ", likely " + units.weight(f.p10Grams()) + " to "
                + units.weight(f.p90Grams()) + "; weighed " + units.weight(f.actualGrams()) + ", " + where + ".";
    }

    private static StopRow stop(DayReview.Stop s, EventData event, ZoneId zone) {
        String bites = s.bites() > s.expectedBites()
                ? "more than expected"
                : "so few, or fewer, on " + PlanWords.chance(s.chanceOfSoFew()) + " of days";
        String said = s.fished().isZero() ? "not fished in its time" : bites;
        return new StopRow(
                Dates.clock(s.stop().arrive(), zone) + "–"
                        + Dates.clock(s.stop().leave(), zone),
                PlanWords.cell(Cell.of(s.stop()), event),
                String.format(Locale.ROOT, "%.1f", s.expectedBites()),
                s.bites() + (s.landed() > 0 ? ", " + s.landed() + " landed" : ""),
                s.fished().isZero() ? "–" : Times.span(s.fished()),
                said);
    }

    private static TriggerRow trigger(DayReview.Trigger t, EventData event, Units units) {
        String what = PlanWords.trigger(t.fired().trigger(), event) + ": it fired ("
                + Count.of(t.fired().seen(), "bite") + ", so few on "
                + PlanWords.chance(t.fired().chance()) + " of days).";
        Outlooks.Hindsight h = t.hindsight();
        String hindsight = h == null
                ? "It could not be reached in time."
                : "Switching would have paid on " + PlanWords.chance(h.chanceOfMore()) + " of such days: "
                        + PlanWords.difference(h.meanMoreGrams(), units) + " on average, between "
                        + PlanWords.difference(h.p10MoreGrams(), units) + " and "
                        + PlanWords.difference(h.p90MoreGrams(), units) + " on four days of five.";
        return new TriggerRow(what, PatternWords.of(t.fired().to(), event), hindsight);
    }

    private static ScoreRow score(Projections.ScoredDay s, Units units) {
        DayProjection f = s.projection();
        return new ScoreRow(
                s.event() + ", day " + s.day(),
                units.weight(f.p10Grams()) + " – " + units.weight(f.p50Grams()) + " – " + units.weight(f.p90Grams()),
                units.weight(f.actualGrams()),
                Math.round(PERCENT * f.below()) + " %",
                f.held());
    }

    /** The boat's scale against the official one, and guesses against the scale, in words. */
    private List<String> scales(EventKey key, EventData event, int day, Units units) {
        List<String> words = new ArrayList<>();
        Bag bag = BagLog.replay(event.event(), event.competition()).bag(day);
        boolean whole =
                !bag.fish().isEmpty() && bag.fish().stream().map(Fish::grams).allMatch(g -> g != null);
        if (whole
                && bag.official() != null
                && bag.official().grams() != null
                && bag.official().grams() > 0
                && bag.totalGrams() != null
                && bag.totalGrams() > 0) {
            double percent = PERCENT * (bag.totalGrams() / bag.official().grams() - 1);
            words.add("Your scale made the bag " + units.weight(bag.totalGrams()) + ", the official one "
                    + units.weight(bag.official().grams()) + ": yours "
                    + (Math.abs(percent) < 0.05
                            ? "agrees."
                            : String.format(
                                    Locale.ROOT,
                                    "reads %.1f %% %s.",
                                    Math.abs(percent),
                                    percent > 0 ? "high" : "low")));
        }
        SizeModel.Predictive bias = dayModels.of(key, event, day).sizes().guessBias();
        double percent = PERCENT * Math.expm1(bias.mean());
        words.add(String.format(
                Locale.ROOT,
                "Your guesses in practice run %.0f %% %s, ± %.0f %%; sizes are corrected by that.",
                Math.abs(percent),
                percent >= 0 ? "high" : "low",
                PERCENT * bias.meanSd()));
        return words;
    }
}
