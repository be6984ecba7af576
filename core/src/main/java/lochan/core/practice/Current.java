package lochan.core.practice;

import lochan.core.Coded;

/** How much the water moves. */
public enum Current implements Coded {
    NONE("none"),
    SLIGHT("slight"),
    STRONG("strong");

    private final String code;

    Current(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
