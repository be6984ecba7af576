package lochan.web.plan;

import java.time.Clock;
import java.util.ArrayList;
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
import lochan.core.plan.Plan;
import lochan.core.planning.Calibration;
import lochan.core.planning.PlanValuer;
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

    public Calibration calibration(long accountId) {
        List<Calibration.Result> results = new ArrayList<>();
        briefs.all(accountId).reversed().stream().limit(LATEST_EVENTS).filter(this::over).map(events::event)
                .filter(e -> e.brief().format() != Format.LIMIT_LENGTH && e.competition().stream().anyMatch(Entry.Official.class::isInstance))
                .forEach(e -> IntStream.rangeClosed(1, e.brief().days().size())
                        .filter(day -> clock.instant().isAfter(e.brief().day(day).checkIn()))
                        .mapToObj(day -> result(e, day)).filter(Objects::nonNull).forEach(results::add));
        return Calibration.of(results, Assumptions.DEFAULTS.forecast());
    }

    /** Whether a day of the event has ended: only then is the rest of it worth reading. */
    private boolean over(EventKey key) {
        Brief brief = briefs.brief(key);
        return brief.days().stream().anyMatch(day -> clock.instant().isAfter(day.checkIn()));
    }

    /** A day that has both a plan and an official weight; else null. */
    private static Calibration.Result result(EventData event, int day) {
        Bag bag = BagLog.replay(event.brief(), event.competition()).bag(day);
        Plan plan = event.plans().stream().filter(p -> p.day() == day && !p.stops().isEmpty()).findFirst().orElse(null);
        if (plan == null || bag.official() == null || bag.official().grams() == null || !(bag.official().grams() > 0)) {
            return null;
        }
        double forecast = new PlanValuer(new ScenarioSet(new DayModel(event, day, Assumptions.DEFAULTS), SCENARIOS, SEED)).formula(plan.stops());
        return forecast > 0 ? new Calibration.Result(bag.official().grams(), forecast) : null;
    }
}
