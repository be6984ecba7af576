package lochan.core.quantity;

import java.time.Instant;

/** Of two times, one. */
public final class Instants {

    private Instants() {}

    public static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    public static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }
}
