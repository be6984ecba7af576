package lochan.core.event;

import lochan.core.Coded;

/** What decides between equal totals. */
public enum TieBreak implements Coded {
    /** The rules say nothing. */
    NONE("none"),
    /** The biggest fish. */
    BIGGEST_FISH("biggest-fish");

    private final String code;

    TieBreak(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
