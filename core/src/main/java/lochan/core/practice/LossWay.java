package lochan.core.practice;

import lochan.core.Coded;

/** How a bite was lost. */
public enum LossWay implements Coded {
    JUMPED_OFF,
    PULLED_OUT,
    HOOK_OPENED,
    /** It bit, and was never on the hook. */
    SHORT_BITE,
    /** Held by the rear hook, or by one arm of a rig, alone. */
    REAR_HOOK,
    BROKE_OFF;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
