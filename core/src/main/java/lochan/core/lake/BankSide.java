package lochan.core.lake;

import lochan.core.Coded;

/** Lists how the wind meets the bank beside a place. */
public enum BankSide implements Coded {
    /** Wind and waves come onto it: they push bait there. */
    BLOWN,
    /** The wind comes over it: calmer than the open water. */
    SHELTERED,
    /** Out of the wind: the surface is smooth. */
    SLICK;

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    /** Whether it is out of the wind, more or less. */
    public boolean isCalm() {
        return this != BLOWN;
    }
}
