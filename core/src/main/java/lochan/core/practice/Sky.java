package lochan.core.practice;

import lochan.core.Coded;

/** Sky cover in steps, clear first. */
public enum Sky implements Coded {
    CLEAR("clear"),
    PARTLY("partly"),
    CLOUDY("cloudy"),
    RAIN("rain");

    private final String code;

    Sky(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    public int stepsTo(Sky other) {
        return Math.abs(ordinal() - other.ordinal());
    }
}
