package lochan.core.quantity;

import java.time.Duration;
import java.time.Instant;

/** Times in hours, to the millisecond. */
public final class Hours {

    private static final double MILLIS_PER_HOUR = 3_600_000;

    private Hours() {}

    public static double of(Duration time) {
        return ofMillis(time.toMillis());
    }

    public static double ofMillis(long millis) {
        return millis / MILLIS_PER_HOUR;
    }

    /** Negative where {@code to} comes first. */
    public static double between(Instant from, Instant to) {
        return of(Duration.between(from, to));
    }
}
