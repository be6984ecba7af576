package lochan.core.practice;

import lochan.core.Coded;

/** Where the lure was when it was struck. */
public enum Struck implements Coded {
    BOTTOM("bottom"), SUSPENDED("suspended"), FALL("fall");

    private final String code;

    Struck(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
