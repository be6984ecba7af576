package lochan.core.lake;

import lochan.core.Coded;

/** How fish lie to a place: on top and near bait they feed, off the edge they mostly do not. */
public enum FishPosition implements Coded {
    ON_TOP("on-top", "on top"),
    OFF_EDGE("off-edge", "off the edge"),
    SUSPENDED("suspended", "suspended"),
    ON_BOTTOM("on-bottom", "on the bottom");

    private final String code;
    private final String words;

    FishPosition(String code, String words) {
        this.code = code;
        this.words = words;
    }

    @Override
    public String code() {
        return code;
    }

    @Override
    public String words() {
        return words;
    }
}
