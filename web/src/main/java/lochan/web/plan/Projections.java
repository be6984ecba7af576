package lochan.web.plan;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.Calibration;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.review.DayProjection;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.modelling.Budgets;
import org.springframework.stereotype.Service;

/** What an angler's finished days teach about plans: how far what was weighed lies from what was projected. */
@Service
public class Projections {

    private static final int DAYS_PER_SCENARIO = 20;
    /** Enough to learn from; older ones say little of the angler of today. */
    private static final int LATEST_EVENTS = 20;

    private final Events events;
    private final EventBook book;
    private final Clock clock;

    Projections(Events events, EventBook book, Clock clock) {
        this.events = events;
        this.book = book;
        this.clock = clock;
    }

    /** A finished day that has both a plan and an official weight. */
    private record FinishedDay(EventData event, int day, List<PlanStop> stops, double actualGrams) {

        Instant start() {
            return event.day(day).start();
        }

        /** Null: the plan promised nothing. */
        Calibration.Result result(ScenarioSet scenarios) {
            double projection = new PlanValuer(scenarios).formula(stops);
            return projection > 0 ? new Calibration.Result(actualGrams, projection) : null;
        }

        ScenarioSet scenarios() {
            return new ScenarioSet(
                    new DayModel(event, day, Assumptions.DEFAULTS), Budgets.USUAL.review(), Budgets.SEED);
        }

        DayProjection projection(ScenarioSet scenarios, double factor) {
            int[] days = new int[Budgets.USUAL.review()];
            Arrays.fill(days, DAYS_PER_SCENARIO);
            return DayProjection.of(
                    Arrays.stream(new PlanValuer(scenarios).drawn(stops, days).totals())
                            .map(t -> factor * t)
                            .toArray(),
                    actualGrams);
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
        return Calibration.of(
                days.stream()
                        .map(f -> f.result(f.scenarios()))
                        .filter(Objects::nonNull)
                        .toList(),
                Assumptions.DEFAULTS.projection());
    }

    /** All finished days, the first first, each by what those before it had taught. */
    public List<ScoredDay> scores(long accountId) {
        List<ScoredDay> scores = new ArrayList<>();
        List<Calibration.Result> before = new ArrayList<>();
        for (FinishedDay f : finished(accountId)) {
            ScenarioSet scenarios = f.scenarios();
            double factor =
                    Calibration.of(before, Assumptions.DEFAULTS.projection()).factor();
            scores.add(new ScoredDay(f.event().name(), f.day(), f.start(), f.projection(scenarios, factor)));
            Calibration.Result result = f.result(scenarios);
            if (result != null) {
                before.add(result);
            }
        }
        return scores;
    }

    private List<FinishedDay> finished(long accountId) {
        return events.all(accountId).reversed().stream()
                .limit(LATEST_EVENTS)
                .filter(this::over)
                .map(book::event)
                .filter(e -> e.rules().format() != Format.LIMIT_LENGTH
                        && e.competition().stream().anyMatch(Entry.Official.class::isInstance))
                .flatMap(e -> IntStream.rangeClosed(1, e.days().size())
                        .filter(day -> clock.instant().isAfter(e.day(day).checkIn()))
                        .mapToObj(day -> finished(e, day)))
                .filter(Objects::nonNull)
                .sorted(Comparator.comparing(FinishedDay::start))
                .toList();
    }

    /** Whether a day of the event has ended: only then is the rest of it worth reading. */
    private boolean over(EventKey key) {
        Event event = events.event(key);
        return event.days().stream().anyMatch(day -> clock.instant().isAfter(day.checkIn()));
    }

    /** A day that has both a plan and an official weight; else null. */
    private static FinishedDay finished(EventData event, int day) {
        Bag bag = BagLog.replay(event.event(), event.competition()).bag(day);
        boolean weighed = bag.official() != null
                && bag.official().grams() != null
                && bag.official().grams() > 0;
        return event.planOf(day).isEmpty() || !weighed
                ? null
                : new FinishedDay(event, day, event.planOf(day), bag.official().grams());
    }
}
