package lochan.core.lures.rigging;

import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/**
 * One part of a rigged lure.
 *
 * @param choice what to take, in words
 * @param why    the reason, in words
 * @param others what other good anglers take instead, and why, in words; null: there is no quarrel about it
 */
public record RigPart(
        Part part, String choice, String why, @Nullable String others) {

    /** What a lure is rigged with, in the order it is told. */
    public enum Part implements Coded {
        SIZE,
        WEIGHT,
        COLOUR,
        HOOK,
        TRAILER,
        LINE,
        LEADER,
        ROD,
        REEL;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }
}
