package lochan.core.practice;

import lochan.core.Coded;

/** Where the lure was when the fish took it. */
public enum TakenOn implements Coded {
    BOTTOM("bottom"),
    SUSPENDED("suspended"),
    FALL("fall"),
    /** When it was lifted. */
    LIFT("lift"),
    /** While it swam. */
    SWIM("swim");

    private final String code;

    TakenOn(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
