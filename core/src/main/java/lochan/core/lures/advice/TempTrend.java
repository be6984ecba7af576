package lochan.core.lures.advice;

import lochan.core.Coded;

/** Which way the temperature of the water goes. */
public enum TempTrend implements Coded {
    WARMING,
    STEADY,
    COOLING;

    @Override
    public String code() {
        return Coded.spelt(this);
    }
}
