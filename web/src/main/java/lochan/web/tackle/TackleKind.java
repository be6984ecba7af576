package lochan.web.tackle;

import lochan.core.Coded;

/** Kinds of tackle that are kept one by one. */
enum TackleKind implements Coded {
    ROD, ITEM, LURE, OBSERVATION;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
