package lochan.core.practice;

import lochan.core.Coded;

/** Which way the clarity of the water goes. */
public enum ClarityTrend implements Coded {
    CLEARING("clearing"),
    STEADY("steady"),
    MUDDYING("muddying");

    private final String code;

    ClarityTrend(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
