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
import lochan.core.event.Brief;
import lochan.core.event.Format;
import lochan.core.eventdata.EventData;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Calibration;
import lochan.core.planning.PlanValuer;
import lochan.core.review.DayForecast;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.Briefs;
import lochan.web.brief.EventKey;
import lochan.web.eventbook.EventBook;
import org.springframework.stereotype.Service;

/** What an angler's finished days teach about plans: how far what was weighed lies from what was forecast. */
@Service
public class Forecasts {

    private static final int SCENARIOS = 200;
    private static final int DAYS_PER_SCENARIO = 20;
    /** Enough to learn from; older ones say little of the angler of today. */
    private static final int LATEST_EVENTS = 20;
    private static final long SEED = 1;

    private final Briefs briefs;
    private final EventBook events;
    private final Clock clock;

    Forecasts(Briefs briefs, EventBook events, Clock clock) {
        this.briefs = briefs;
        this.events = events;
        this.clock = clock;
    }

    /** A finished day that has both a plan and an official weight. */
    private record Finished(EventData event, int day, List<PlanStop> stops, double actualGrams) {

        Instant start() {
            return event.brief().day(day).start();
        }

        /** Null: the plan promised nothing. */
        Calibration.Result result(ScenarioSet scenarios) {
            double forecast = new PlanValuer(scenarios).formula(stops);
            return forecast > 0 ? new Calibration.Result(actualGrams, forecast) : null;
        }

        ScenarioSet scenarios() {
            return new ScenarioSet(new DayModel(event, day, Assumptions.DEFAULTS), SCENARIOS, SEED);
        }

        DayForecast forecast(ScenarioSet scenarios, double factor) {
            int[] days = new int[SCENARIOS];
            Arrays.fill(days, DAYS_PER_SCENARIO);
            return DayForecast.of(Arrays.stream(new PlanValuer(scenarios).drawn(stops, days).totals()).map(t -> factor * t).toArray(), actualGrams);
        }
    }

    /**
     * A finished day with its forecast as it stood that morning.
     *
     * @param event its name
     */
    public record Scored(String event, int day, Instant start, DayForecast forecast) { }

    public Calibration calibration(long accountId) {
        return calibration(finished(accountId));
    }

    /** As it stood before a time. */
    public Calibration calibrationBefore(long accountId, Instant time) {
        return calibration(finished(accountId).stream().filter(f -> f.start().isBefore(time)).toList());
    }

    private static Calibration calibration(List<Finished> days) {
        return Calibration.of(days.stream().map(f -> f.result(f.scenarios())).filter(Objects::nonNull).toList(), Assumptions.DEFAULTS.forecast());
    }

    /** All finished days, the first first, each by what those before it had taught. */
    public List<Scored> scores(long accountId) {
        List<Scored> scores = new ArrayList<>();
        List<Calibration.Result> before = new ArrayList<>();
        for (Finished f : finished(accountId)) {
            ScenarioSet scenarios = f.scenarios();
            double factor = Calibration.of(before, Assumptions.DEFAULTS.forecast()).factor();
            scores.add(new Scored(f.event().brief().name(), f.day(), f.start(), f.forecast(scenarios, factor)));
            Calibration.Result result = f.result(scenarios);
            if (result != null) {
                before.add(result);
            }
        }
        return scores;
    }

    private List<Finished> finished(long accountId) {
        return briefs.all(accountId).reversed().stream().limit(LATEST_EVENTS).filter(this::over).map(events::event)
                .filter(e -> e.brief().format() != Format.LIMIT_LENGTH && e.competition().stream().anyMatch(Entry.Official.class::isInstance))
                .flatMap(e -> IntStream.rangeClosed(1, e.brief().days().size()).filter(day -> clock.instant().isAfter(e.brief().day(day).checkIn())).mapToObj(day -> finished(e, day)))
                .filter(Objects::nonNull).sorted(Comparator.comparing(Finished::start)).toList();
    }

    /** Whether a day of the event has ended: only then is the rest of it worth reading. */
    private boolean over(EventKey key) {
        Brief brief = briefs.brief(key);
        return brief.days().stream().anyMatch(day -> clock.instant().isAfter(day.checkIn()));
    }

    /** A day that has both a plan and an official weight; else null. */
    private static Finished finished(EventData event, int day) {
        Bag bag = BagLog.replay(event.brief(), event.competition()).bag(day);
        boolean weighed = bag.official() != null && bag.official().grams() != null && bag.official().grams() > 0;
        return event.planOf(day).isEmpty() || !weighed ? null : new Finished(event, day, event.planOf(day), bag.official().grams());
    }
}
