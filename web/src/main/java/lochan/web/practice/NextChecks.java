package lochan.web.practice;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.plan.PlanStop;
import lochan.core.planning.DayPlanner;
import lochan.core.planning.DayRuns;
import lochan.core.planning.NextCheck;
import lochan.core.planning.Stance;
import lochan.core.rate.Cell;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.EventKey;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import lochan.web.work.Work;
import org.springframework.stereotype.Service;

/** Reckons in the background what to check next: it plans the day many times. What was found holds as long as the event's practice is the same. */
@Service
class NextChecks {

    private static final int LOOKS = 8;
    private static final int SCENARIOS = 24;
    private static final int ROUNDS = 3;
    private static final long SEED = 1;

    private final Waters waters;
    private final Clock clock;
    private final Work<EventKey, List<NextCheck.Look>> work = new Work<>("next-check", k -> k);

    NextChecks(Waters waters, Clock clock) {
        this.waters = waters;
        this.clock = clock;
    }

    /** What is known for the event as it stands. */
    Optional<Work.State<List<NextCheck.Look>>> state(EventKey key, EventData event) {
        return work.state(key, DayModels.basis(event, 1));
    }

    /** Begins, unless it is under way or done for the event as it stands. */
    void begin(EventKey key, EventData event) {
        Instant now = clock.instant();
        work.begin(key, DayModels.basis(event, 1), LOOKS, progress -> looks(event, now, progress));
    }

    void stop(EventKey key) {
        work.stop(key);
    }

    private List<NextCheck.Look> looks(EventData event, Instant now, Work.Progress progress) {
        DayRuns runs = waters.dayRuns(event);
        NextCheck check = new NextCheck(event, 1, Assumptions.DEFAULTS, set -> plan(set, runs), SCENARIOS, SEED);
        List<Cell> cells = progress.goOn(0) ? check.promising(LOOKS) : List.of();
        return cells.isEmpty() ? List.of() : check.of(cells, now, progress::goOn);
    }

    private static List<PlanStop> plan(ScenarioSet set, DayRuns runs) {
        return new DayPlanner(set, runs, DayPlanner.Wishes.of(Stance.STEADY), SEED).plan(ROUNDS, i -> true);
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
