package lochan.web.work;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * Reckoning of one kind in the background, one at a time. What was found holds as long as what it rests on is the same.
 *
 * @param <K> what something is reckoned for
 * @param <R> what is found
 */
public final class Work<K, R> implements AutoCloseable {

    private static final int KEPT = 50;

    private final ExecutorService worker;
    private final Cache<K, Job<R>> jobs;

    /** @param name of the thread it runs in */
    public Work(String name) {
        this(name, KEPT);
    }

    /** @param kept results at most: large ones are better few */
    public Work(String name, int kept) {
        this.jobs = Caffeine.newBuilder().maximumSize(kept).build();
        this.worker = Executors.newSingleThreadExecutor(r -> {
            Thread thread = new Thread(r, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** What is to be reckoned. */
    @FunctionalInterface
    public interface Task<R> {
        R reckon(Progress progress);
    }

    /** Told how far it is, answers whether to go on. */
    @FunctionalInterface
    public interface Progress {
        boolean goOn(int done);
    }

    /**
     * How a reckoning stands.
     *
     * @param stopped whether it was told to stop: what was found is then what there was
     * @param of      what {@code done} goes up to
     * @param result  null while it runs, or when it failed
     */
    public record State<R>(boolean failed, boolean stopped, int done, int of, R result) {

        public boolean running() {
            return !failed && result == null;
        }

        public int percent() {
            return 100 * Math.min(done, of) / of;
        }
    }

    private static final class Job<R> {

        private final Object basis;
        private final int of;
        private volatile int done;
        private volatile boolean stopped;
        private volatile boolean failed;
        private volatile R result;

        private Job(Object basis, int of) {
            this.basis = basis;
            this.of = of;
        }

        private boolean goOn(int nowDone) {
            done = Math.max(done, nowDone);
            return !stopped;
        }
    }

    /**
     * What is known for a key.
     *
     * @param basis what it rests on as it stands now; a reckoning on anything else is not told
     */
    public Optional<State<R>> state(K key, Object basis) {
        return job(key, basis).map(j -> new State<>(j.failed, j.stopped, j.done, j.of, j.result));
    }

    private Optional<Job<R>> job(K key, Object basis) {
        return Optional.ofNullable(jobs.getIfPresent(key)).filter(j -> j.basis.equals(basis));
    }

    /**
     * Begins, unless it is under way or done on the same basis; a reckoning on another basis is stopped.
     *
     * @param of what the task's progress goes up to, 1 or more
     */
    public void begin(K key, Object basis, int of, Task<R> task) {
        if (job(key, basis).filter(j -> !j.failed && !j.stopped).isEmpty()) {
            beginAnew(key, basis, of, task);
        }
    }

    /** Begins whatever there was before, which is stopped. */
    public void beginAnew(K key, Object basis, int of, Task<R> task) {
        stop(key);
        Job<R> job = new Job<>(basis, of);
        jobs.put(key, job);
        worker.execute(() -> reckon(job, task));
    }

    private void reckon(Job<R> job, Task<R> task) {
        try {
            // What nobody waits for any more is not begun.
            job.result = jobs.asMap().containsValue(job) ? task.reckon(job::goOn) : null;
        } catch (RuntimeException e) {
            job.failed = true;
            throw e;
        }
    }

    /** Asks a reckoning to end with what it has. */
    public void stop(K key) {
        Optional.ofNullable(jobs.getIfPresent(key)).ifPresent(j -> j.stopped = true);
    }

    /** Stops a reckoning and forgets what it found. */
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
