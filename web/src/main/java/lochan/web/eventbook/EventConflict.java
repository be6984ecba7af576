package lochan.web.eventbook;

import lochan.core.ReasonCode;

/** Lists why the records of an event forbid a change of its rules. */
enum EventConflict implements ReasonCode {
    SPECIES_IN_USE(1),
    DAY_HAS_PLAN(1);

    private final int arity;

    EventConflict() {
        this(0);
    }

    EventConflict(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "rules";
    }
}
