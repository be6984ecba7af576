package lochan.core.lures.advice;

import lochan.core.Coded;

/** Where in the water fish are. */
public enum FishLevel implements Coded {
    /** On the bottom or tight above it. */
    BOTTOM,
    /** Over the tops of grass, brush or timber. */
    OVER_COVER,
    /** Off the bottom, with nothing under them. */
    SUSPENDED,
    /** Just below the surface, or looking up to it. */
    SURFACE;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
