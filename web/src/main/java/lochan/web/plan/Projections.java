package lochan.web.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.Calibration;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.review.DayProjection;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayKey;
import lochan.web.modelling.DayModels;
import lochan.web.shared.Kept;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What an angler's finished days teach about plans: how far what was weighed lies from what was projected. */
@Service
public class Projections {

    private static final int DAYS_PER_SCENARIO = 20;
    /** Enough to learn from; older ones say little of the angler of today. */
    private static final int LATEST_EVENTS = 20;

    private static final int KEPT = 200;

    private final Events events;
    private final EventBook book;
    private final Clock clock;
    private final Budgets budgets;
    private final Kept<DayKey, FinishedDay> known = new Kept<>(KEPT);

    Projections(Events events, EventBook book, Clock clock, Budgets budgets) {
        this.budgets = budgets;
        this.events = events;
        this.book = book;
        this.clock = clock;
    }

    /**
     * The projection of a finished day that has both a plan and an official weight.
     *
     * @param formulaGrams V of its plan
     * @param simulated    bags of its plan, g: a few of each scenario
     * @param actualGrams  what was weighed
     */
    private record FinishedDay(
            String event, int day, Instant start, double formulaGrams, double[] simulated, double actualGrams) {

        /** Empty: the plan promised nothing. */
        Stream<Calibration.Result> result() {
            return formulaGrams > 0 ? Stream.of(new Calibration.Result(actualGrams, formulaGrams)) : Stream.empty();
        }

        DayProjection projection(double factor) {
            return DayProjection.of(
                    Arrays.stream(simulated).map(t -> factor * t).toArray(), actualGrams);
        }
    }

    /**
     * A finished day with its projection as it stood that morning.
     *
     * @param event its name
     */
    public record ScoredDay(String event, int day, Instant start, DayProjection projection) {}

    public Calibration calibration(long accountId) {
        return calibration(finished(accountId));
    }

    /** As it stood before a time. */
    public Calibration calibrationBefore(long accountId, Instant time) {
        return calibration(finished(accountId).stream()
                .filter(f -> f.start().isBefore(time))
                .toList());
    }

    private static Calibration calibration(List<FinishedDay> days) {
        return Calibration.of(days.stream().flatMap(FinishedDay::result).toList(), Assumptions.DEFAULTS.projection());
    }

    /** All finished days, the first first, each by what those before it had taught. */
    public List<ScoredDay> scores(long accountId) {
        List<ScoredDay> scores = new ArrayList<>();
        List<Calibration.Result> before = new ArrayList<>();
        for (FinishedDay f : finished(accountId)) {
            double factor =
                    Calibration.of(before, Assumptions.DEFAULTS.projection()).factor();
            scores.add(new ScoredDay(f.event(), f.day(), f.start(), f.projection(factor)));
            f.result().forEach(before::add);
        }
        return scores;
    }

    private List<FinishedDay> finished(long accountId) {
        return events.all(accountId).reversed().stream()
                .limit(LATEST_EVENTS)
                .filter(this::over)
                .flatMap(this::finished)
                .sorted(Comparator.comparing(FinishedDay::start))
                .toList();
    }

    private Stream<FinishedDay> finished(EventKey key) {
        EventData event = book.event(key);
        if (event.rules().format() == Format.LIMIT_LENGTH
                || event.competition().stream().noneMatch(Entry.Official.class::isInstance)) {
            return Stream.empty();
        }
        BagLog log = BagLog.replay(event.event(), event.competition());
        return IntStream.rangeClosed(1, event.days().size())
                .filter(day -> clock.instant().isAfter(event.day(day).checkIn()))
                .boxed()
                .flatMap(day -> finished(key, event, day, log));
    }

    /** Whether a day of the event has ended: only then is the rest of it worth reading. */
    private boolean over(EventKey key) {
        Event event = events.event(key);
        return event.days().stream().anyMatch(day -> clock.instant().isAfter(day.checkIn()));
    }

    private Stream<FinishedDay> finished(EventKey key, EventData event, int day, BagLog log) {
        List<PlanStop> stops = event.planOf(day);
        Double weighed = weighed(log, day);
        return stops.isEmpty() || weighed == null
                ? Stream.empty()
                : Stream.of(known.get(
                        new DayKey(key, day),
                        List.of(DayModels.basis(event, day), stops, weighed),
                        () -> valued(event, day, stops, weighed)));
    }

    private FinishedDay valued(EventData event, int day, List<PlanStop> stops, double weighedGrams) {
        PlanValuer valuer = new PlanValuer(
                new ScenarioSet(new FittedDayModel(event, day, Assumptions.DEFAULTS), budgets.review(), Budgets.SEED));
        int[] days = new int[budgets.review()];
        Arrays.fill(days, DAYS_PER_SCENARIO);
        return new FinishedDay(
                event.name(),
                day,
                event.day(day).start(),
                valuer.formula(stops),
                valuer.drawn(stops, days).totals(),
                weighedGrams);
    }

    /** Returns the result of a day's weigh-in; null: none a plan can be compared with. */
    private static @Nullable Double weighed(BagLog log, int day) {
        Entry.Official official = log.bag(day).official();
        return official == null || official.grams() == null || !(official.grams() > 0) ? null : official.grams();
    }
}
