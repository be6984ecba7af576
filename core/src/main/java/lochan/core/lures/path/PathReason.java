package lochan.core.lures.path;

import lochan.core.ReasonCode;

/** Lists what the angler's rules can say of a cast. */
public enum PathReason implements ReasonCode {
    BELOW_THE_FISH(1),
    AT_THE_FISH(1),
    NEVER_NEAR(1),
    THROUGH_COVER,
    HITS_COVER,
    CLEARS_COVER(1),
    CLOSE_TO_COVER(2),
    DEEP_ENOUGH(1),
    TOO_SHALLOW(2),
    HITS_BOTTOM(1),
    MISSES_BOTTOM(1);

    private final int arity;

    PathReason() {
        this(0);
    }

    PathReason(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "lurepath";
    }
}
