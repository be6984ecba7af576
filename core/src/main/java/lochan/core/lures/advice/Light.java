package lochan.core.lures.advice;

import lochan.core.Coded;

/** How much light comes down. */
public enum Light implements Coded {
    LOW,
    MIXED,
    BRIGHT;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
