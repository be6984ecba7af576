package lochan.core.tackle;

import lochan.core.Coded;

/** How stiff a rod is, softest first. */
public enum Power implements Coded {
    LIGHT,
    MEDIUM_LIGHT,
    MEDIUM,
    MEDIUM_HEAVY,
    HEAVY;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
