package lochan.web.plan;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.planning.Backups;
import lochan.core.scenario.DayModel;
import lochan.core.scenario.ScenarioSet;
import lochan.web.brief.EventKey;
import lochan.web.water.Waters;
import org.springframework.stereotype.Service;

/**
 * Reckons in the background what a plan's backups are: each is a plan of its own. One is reckoned at a time; what was found holds as long as
 * the plan and what it rests on are the same.
 */
@Service
class PlanBackups {

    private static final int SCENARIOS = 200;
    private static final int ROUNDS = 4;
    private static final long SEED = 1;
    private static final int KEPT = 50;

    private final Waters waters;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> {
        Thread thread = new Thread(r, "backups");
        thread.setDaemon(true);
        return thread;
    });
    private final Cache<OfPlan, Job> jobs = Caffeine.newBuilder().maximumSize(KEPT).build();

    PlanBackups(Waters waters) {
        this.waters = waters;
    }

    private record OfPlan(EventKey key, long plan) { }

    /** A reckoning under way or done. */
    private static final class Job {

        private final List<Object> basis;
        private volatile Backups.Ladder found;
        private volatile boolean failed;

        private Job(List<Object> basis) {
            this.basis = basis;
        }
    }

    /**
     * How a reckoning stands.
     *
     * @param ladder null while it runs, or when it failed
     */
    record State(boolean failed, Backups.Ladder ladder) {

        public boolean running() {
            return !failed && ladder == null;
        }
    }

    /** What is known for the plan as it stands. */
    Optional<State> state(EventKey key, long id, EventData event, Plan plan) {
        return job(key, id, event, plan).map(j -> new State(j.failed, j.found));
    }

    private Optional<Job> job(EventKey key, long id, EventData event, Plan plan) {
        return Optional.ofNullable(jobs.getIfPresent(new OfPlan(key, id))).filter(j -> j.basis.equals(basis(event, plan)));
    }

    private static List<Object> basis(EventData e, Plan plan) {
        return List.of(plan.day(), plan.stops(), e.brief(), e.boat(), e.spots(), e.presentations(), e.stops(), e.forecast());
    }

    /** Begins, unless it is under way or done for the plan as it stands. */
    void begin(EventKey key, long id, EventData event, Plan plan) {
        if (job(key, id, event, plan).filter(j -> !j.failed).isEmpty()) {
            Job job = new Job(basis(event, plan));
            jobs.put(new OfPlan(key, id), job);
            worker.submit(() -> reckon(job, event, plan));
        }
    }

    private void reckon(Job job, EventData event, Plan plan) {
        try {
            ScenarioSet scenarios = new ScenarioSet(new DayModel(event, plan.day(), Assumptions.DEFAULTS), SCENARIOS, SEED);
            job.found = Backups.of(scenarios, waters.runs(event), plan.stops(), SEED, ROUNDS);
        } catch (RuntimeException e) {
            job.failed = true;
            throw e;
        }
    }

    @PreDestroy
    void end() {
        worker.shutdownNow();
    }
}
