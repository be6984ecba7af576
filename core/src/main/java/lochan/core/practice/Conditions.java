package lochan.core.practice;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The water and the sky; null where unknown.
 *
 * @param waterTempC  water temperature, °C
 * @param visibilityM how deep a light lure is seen, m, more than 0
 * @param windMps     wind, m/s
 * @param sky         sky cover
 * @param boatsNear   other boats in sight of the spot
 * @param signs       what else was read
 * @param entered     quantities as they were typed, by field name
 */
public record Conditions(
        @Nullable Double waterTempC,
        @Nullable Double visibilityM,
        @Nullable Double windMps,
        @Nullable Sky sky,
        @Nullable Integer boatsNear,
        Signs signs,
        Map<String, String> entered) {

    public static final Conditions UNKNOWN = new Conditions(null, null, null, null, null);

    public Conditions {
        entered = Map.copyOf(entered);
    }

    public Conditions(
            @Nullable Double waterTempC,
            @Nullable Double visibilityM,
            @Nullable Double windMps,
            @Nullable Sky sky,
            @Nullable Integer boatsNear) {
        this(waterTempC, visibilityM, windMps, sky, boatsNear, Signs.UNKNOWN, Map.of());
    }

    /** What holds for the next spot too: boats and bait belong to the one left. */
    public Conditions carriedOn() {
        Map<String, String> typed = new HashMap<>(entered);
        typed.remove("baitDepthM");
        typed.remove("seenDepthM");
        return new Conditions(waterTempC, visibilityM, windMps, sky, null, signs.ofTheWater(), typed);
    }

    /**
     * Returns the conditions with computed values filled in: the surface by the wind where the angler didn't say
     * otherwise, and the front where
     * nothing was said.
     *
     * @param before what was noted before this
     * @param front  whether the winds look like a front; null: unknown
     */
    public Conditions filledIn(Conditions before, @Nullable Boolean front) {
        boolean said = signs.surface() != null
                && !(Objects.equals(signs.surface(), before.signs.surface())
                        && Objects.equals(before.signs.surface(), Surface.ofWind(before.windMps)));
        Surface surface = said || windMps == null ? signs.surface() : Surface.ofWind(windMps);
        Signs filled = new Signs(
                signs.clarityTrend(),
                signs.windFromDeg(),
                surface,
                signs.recentFront() == null ? front : signs.recentFront(),
                signs.levelTrend(),
                signs.current(),
                signs.baitSeen(),
                signs.baitDepthM(),
                signs.fish());
        return new Conditions(waterTempC, visibilityM, windMps, sky, boatsNear, filled, entered);
    }
}
