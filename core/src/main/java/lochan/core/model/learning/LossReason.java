package lochan.core.model.learning;

import lochan.core.ReasonCode;

/** Lists what to change when bites are lost. */
public enum LossReason implements ReasonCode {
    JUMPED_METAL,
    JUMPED_TREBLE,
    JUMPED,
    PULLED_METAL,
    PULLED,
    OPENED_SINGLE,
    OPENED,
    SHORT_SINGLE,
    SHORT,
    REAR_MULTI,
    REAR,
    BROKE_BOTTOM,
    BROKE,
    MISSED_SINGLE,
    LOST_SINGLE,
    LOST_TREBLE,
    LOST_MULTI;

    @Override
    public String file() {
        return "losses";
    }
}
