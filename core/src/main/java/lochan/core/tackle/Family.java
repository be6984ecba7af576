package lochan.core.tackle;

import lochan.core.Coded;

/** Kinds of lures that are fished alike. */
public enum Family implements Coded {
    TOPWATER,
    JERKBAIT,
    BLADES,
    SWIMBAIT,
    CRANKBAIT,
    METAL,
    JIG,
    SOFT_PLASTIC,
    /** What some events do not allow. */
    LIVE_BAIT;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
