package lochan.web.gear;

import lochan.core.Coded;

/** Kinds of tackle that are kept one by one. */
public enum TackleKind implements Coded {
    ROD,
    ITEM,
    LURE,
    OBSERVATION;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
