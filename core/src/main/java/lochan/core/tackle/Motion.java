package lochan.core.tackle;

/** How a lure moves in the water. */
public sealed interface Motion {

    /** On the surface all the way. */
    record Surface() implements Motion {}

    /**
     * Dives when it is pulled.
     *
     * @param depthM depth it comes to on its rated line after a long pull, m, more than 0
     * @param alongM pull after which it is at 63 % of that depth, m, more than 0
     * @param floats whether it rises when it rests; else it stays where it is
     */
    record Dives(double depthM, double alongM, boolean floats) implements Motion {

        public Dives {
            if (!(depthM > 0) || !(alongM > 0)) {
                throw new IllegalArgumentException(
                        "dive is " + depthM + " m along " + alongM + " m, expected both more than 0");
            }
        }
    }

    /**
     * Sinks when it rests.
     *
     * @param fallMps rate of fall on slack line at the lure's usual weight, m/s, more than 0
     * @param holdMps speed of the retrieve at which it keeps its depth, m/s, more than 0: slower it sinks, faster it climbs
     */
    record Sinks(double fallMps, double holdMps) implements Motion {

        public Sinks {
            if (!(fallMps > 0) || !(holdMps > 0)) {
                throw new IllegalArgumentException(
                        "fall is " + fallMps + " m/s and hold " + holdMps + " m/s, expected both more than 0");
            }
        }
    }
}
