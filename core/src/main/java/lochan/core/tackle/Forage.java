package lochan.core.tackle;

import lochan.core.Coded;

/** What bass feed on. */
public enum Forage implements Coded {
    BAITFISH,
    CRAYFISH,
    PANFISH,
    FRY,
    INSECTS;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
