package lochan.core.practice;

import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/** Lists how the wind leaves the surface, smoothest first. */
public enum Surface implements Coded {
    CALM("calm"),
    RIPPLE("ripple"),
    CHOP("chop"),
    WAVES("waves");

    /** Beaufort 0 and 1: smooth, or scales without crests. */
    private static final double RIPPLE_FROM_MPS = 1.6;
    /** Ten miles an hour, where anglers find sight fishing and topwater spoilt. */
    private static final double CHOP_FROM_MPS = 4.5;
    /** Beaufort 5: waves with white horses. */
    private static final double WAVES_FROM_MPS = 8;

    private final String code;

    Surface(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    /**
     * What a wind makes of open water, by the Beaufort scale; a lee is smoother.
     *
     * @param windMps wind, m/s, 0 or more; null: unknown
     * @return null when the wind is unknown
     */
    public static @Nullable Surface ofWind(@Nullable Double windMps) {
        if (windMps == null) {
            return null;
        }
        if (windMps < RIPPLE_FROM_MPS) {
            return CALM;
        }
        if (windMps < CHOP_FROM_MPS) {
            return RIPPLE;
        }
        if (windMps < WAVES_FROM_MPS) {
            return CHOP;
        }
        return WAVES;
    }
}
