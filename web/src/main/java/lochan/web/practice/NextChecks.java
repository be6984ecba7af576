package lochan.web.practice;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.almanac.Almanac;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.search.NextCheck;
import lochan.core.planning.valuation.Strategy;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.modelling.BackgroundComputation;
import lochan.web.modelling.Budgets;
import lochan.web.modelling.DayModels;
import org.springframework.stereotype.Service;

/** Computes in the background what to check next: it plans the day many times. What was found holds as long as the event's practice is the same. */
@Service
class NextChecks {

    private static final int LOOKS = 8;

    private final Lakes lakes;
    private final Clock clock;
    private final Budgets budgets;
    private final BackgroundComputation<EventKey, List<NextCheck.Look>> computation =
            new BackgroundComputation<>("next-check", k -> k);

    NextChecks(Lakes lakes, Clock clock, Budgets budgets) {
        this.budgets = budgets;
        this.lakes = lakes;
        this.clock = clock;
    }

    /** When the next look may begin: now, or at the next sunrise after sunset. */
    Instant nextLook(EventData event) {
        Instant now = clock.instant();
        LocalDate date = now.atZone(event.timeZone()).toLocalDate();
        Instant sunset = Almanac.of(event.launch(), date, event.timeZone()).sunset();
        Instant sunrise =
                Almanac.of(event.launch(), date.plusDays(1), event.timeZone()).sunrise();
        return sunset == null || sunrise == null || now.isBefore(sunset) ? now : sunrise;
    }

    /** Returns the state for the current event; begins to compute when there is none. Empty without practice. */
    Optional<BackgroundComputation.State<List<NextCheck.Look>>> of(EventKey key, EventData event) {
        Instant at = nextLook(event);
        return event.stops().isEmpty()
                ? Optional.empty()
                : Optional.of(computation.open(key, basis(event, at), LOOKS, progress -> looks(event, at, progress)));
    }

    /** Computes what was stopped or failed after all. */
    void goOn(EventKey key, EventData event) {
        Instant at = nextLook(event);
        computation.begin(key, basis(event, at), LOOKS, progress -> looks(event, at, progress));
    }

    private static List<Object> basis(EventData event, Instant at) {
        return List.of(DayModels.basis(event, 1), at.atZone(event.timeZone()).toLocalDate());
    }

    void stop(EventKey key) {
        computation.stop(key);
    }

    private List<NextCheck.Look> looks(
            EventData event, Instant at, BackgroundComputation.Progress<List<NextCheck.Look>> progress) {
        DayRuns runs = lakes.dayRuns(event);
        NextCheck check = new NextCheck(
                event,
                1,
                Assumptions.DEFAULTS,
                set -> plan(set, runs),
                budgets.nextCheck().scenarios(),
                Budgets.SEED);
        List<Cell> cells = progress.goOn(0) ? check.promising(LOOKS, at) : List.of();
        return cells.isEmpty() ? List.of() : check.of(cells, at, progress::goOn);
    }

    private List<PlanStop> plan(ScenarioSet set, DayRuns runs) {
        return new DayPlanner(set, runs, DayPlanner.Wishes.of(Strategy.BALANCED), Budgets.SEED)
                .plan(budgets.nextCheck().rounds(), i -> true);
    }

    @PreDestroy
    void end() {
        computation.close();
    }
}
