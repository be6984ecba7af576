package lochan.core.lures.rigging;

import lochan.core.Coded;
import lochan.core.Reason;
import org.jspecify.annotations.Nullable;

/**
 * One part of a rigged lure.
 *
 * @param choice what to take
 * @param why    the reason
 * @param others what other good anglers take instead, and why; null: they agree
 */
public record RigPart(
        Part part, Reason choice, Reason why, @Nullable Reason others) {

    /** What a lure is rigged with, in the order shown. */
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
