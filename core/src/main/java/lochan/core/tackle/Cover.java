package lochan.core.tackle;

import java.util.Map;
import lochan.core.Coded;

/** What a lure has to come through. */
public enum Cover implements Coded {
    OPEN,
    ROCK,
    WOOD,
    BRUSH,
    SPARSE_GRASS,
    THICK_GRASS,
    DOCKS;

    private static final Map<String, Cover> BY_PLACE = Map.ofEntries(
            Map.entry("grass-edge", SPARSE_GRASS),
            Map.entry("grass-flat", THICK_GRASS),
            Map.entry("dock-row", DOCKS),
            Map.entry("laydown", WOOD),
            Map.entry("rock-point", ROCK),
            Map.entry("riprap", ROCK),
            Map.entry("bluff", ROCK),
            Map.entry("brush-pile", BRUSH),
            Map.entry("standing-timber", WOOD));

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    /** What a common spot type is covered with; open water for every other. */
    public static Cover of(String spotType) {
        return BY_PLACE.getOrDefault(spotType, OPEN);
    }
}
