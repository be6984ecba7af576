package lochan.core.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import lochan.core.lake.Sighting;
import org.jspecify.annotations.Nullable;

/**
 * What anglers read besides temperature, clarity, wind and sky; null: not noted.
 *
 * @param clarityTrend whether the water is clearing or muddying
 * @param windFromDeg  direction the wind comes from, degrees from north
 * @param surface      what the wind makes of the surface
 * @param recentFront  whether a front went through in the last day or so
 * @param levelTrend   whether the water is rising or falling
 * @param current      how much the water moves
 * @param baitSeen     whether bait was seen
 * @param baitDepthM   how deep the bait was, m
 * @param fish         how fish stood there; its bait is always null, since {@code baitSeen} tells
 */
@RecordBuilder
public record Signs(
        @Nullable ClarityTrend clarityTrend,
        @Nullable Double windFromDeg,
        @Nullable Surface surface,
        @Nullable Boolean recentFront,
        @Nullable LevelTrend levelTrend,
        @Nullable Current current,
        @Nullable Boolean baitSeen,
        @Nullable Double baitDepthM,
        Sighting fish) {

    public static final Signs UNKNOWN = new Signs(null, null, null, null, null, null, null, null, Sighting.NONE);

    /** How fish stood, with the bait. */
    public Sighting sighting() {
        return new Sighting(fish.position(), fish.depthM(), baitSeen, fish.count(), fish.shape());
    }

    /** What of them stays the same from spot to spot: all but the bait and the fish. */
    public Signs ofTheWater() {
        return new Signs(
                clarityTrend, windFromDeg, surface, recentFront, levelTrend, current, null, null, Sighting.NONE);
    }
}
