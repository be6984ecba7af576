package lochan.core.lake;

import lochan.core.Coded;

/** How many fish were seen together. */
public enum FishCount implements Coded {
    ONE,
    /** Two to five. */
    FEW,
    MANY;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
