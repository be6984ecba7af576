package lochan.core.tackle;

import java.util.Map;
import lochan.core.Coded;

/** What a lure has to come through. */
public enum Cover implements Coded {
    OPEN,
    ROCK,
    WOOD,
    BRUSH,
    /** Standing trees. */
    TIMBER,
    SPARSE_GRASS,
    /** Grass that mats at the surface. */
    THICK_GRASS,
    DOCKS;

    private static final Map<String, Cover> BY_PLACE = Map.ofEntries(
            Map.entry("grass-edge", SPARSE_GRASS),
            Map.entry("weed-edge", SPARSE_GRASS),
            Map.entry("grass-flat", SPARSE_GRASS),
            Map.entry("dock-row", DOCKS),
            Map.entry("laydown", WOOD),
            Map.entry("rock-point", ROCK),
            Map.entry("riprap", ROCK),
            Map.entry("bluff", ROCK),
            Map.entry("brush-pile", BRUSH),
            Map.entry("standing-timber", TIMBER));

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    /** What a common spot type is covered with; open water for every other. Grass is taken to end below the surface until somebody says that it mats. */
    public static Cover of(String spotType) {
        return BY_PLACE.getOrDefault(spotType, OPEN);
    }
}
