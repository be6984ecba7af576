package lochan.core.lake;

import lochan.core.Coded;

/** The shape of what the electronics show, which tells kinds of fish apart. */
public enum FishShape implements Coded {
    /** Two or three fish high and wide: as bass lie. */
    FLAT_LAYER,
    /** High above its width: mostly other species. */
    TALL_STACK,
    SCATTERED;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
