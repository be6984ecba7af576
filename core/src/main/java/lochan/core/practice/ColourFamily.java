package lochan.core.practice;

import lochan.core.Coded;

/** How a colour looks under water, what clarity calls for. */
public enum ColourFamily implements Coded {
    NATURAL,
    MIXED,
    BOLD;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
