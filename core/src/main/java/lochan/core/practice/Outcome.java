package lochan.core.practice;

import lochan.core.Coded;

/** What became of a bite. */
public enum Outcome implements Coded {
    LANDED("landed"),
    /** Lost at the hook-set or on the way. */
    LOST("lost"),
    /** Missed or short bite. */
    MISSED("missed"),
    /** Shaken off on purpose to save the fish. */
    SHAKEN("shaken");

    private final String code;

    Outcome(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    /** Whether it says something on the chance to land a bite: a fish shaken off does not. */
    public boolean triesLanding() {
        return this != SHAKEN;
    }
}
