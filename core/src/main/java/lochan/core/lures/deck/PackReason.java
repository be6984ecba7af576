package lochan.core.lures.deck;

import lochan.core.ReasonCode;

/** Lists what to pack or to check before the boat leaves. */
public enum PackReason implements ReasonCode {
    LIFE_JACKET,
    LIFE_JACKETS(1),
    LANYARD,
    LIGHTS_SIGNALS,
    WEATHER,
    FIRST_AID,
    BATTERIES,
    LIVEWELL_PUMP,
    PLIERS,
    CAMERA,
    SCALE,
    BALANCE,
    BOARD,
    TAGS,
    TAGS_AND_SPARE(1),
    HOOKS,
    HOOKS_FOR(1),
    LEADERS,
    PAPERS,
    FUEL,
    WATER;

    private final int arity;

    PackReason() {
        this(0);
    }

    PackReason(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "packing";
    }
}
