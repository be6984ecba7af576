package lochan.core.model.splits;

import lochan.core.Coded;

/** What practice is parted by. */
public enum Question implements Coded {
    BANK("Wind on the bank", true),
    DEPTH("Depth", true),
    BOTTOM("Bottom", true),
    COVER("Cover", true),
    LIGHT("Light", true),
    POSITION("Where fish stood", false),
    BAIT("Bait near", false),
    RETRIEVE("Retrieve", false),
    COLOUR("Colour", false),
    ARM("Place on the rig", false),
    SIZE("Lure size", false);

    private final String words;
    private final boolean known;

    Question(String words, boolean known) {
        this.words = words;
        this.known = known;
    }

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    @Override
    public String words() {
        return words;
    }

    /** Whether its answer is known of a spot and hour beforehand, so that a plan can go by it. */
    public boolean isKnownBefore() {
        return known;
    }
}
