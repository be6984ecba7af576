package lochan.web.clock;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;

/** A clock that runs on from wherever it was set. */
public final class DemoClock extends Clock {

    private final Clock base;
    private final AtomicReference<Duration> ahead = new AtomicReference<>(Duration.ZERO);

    public DemoClock(Clock base) {
        this.base = base;
    }

    public void set(Instant now) {
        ahead.set(Duration.between(base.instant(), now));
    }

    @Override
    public Instant instant() {
        return base.instant().plus(ahead.get());
    }

    @Override
    public ZoneId getZone() {
        return base.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        DemoClock clock = new DemoClock(base.withZone(zone));
        clock.ahead.set(ahead.get());
        return clock;
    }
}
