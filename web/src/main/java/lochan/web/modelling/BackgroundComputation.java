package lochan.web.modelling;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import com.github.benmanes.caffeine.cache.Ticker;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Computation of one kind in the background, one at a time, and one at a time for each event whatever its kind. What was found holds as long as
 * what it rests on is the same. Work that nobody asks about any more is dropped, whether it has begun or not.
 *
 * @param <K> what something is computed for
 * @param <R> what is found
 */
public final class BackgroundComputation<K, R> implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(BackgroundComputation.class);
    private static final int KEPT = 50;
    /** A page that is looked at asks every second and a half. */
    public static final Duration WHILE_LOOKED_AT = Duration.ofSeconds(20);
    /** A computation goes on while its reader looks at another page for a moment. */
    public static final Duration ASKED_FOR = Duration.ofMinutes(2);

    /** Held while something of an event is computed. */
    private static final LoadingCache<Object, ReentrantLock> GROUPS =
            Caffeine.newBuilder().weakValues().build(k -> new ReentrantLock(true));

    private final ExecutorService worker;
    private final Function<K, ?> group;
    private final Duration patience;
    private final Ticker ticker;
    private final Cache<K, Job<R>> jobs;

    /**
     * @param name  of the thread it runs in
     * @param group the event that a key is of
     */
    public BackgroundComputation(String name, Function<K, ?> group) {
        this(name, group, KEPT, WHILE_LOOKED_AT);
    }

    /**
     * @param kept     results at most: large ones are better few
     * @param patience how long it goes on while nobody asks about it
     */
    public BackgroundComputation(String name, Function<K, ?> group, int kept, Duration patience) {
        this(name, group, kept, patience, Ticker.systemTicker());
    }

    BackgroundComputation(String name, Function<K, ?> group, int kept, Duration patience, Ticker ticker) {
        this.patience = patience;
        this.group = group;
        this.ticker = ticker;
        this.jobs = Caffeine.newBuilder().maximumSize(kept).build();
        this.worker = Executors.newSingleThreadExecutor(r -> {
            Thread thread = new Thread(r, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** The computation to run. */
    @FunctionalInterface
    public interface Task<R> {
        /** @throws CancellationException when it was told not to go on, and has nothing to give but what it told so far */
        R compute(Progress<R> progress);
    }

    /** Told how far it is, answers whether to go on. */
    public interface Progress<R> {

        boolean goOn(int done);

        /** Returns the result so far, shown until there is more. */
        void soFar(R result);
    }

    /**
     * How a computation stands.
     *
     * @param finished whether nothing more will come
     * @param failed   whether it ended by an error
     * @param stopped  whether it was told to stop: what was found is then what there was
     * @param of       what {@code done} goes up to
     * @param result   the result so far; null: nothing yet
     */
    public record State<R>(
            boolean finished,
            boolean failed,
            boolean stopped,
            int done,
            int of,
            @Nullable R result) {

        public boolean running() {
            return !finished;
        }

        public int percent() {
            return 100 * Math.min(done, of) / of;
        }
    }

    private static final class Job<R> implements Progress<R> {

        private final Object basis;
        private final int of;
        private final Duration patience;
        private final Ticker ticker;
        private volatile long asked;
        private volatile int done;
        private volatile boolean stopped;
        /** Given up half-way: its result is not the one asked for. */
        private volatile boolean abandoned;

        private volatile boolean failed;
        private volatile boolean finished;
        private volatile @Nullable R result;

        private Job(Object basis, int of, Duration patience, Ticker ticker) {
            this.patience = patience;
            this.basis = basis;
            this.of = of;
            this.ticker = ticker;
            this.asked = ticker.read();
        }

        private boolean isWanted() {
            return ticker.read() - asked <= patience.toNanos();
        }

        private State<R> state() {
            return new State<>(finished, failed, stopped, done, of, result);
        }

        @Override
        public void soFar(R now) {
            result = now;
        }

        @Override
        public boolean goOn(int nowDone) {
            done = Math.max(done, nowDone);
            abandoned |= !isWanted();
            return !stopped && !abandoned;
        }
    }

    /**
     * The state for a key.
     *
     * @param basis what it rests on now; a computation on anything else is not shown
     */
    public Optional<State<R>> state(K key, Object basis) {
        return job(key, basis).map(Job::state);
    }

    /** Who asks waits for it. */
    private Optional<Job<R>> job(K key, Object basis) {
        Optional<Job<R>> job = Optional.ofNullable(jobs.getIfPresent(key)).filter(j -> j.basis.equals(basis));
        job.ifPresent(j -> j.asked = ticker.read());
        return job;
    }

    /**
     * How it stands, begun now when there is nothing on this basis yet. What failed or was stopped stays so.
     *
     * @param of what the task's progress goes up to, 1 or more
     */
    public State<R> open(K key, Object basis, int of, Task<R> task) {
        return job(key, basis).orElseGet(() -> begun(key, basis, of, task)).state();
    }

    /** Begins, unless it is under way or done on the same basis; what failed or was stopped begins again. */
    public void begin(K key, Object basis, int of, Task<R> task) {
        if (job(key, basis).filter(j -> !j.failed && !j.stopped).isEmpty()) {
            begun(key, basis, of, task);
        }
    }

    /** Begins whatever there was before, which is stopped. */
    public void beginAgain(K key, Object basis, int of, Task<R> task) {
        begun(key, basis, of, task);
    }

    private Job<R> begun(K key, Object basis, int of, Task<R> task) {
        stop(key);
        Job<R> job = new Job<>(basis, of, patience, ticker);
        jobs.put(key, job);
        worker.execute(() -> compute(key, job, task));
        return job;
    }

    private void compute(K key, Job<R> job, Task<R> task) {
        ReentrantLock turn = GROUPS.get(group.apply(key));
        turn.lock();
        try {
            // A computation without a reader is not begun.
            R found = jobs.getIfPresent(key) == job && (isAskedFor() || job.isWanted()) ? task.compute(job) : null;
            end(key, job, found);
        } catch (CancellationException e) {
            end(key, job, null);
        } catch (Throwable e) {
            job.failed = true;
            job.finished = true;
            LOG.error("a computation in the background failed", e);
        } finally {
            turn.unlock();
        }
    }

    /** Whether the angler asked for it: on a slow machine too it gives what it has found, however long nobody looks. */
    private boolean isAskedFor() {
        return patience.compareTo(ASKED_FOR) >= 0;
    }

    /** A stopped computation keeps its result so far; one begun for a page and given up half-way is forgotten. */
    private void end(K key, Job<R> job, @Nullable R found) {
        boolean keeps = isAskedFor() && found != null;
        if ((job.abandoned && !keeps) || (found == null && !job.stopped)) {
            jobs.asMap().remove(key, job);
        } else {
            job.stopped |= job.abandoned;
            job.result = found == null ? job.result : found;
            job.finished = true;
        }
    }

    /** Asks a computation to end with what it has. */
    public void stop(K key) {
        Optional.ofNullable(jobs.getIfPresent(key)).ifPresent(j -> j.stopped = true);
    }

    /** Stops a computation and forgets what it found. */
    public void forget(K key) {
        stop(key);
        jobs.invalidate(key);
    }

    @Override
    public void close() {
        jobs.asMap().values().forEach(j -> j.stopped = true);
        worker.shutdownNow();
    }
}
