package lochan.core.tackle;

import lochan.core.Coded;

/** Ways to work a lure. */
public enum Retrieve implements Coded {
    /** Turned in without a break. */
    STEADY,
    /** Turned in, stopped, turned in. */
    STOP_AND_GO,
    /** Short jerks of the rod with pauses. */
    TWITCH,
    /** Lifted off the bottom and let fall. */
    HOP,
    /** Pulled along the bottom. */
    DRAG,
    /** Lifted high through the water and let fall again. */
    LIFT_AND_FALL,
    /** Under the boat, up and down. */
    VERTICAL;

    /** Whether it keeps a lure that sinks above the bottom. */
    public boolean leavesBottom() {
        return this == STEADY || this == LIFT_AND_FALL || this == VERTICAL;
    }

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
