package lochan.core.water;

import lochan.core.Coded;

/** The depth zone of a spot: what makes good and bad days together. */
public enum Zone implements Coded {
    SHALLOW("shallow"), MID("mid"), DEEP("deep");

    private final String code;

    Zone(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
