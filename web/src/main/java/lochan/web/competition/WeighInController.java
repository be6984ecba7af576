package lochan.web.competition;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.Assumptions;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.Fish;
import lochan.core.event.Format;
import lochan.core.eventdata.CompetitionStops;
import lochan.core.eventdata.EventData;
import lochan.core.learning.History;
import lochan.core.live.Outlooks;
import lochan.core.practice.Presentation;
import lochan.core.quantity.Units;
import lochan.core.rate.Cell;
import lochan.core.review.DayForecast;
import lochan.core.review.DayReview;
import lochan.core.size.SizeModel;
import lochan.page.bag.BagView;
import lochan.page.bag.Times;
import lochan.web.account.Accounts;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import lochan.web.page.Dates;
import lochan.web.plan.Forecasts;
import lochan.web.plan.PlanWords;
import lochan.web.standings.DayModels;
import lochan.web.standings.PatternWords;
import lochan.web.work.Work;
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

    WeighInController(CompetitionLog log, EventBook events, Accounts accounts, DayReviews reviews, DayModels dayModels) {
        this.log = log;
        this.events = events;
        this.accounts = accounts;
        this.reviews = reviews;
        this.dayModels = dayModels;
    }

    /** A stop of the plan, expected and real. */
    record StopRow(String time, String place, String expected, String strikes, String fished, String said) { }

    /** A trigger that fired, and what obeying would have come to. */
    record TriggerRow(String what, String backup, String hindsight) { }

    /** A finished day and its forecast. */
    record ScoreRow(String event, String forecast, String actual, String below, boolean held) { }

    @GetMapping("/events/{eventId}/competition/review")
    String review(EventKey key, @RequestParam(required = false) Integer day, Model model) {
        EventData event = events.event(key);
        Units units = accounts.units(key.accountId());
        int today = new BagLog(event.brief()).dayOf(log.now());
        int shown = day == null ? today : Math.clamp(day, 1, event.brief().days().size());
        BagView view = BagView.of(event.brief(), BoatLog.names(event), log.shown(event.competition()), new BagView.Moment(shown, log.now(), null), units);
        boolean over = !log.now().isBefore(event.brief().day(shown).checkIn());
        model.addAttribute("data", event);
        model.addAttribute("page", view);
        model.addAttribute("day", shown);
        model.addAttribute("over", over);
        model.addAttribute("byLength", event.brief().format() == Format.LIMIT_LENGTH);
        model.addAttribute("carried", over ? carried(event) : List.of());
        if (over && event.brief().format() != Format.LIMIT_LENGTH) {
            Work.State<DayReviews.Found> state = reviews.of(key, event, shown).orElse(null);
            model.addAttribute("job", state);
            if (state != null && state.result() != null) {
                found(state.result(), event, shown, units, model);
            }
            model.addAttribute("scales", scales(key, event, shown, units));
        }
        return "competition/review";
    }

    /** What this event's practice and competition say to later ones, in words. */
    private static List<String> carried(EventData event) {
        return History.of(List.of(CompetitionStops.all(event)), Assumptions.DEFAULTS).carried().stream().map(c -> event.presentation(c.presentationId()).map(Presentation::name).orElse(c.presentationId())
                + String.format(Locale.ROOT, " × %.2f (%d strikes in %.1f line-hours)", c.ratio(), c.strikes(), c.lineHours())).toList();
    }

    private static void found(DayReviews.Found found, EventData event, int day, Units units, Model model) {
        ZoneId zone = event.brief().timeZone();
        DayReview review = found.review();
        model.addAttribute("planned", review != null);
        if (review != null) {
            model.addAttribute("drawing", ReviewDrawing.of(review, event.brief().day(day), zone, units));
            model.addAttribute("said", review.forecast() == null ? null : said(review.forecast(), units));
            model.addAttribute("stops", review.stops().stream().map(s -> stop(s, event, zone)).toList());
            model.addAttribute("elsewhere", review.elsewhere());
            model.addAttribute("triggers", review.triggers().stream().map(t -> trigger(t, event, zone, units)).toList());
        }
        List<Forecasts.Scored> scores = found.scores();
        model.addAttribute("scores", scores.stream().map(s -> score(s, units)).toList());
        model.addAttribute("dots", ReviewDrawing.dots(scores));
        if (!scores.isEmpty()) {
            long held = scores.stream().filter(s -> s.forecast().held()).count();
            double gain = Math.exp(scores.stream().mapToDouble(s -> s.forecast().logGain()).average().orElse(0));
            model.addAttribute("scoreWords", held + " of " + scores.size() + (scores.size() == 1 ? " day" : " days") + " fell between the outer marks of the forecast; four of five should. What happened was on average "
                    + String.format(Locale.ROOT, "%.1f", gain) + " times as likely by the forecast as by an even spread from nothing to twice its middle day (log score "
                    + String.format(Locale.ROOT, "%+.2f", Math.log(gain)) + "; above 0 the forecast knew something)." + (scores.size() < 5 ? " So few days tell little yet." : ""));
        }
    }

    private static String said(DayForecast f, Units units) {
        String where = f.held() ? "within what four days in five were to bring" : f.actualGrams() < f.p10Grams() ? "below what nine days in ten were to bring" : "above what nine days in ten were to bring";
        return "Forecast " + units.weight(f.p10Grams()) + " to " + units.weight(f.p90Grams()) + ", middle " + units.weight(f.p50Grams()) + "; it came to " + units.weight(f.actualGrams()) + ", " + where + ".";
    }

    private static StopRow stop(DayReview.Stop s, EventData event, ZoneId zone) {
        String said = s.fished().isZero() ? "not fished in its time" : s.strikes() > s.expectedStrikes() ? "more than expected" : "so few, or fewer, on " + PlanWords.chance(s.chanceOfSoFew()) + " of days";
        return new StopRow(Dates.clock(s.stop().arrive(), zone) + "–" + Dates.clock(s.stop().leave(), zone), NextHour.name(Cell.of(s.stop()), event), String.format(Locale.ROOT, "%.1f", s.expectedStrikes()),
                s.strikes() + (s.landed() > 0 ? ", " + s.landed() + " landed" : ""), s.fished().isZero() ? "–" : Times.span(s.fished()), said);
    }

    private static TriggerRow trigger(DayReview.Trigger t, EventData event, ZoneId zone, Units units) {
        String what = PlanWords.trigger(t.fired().trigger(), event) + ": it fired (" + t.fired().seen() + (t.fired().seen() == 1 ? " strike" : " strikes") + ", so few on " + PlanWords.chance(t.fired().chance()) + " of days).";
        Outlooks.Hindsight h = t.hindsight();
        String hindsight = h == null ? "There was no way or no time to go there." : "Going there would have paid on " + PlanWords.chance(h.chanceOfMore()) + " of such days: " + PlanWords.difference(h.meanMoreGrams(), units)
                + " on average, between " + PlanWords.difference(h.p10MoreGrams(), units) + " and " + PlanWords.difference(h.p90MoreGrams(), units) + " on four days of five. Nobody fished it, so nobody knows.";
        return new TriggerRow(what, PatternWords.of(t.fired().to(), event), hindsight);
    }

    private static ScoreRow score(Forecasts.Scored s, Units units) {
        DayForecast f = s.forecast();
        return new ScoreRow(s.event() + ", day " + s.day(), units.weight(f.p10Grams()) + " – " + units.weight(f.p50Grams()) + " – " + units.weight(f.p90Grams()), units.weight(f.actualGrams()),
                Math.round(PERCENT * f.below()) + " %", f.held());
    }

    /** The boat's scale against the official one, and guesses against the scale, in words. */
    private List<String> scales(EventKey key, EventData event, int day, Units units) {
        List<String> words = new ArrayList<>();
        Bag bag = BagLog.replay(event.brief(), event.competition()).bag(day);
        boolean whole = !bag.well().isEmpty() && bag.well().stream().map(Fish::grams).allMatch(g -> g != null);
        if (whole && bag.official() != null && bag.official().grams() != null && bag.official().grams() > 0 && bag.totalGrams() > 0) {
            double percent = PERCENT * (bag.totalGrams() / bag.official().grams() - 1);
            words.add("Your scale made the bag " + units.weight(bag.totalGrams()) + ", the official one " + units.weight(bag.official().grams()) + ": yours "
                    + (Math.abs(percent) < 0.05 ? "agrees." : String.format(Locale.ROOT, "reads %.1f %% %s.", Math.abs(percent), percent > 0 ? "high" : "low")));
        }
        SizeModel.Predictive bias = dayModels.of(key, event, day).sizes().guessBias();
        double percent = PERCENT * Math.expm1(bias.mean());
        words.add(String.format(Locale.ROOT, "Your guesses in practice run %.0f %% %s, give or take %.0f %%; sizes are corrected by it.", Math.abs(percent), percent >= 0 ? "high" : "low", PERCENT * bias.meanSd()));
        return words;
    }
}
