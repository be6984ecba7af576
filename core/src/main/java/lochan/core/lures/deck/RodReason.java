package lochan.core.lures.deck;

import lochan.core.ReasonCode;

/** Lists what can be wrong with a rod for a lure. */
public enum RodReason implements ReasonCode {
    POWER(2),
    ACTION(2),
    HEAVY_LINE,
    LIGHT_LINE,
    ADD_LEADER,
    LINE(2);

    private final int arity;

    RodReason() {
        this(0);
    }

    RodReason(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "rodfit";
    }
}
