package lochan.core.practice;

import lochan.core.Coded;

/** Size of a lure among those of its type. */
public enum LureSize implements Coded {
    SMALL,
    USUAL,
    LARGE;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
