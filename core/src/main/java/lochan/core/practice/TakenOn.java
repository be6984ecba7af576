package lochan.core.practice;

import lochan.core.Coded;

/** Where the lure was when the fish took it. */
public enum TakenOn implements Coded {
    BOTTOM("bottom"),
    SUSPENDED("suspended"),
    FALL("fall");

    private final String code;

    TakenOn(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
