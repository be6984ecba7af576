package lochan.web.modelling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class BackgroundComputationTest {

    private final BackgroundComputation<String, String> work = new BackgroundComputation<>("test-work", k -> k);
    private final CountDownLatch gate = new CountDownLatch(1);

    @AfterEach
    void end() {
        work.close();
    }

    private String held(String result) {
        try {
            gate.await();
            return result;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "interrupted";
        }
    }

    private BackgroundComputation.State<String> state(Object basis) {
        return work.state("key", basis).orElse(null);
    }

    @Test
    void whatIsFoundHoldsAsLongAsItsBasisAndIsComputedOnce() {
        AtomicInteger times = new AtomicInteger();
        work.begin("key", 1, 4, progress -> {
            times.incrementAndGet();
            progress.goOn(2);
            return held("found");
        });
        work.begin("key", 1, 4, progress -> "again");
        await().until(() -> state(1).done() == 2);
        assertThat(state(1).running()).isTrue();
        assertThat(state(1).percent()).isEqualTo(50);
        gate.countDown();
        await().until(() -> !state(1).running());

        assertThat(state(1).result()).isEqualTo("found");
        assertThat(state(2)).as("it rests on something else").isNull();
        assertThat(times).hasValue(1);
    }

    @Test
    void aStoppedComputationGivesWhatItHasAndMayBeginAgain() {
        CountDownLatch running = new CountDownLatch(1);
        work.begin("key", 1, 10, progress -> {
            running.countDown();
            int done = 0;
            while (progress.goOn(done)) {
                done = Math.min(9, done + 1);
            }
            return "so far";
        });
        await().until(() -> running.getCount() == 0);
        work.stop("key");
        await().until(() -> !state(1).running());
        assertThat(state(1))
                .extracting(BackgroundComputation.State::stopped, BackgroundComputation.State::result)
                .containsExactly(true, "so far");

        work.begin("key", 1, 10, progress -> "whole");
        await().until(() -> state(1) != null && "whole".equals(state(1).result()));
    }

    @Test
    void aFailureIsToldAndDoesNotHoldUpWhatComesAfter() {
        work.begin("key", 1, 1, progress -> {
            throw new IllegalStateException("no");
        });
        await().dontCatchUncaughtExceptions().until(() -> state(1).failed());
        assertThat(state(1).running()).isFalse();
        work.begin("key", 1, 1, progress -> "found");
        await().until(() -> "found".equals(state(1).result()));
    }

    @Test
    void whatNobodyWaitsForAnyMoreIsNotBegun() {
        AtomicInteger begun = new AtomicInteger();
        work.begin("other", 0, 1, progress -> held("first"));
        work.begin("key", 1, 1, progress -> "old " + begun.incrementAndGet());
        work.begin("key", 2, 1, progress -> "new");
        gate.countDown();
        await().until(() -> state(2) != null && "new".equals(state(2).result()));

        assertThat(begun).hasValue(0);
    }

    @Test
    void evenAnErrorIsToldAsAFailure() {
        work.begin("key", 1, 1, progress -> {
            throw new StackOverflowError();
        });
        await().until(() -> state(1).failed());
    }

    /** Nobody asks about it for a minute. */
    @Test
    void whatNobodyAsksAboutAnyMoreIsGivenUpAndBegunAgainForTheNext() {
        AtomicLong now = new AtomicLong();
        AtomicInteger begun = new AtomicInteger();
        CountDownLatch running = new CountDownLatch(1);
        try (BackgroundComputation<String, String> left =
                new BackgroundComputation<>("left", k -> k, 8, BackgroundComputation.WHILE_LOOKED_AT, now::get)) {
            left.begin("key", 1, 10, progress -> {
                begun.incrementAndGet();
                running.countDown();
                while (progress.goOn(1)) {
                    Thread.onSpinWait();
                }
                return "half";
            });
            await().until(() -> running.getCount() == 0);
            now.addAndGet(TimeUnit.MINUTES.toNanos(1));
            await().until(() -> left.state("key", 1).isEmpty());
            left.begin("key", 1, 10, progress -> "whole");
            await().until(() -> left.state("key", 1)
                    .map(BackgroundComputation.State::result)
                    .filter("whole"::equals)
                    .isPresent());
        }
        assertThat(begun).hasValue(1);
    }

    @Test
    void onlyOneComputationOfAnEventRunsAtATimeWhateverItsKind() {
        AtomicInteger at = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        BackgroundComputation.Task<String> task = progress -> {
            most.accumulateAndGet(at.incrementAndGet(), Math::max);
            for (int i = 0; i < 1000; i++) {
                Thread.yield();
            }
            at.decrementAndGet();
            return "done";
        };
        try (BackgroundComputation<Integer, String> one = new BackgroundComputation<>("one", k -> "event");
                BackgroundComputation<Integer, String> other = new BackgroundComputation<>("other", k -> "event")) {
            for (int i = 0; i < 10; i++) {
                one.begin(i, 1, 1, task);
                other.begin(i, 1, 1, task);
            }
            await().until(() -> java.util.stream.IntStream.range(0, 10)
                    .allMatch(i -> one.state(i, 1).map(s -> !s.running()).orElse(false)
                            && other.state(i, 1).map(s -> !s.running()).orElse(false)));
        }
        assertThat(most).hasValue(1);
    }
}
