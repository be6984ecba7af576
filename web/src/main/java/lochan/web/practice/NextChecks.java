package lochan.web.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.planning.NextCheck;
import lochan.core.planning.Planner;
import lochan.core.rate.Cell;
import lochan.web.brief.EventKey;
import lochan.web.water.Waters;
import org.springframework.stereotype.Service;

/**
 * Reckons in the background what to check next: it plans the day many times. One is reckoned at a time; what was found holds as long as the
 * event's practice is the same.
 */
@Service
class NextChecks {

    private static final int LOOKS = 8;
    private static final int SCENARIOS = 24;
    private static final long SEED = 1;
    private static final int KEPT = 50;

    private final Waters waters;
    private final Clock clock;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> {
        Thread thread = new Thread(r, "next-check");
        thread.setDaemon(true);
        return thread;
    });
    private final Cache<EventKey, Job> jobs = Caffeine.newBuilder().maximumSize(KEPT).build();

    NextChecks(Waters waters, Clock clock) {
        this.waters = waters;
        this.clock = clock;
    }

    /** A reckoning under way or done. */
    private static final class Job {

        private final int practice;
        private volatile int done;
        private volatile boolean stopped;
        private volatile List<NextCheck.Look> looks;
        private volatile boolean failed;

        private Job(int practice) {
            this.practice = practice;
        }

        State state() {
            List<NextCheck.Look> found = looks;
            return new State(found == null && !failed, failed, done, LOOKS, found);
        }
    }

    /**
     * How a reckoning stands.
     *
     * @param looks null while it runs
     */
    record State(boolean running, boolean failed, int done, int of, List<NextCheck.Look> looks) { }

    /** What is known for the event as it stands. */
    Optional<State> state(EventKey key, EventData event) {
        return job(key, event).map(Job::state);
    }

    private Optional<Job> job(EventKey key, EventData event) {
        return Optional.ofNullable(jobs.getIfPresent(key)).filter(j -> j.practice == practice(event));
    }

    private static int practice(EventData event) {
        return java.util.Objects.hash(event.brief(), event.boat(), event.spots(), event.stops(), event.forecast());
    }

    /** Begins, unless it is under way or done for the event as it stands. */
    void begin(EventKey key, EventData event) {
        if (job(key, event).filter(j -> !j.failed && !j.stopped).isEmpty()) {
            stop(key);
            Job job = new Job(practice(event));
            jobs.put(key, job);
            Instant now = clock.instant();
            worker.submit(() -> reckon(job, event, now));
        }
    }

    void stop(EventKey key) {
        Optional.ofNullable(jobs.getIfPresent(key)).ifPresent(j -> j.stopped = true);
    }

    private void reckon(Job job, EventData event, Instant now) {
        try {
            NextCheck check = new NextCheck(event, 1, Assumptions.DEFAULTS, waters.runs(event), Planner.greedy(), SCENARIOS, SEED);
            List<Cell> cells = job.stopped ? List.of() : check.promising(LOOKS);
            job.looks = cells.isEmpty() ? List.of() : check.of(cells, now, done -> {
                job.done = done;
                return !job.stopped;
            });
        } catch (RuntimeException e) {
            job.failed = true;
            throw e;
        }
    }

    @PreDestroy
    void end() {
        jobs.asMap().values().forEach(j -> j.stopped = true);
        worker.shutdownNow();
    }
}
