package lochan.core.lake;

import lochan.core.Coded;

/** The depth zone of a spot: what makes good and bad days together. */
public enum Zone implements Coded {
    SHALLOW("shallow"),
    MID("mid"),
    DEEP("deep");

    /** Where light still reaches grass in most reservoirs. */
    private static final double SHALLOW_TO_M = 3.5;
    /** About the depth of the first summer thermoclines. */
    private static final double MID_TO_M = 6.5;

    private final String code;

    Zone(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    /** The usual zone of a depth, m; the angler may say otherwise. */
    public static Zone at(double depthM) {
        if (depthM < SHALLOW_TO_M) {
            return SHALLOW;
        }
        if (depthM < MID_TO_M) {
            return MID;
        }
        return DEEP;
    }
}
