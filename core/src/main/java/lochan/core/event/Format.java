package lochan.core.event;

import lochan.core.Coded;

/** What an event pays for. */
public enum Format implements Coded {
    /** The total weight of the best {@code limit} fish. */
    LIMIT_WEIGHT("limit-weight"),
    /** The total weight of all legal fish. */
    EVERY_FISH("every-fish"),
    /** The total length of the best {@code limit} fish. */
    LIMIT_LENGTH("limit-length");

    private final String code;

    Format(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
