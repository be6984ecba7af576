package lochan.core.lures.path;

import org.jspecify.annotations.Nullable;

/**
 * The water under a cast: a bottom that slopes evenly from the boat to the end of the cast, something that grows or lies on it, and the fish.
 *
 * @param nearM      depth under the boat, m, more than 0
 * @param farM       depth at the end of the cast, m, more than 0
 * @param coverM     how high brush or grass stands over the bottom, m; 0: none
 * @param fishDepthM how deep the fish are, m; null: on the bottom
 */
public record WaterSlice(
        double nearM, double farM, double coverM, @Nullable Double fishDepthM) {

    public WaterSlice {
        if (!(nearM > 0) || !(farM > 0) || !(coverM >= 0)) {
            throw new IllegalArgumentException("depths are " + nearM + " and " + farM + " m with cover of " + coverM
                    + " m, expected depths above 0 and cover of 0 or more");
        }
        if (fishDepthM != null && !(fishDepthM > 0)) {
            throw new IllegalArgumentException("depth of the fish is " + fishDepthM + " m, expected more than 0");
        }
    }

    /** Depth of the bottom so far along a cast. */
    public double bottomM(double fromBoatM, double castM) {
        return nearM + (farM - nearM) * Math.clamp(fromBoatM / castM, 0, 1);
    }

    /** Depth of the top of what stands on the bottom. */
    public double coverTopM(double fromBoatM, double castM) {
        return Math.max(0, bottomM(fromBoatM, castM) - coverM);
    }

    /** Whether fish are met there: those that hang at a depth are where the water is as deep, or nearly. */
    public boolean hasFish(double fromBoatM, double castM, double aboveM) {
        return fishDepthM == null || bottomM(fromBoatM, castM) >= fishDepthM - aboveM;
    }

    /** Depth of the fish there; never under the bottom. */
    public double fishM(double fromBoatM, double castM) {
        double bottom = bottomM(fromBoatM, castM);
        return fishDepthM == null ? bottom : Math.min(fishDepthM, bottom);
    }
}
