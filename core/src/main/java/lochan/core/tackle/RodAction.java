package lochan.core.tackle;

import lochan.core.Coded;

/** Where a rod bends, deepest first. */
public enum RodAction implements Coded {
    MODERATE,
    MODERATE_FAST,
    FAST,
    EXTRA_FAST;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
