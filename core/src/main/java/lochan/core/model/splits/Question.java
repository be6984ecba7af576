package lochan.core.model.splits;

import lochan.core.Coded;
import lochan.core.ReasonCode;

/** Lists the questions that split practice in two. Their messages are the rows' labels. */
public enum Question implements Coded, ReasonCode {
    BANK(true),
    DEPTH(true),
    BOTTOM(true),
    COVER(true),
    LIGHT(true),
    POSITION(false),
    BAIT(false),
    RETRIEVE(false),
    COLOUR(false),
    ARM(false),
    SIZE(false);

    private final boolean known;

    Question(boolean known) {
        this.known = known;
    }

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    @Override
    public String file() {
        return "splits";
    }

    /** Whether its answer is known of a spot and hour beforehand, so that a plan can go by it. */
    public boolean isKnownBefore() {
        return known;
    }
}
