package lochan.core.lake.structure;

import lochan.core.Coded;
import lochan.core.Reason;
import org.jspecify.annotations.Nullable;

/**
 * A place that the shape of the bottom makes worth a look.
 *
 * @param cell        cell of the grid it lies at
 * @param depthM      depth there, m
 * @param prominenceM how far it stands out, m: of a hump down to the saddle that closes it; of a saddle the smaller of the rises on its
 *                    sides; of a point above its flanks; of a ledge or bluff its drop; null for kinds that do not stand out
 * @param otherRiseM  of a saddle the larger of the rises; null: up to the shore, and for all other kinds
 * @param areaM2      inside the closing contour of a hump, else of the feature
 * @param deepWaterM  metres to water at least 3 m deeper; null: there is none
 * @param why         the reason
 */
public record Candidate(
        Kind kind,
        int cell,
        double depthM,
        @Nullable Double prominenceM,
        @Nullable Double otherRiseM,
        double areaM2,
        @Nullable Double deepWaterM,
        Reason why) {

    /** What shape it is. */
    public enum Kind implements Coded {
        HUMP("hump", "hump"),
        SADDLE("saddle", "saddle"),
        POINT("point", "point"),
        LEDGE("ledge", "channel-ledge"),
        BLUFF("bluff", "bluff"),
        FLAT("flat", "flat"),
        POCKET("pocket", "pocket"),
        STAGING("staging", "staging-bank");

        private final String code;
        private final String spotType;

        Kind(String code, String spotType) {
            this.code = code;
            this.spotType = spotType;
        }

        /** The type of a spot that is made of it. */
        public String spotType() {
            return spotType;
        }

        @Override
        public String code() {
            return code;
        }
    }
}
