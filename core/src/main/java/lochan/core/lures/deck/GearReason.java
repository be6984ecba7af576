package lochan.core.lures.deck;

import lochan.core.ReasonCode;

/** Lists what the angler's rules can forbid on the deck, and the remedies. */
public enum GearReason implements ReasonCode {
    LIVE_BAIT(1),
    LEAVE_LIVE_BAIT,
    TOO_MANY_RODS(2),
    UNRIG_RODS(1),
    BANNED(2),
    TIE_SOMETHING_ELSE,
    TOO_MANY_HOOKS(3),
    USE_TEASERS(1),
    REMOVE_HOOKS(1);

    private final int arity;

    GearReason() {
        this(0);
    }

    GearReason(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "gear";
    }
}
