package lochan.web.plan;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.Backups;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.EventKey;
import lochan.web.standings.DayModels;
import lochan.web.water.Waters;
import lochan.web.work.Work;
import org.springframework.stereotype.Service;

/** Reckons in the background what a plan's backups are: each is a plan of its own. What was found holds as long as plan and practice are the same. */
@Service
public class PlanBackups {

    private static final int SCENARIOS = 200;
    private static final int ROUNDS = 3;
    private static final long SEED = 1;

    private final Waters waters;
    private final Plans plans;
    private final Work<OfPlan, Backups.Ladder> work = new Work<>("backups", OfPlan::key);

    PlanBackups(Waters waters, Plans plans) {
        this.plans = plans;
        this.waters = waters;
    }

    /** A plan of an angler's event. */
    record OfPlan(EventKey key, long plan) { }

    /** What is known for the plan as it stands. */
    Optional<Work.State<Backups.Ladder>> state(EventKey key, long id, EventData event, Plan plan) {
        return work.state(new OfPlan(key, id), basis(event, plan));
    }

    private static List<Object> basis(EventData e, Plan plan) {
        return List.of(plan.day(), plan.stops(), DayModels.basis(e, plan.day()));
    }

    /** Begins, unless it is under way or done for the plan as it stands. */
    void begin(EventKey key, long id, EventData event, Plan plan) {
        work.begin(new OfPlan(key, id), basis(event, plan), 1, progress -> {
            ScenarioSet scenarios = new ScenarioSet(new DayModel(event, plan.day(), Assumptions.DEFAULTS), SCENARIOS, SEED);
            return of(scenarios, event, plan.stops(), progress);
        });
    }

    /** Computes the backups of some stops, which takes seconds. */
    public Backups.Ladder of(ScenarioSet scenarios, EventData event, List<PlanStop> stops, Work.Progress progress) {
        return Backups.of(scenarios, waters.dayRuns(event), stops, SEED, ROUNDS, () -> progress.goOn(0));
    }

    /** The backups of a day's plan; while they are reckoned, which this begins, or where there is no plan, a ladder without rungs. */
    public Backups.Ladder ofDay(EventKey key, EventData event, int day) {
        StoredPlan stored = plans.ofDay(key, day);
        if (stored == null) {
            return new Backups.Ladder(null, List.of());
        }
        Plan kept = PlanPage.kept(stored.plan(), event);
        begin(key, stored.id(), event, kept);
        return state(key, stored.id(), event, kept).map(Work.State::result).orElse(new Backups.Ladder(null, List.of()));
    }

    @PreDestroy
    void end() {
        work.close();
    }
}
