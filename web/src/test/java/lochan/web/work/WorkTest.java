package lochan.web.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class WorkTest {

    private final Work<String, String> work = new Work<>("test-work");
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

    private Work.State<String> state(Object basis) {
        return work.state("key", basis).orElse(null);
    }

    @Test
    void whatIsFoundHoldsAsLongAsItsBasisAndIsReckonedOnce() {
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
    void aStoppedReckoningGivesWhatItHasAndMayBeginAnew() {
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
        assertThat(state(1)).extracting(Work.State::stopped, Work.State::result).containsExactly(true, "so far");

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
        work.begin("key", 1, 1, progress -> "mended");
        await().until(() -> "mended".equals(state(1).result()));
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
}
