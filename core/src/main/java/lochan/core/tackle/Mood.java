package lochan.core.tackle;

import lochan.core.Coded;

/** How willing fish are. */
public enum Mood implements Coded {
    ACTIVE,
    NEUTRAL,
    INACTIVE;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
