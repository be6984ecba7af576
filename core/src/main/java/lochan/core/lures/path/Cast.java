package lochan.core.lures.path;

import lochan.core.tackle.Retrieve;
import org.jspecify.annotations.Nullable;

/**
 * A cast and how it is worked.
 *
 * @param castM        how far, m, more than 0
 * @param retrieve     how
 * @param speedMps     speed of the retrieve, m/s, more than 0
 * @param countSeconds seconds the lure is let fall before; null: to the fish
 * @param tightLine    whether the line is kept tight while it falls
 */
public record Cast(
        double castM,
        Retrieve retrieve,
        double speedMps,
        @Nullable Double countSeconds,
        boolean tightLine) {

    public Cast {
        if (!(castM > 0) || !(speedMps > 0)) {
            throw new IllegalArgumentException(
                    "cast is " + castM + " m at " + speedMps + " m/s, expected both more than 0");
        }
        if (countSeconds != null && !(countSeconds >= 0)) {
            throw new IllegalArgumentException("count is " + countSeconds + " s, expected 0 or more");
        }
    }
}
