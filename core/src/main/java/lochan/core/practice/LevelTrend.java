package lochan.core.practice;

import lochan.core.Coded;

/** Which way the level of the water goes. */
public enum LevelTrend implements Coded {
    RISING("rising"),
    STEADY("steady"),
    FALLING("falling");

    private final String code;

    LevelTrend(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
