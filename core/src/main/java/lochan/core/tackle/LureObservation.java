package lochan.core.tackle;

import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/**
 * What an angler saw a lure do, to set its sheet right.
 *
 * @param id         unique in its tackle
 * @param lureId     of what
 * @param saw        what was seen
 * @param depthM     how deep it came, m, more than 0
 * @param seconds    how long it fell; null for a dive
 * @param castM      how long the cast was, m; null: a usual one
 * @param grams      weight it had, g; null: the usual one
 * @param line       it was tied to
 */
public record LureObservation(
        String id,
        String lureId,
        Saw saw,
        double depthM,
        @Nullable Double seconds,
        @Nullable Double castM,
        @Nullable Double grams,
        FishingLine line) {

    public LureObservation {
        if (!(depthM > 0)) {
            throw new IllegalArgumentException("depth is " + depthM + " m, expected more than 0");
        }
        if (saw == Saw.FALL && (seconds == null || !(seconds > 0))) {
            throw new IllegalArgumentException("seconds is " + seconds + ", expected how long it fell, more than 0");
        }
    }

    /** The observed behavior. */
    public enum Saw implements Coded {
        /** It dived as deep as this, and not deeper. */
        DIVE,
        /** It took so long to this depth. */
        FALL;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }
}
