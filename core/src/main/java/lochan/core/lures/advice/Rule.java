package lochan.core.lures.advice;

import lochan.core.Coded;
import lochan.core.ReasonCode;

/**
 * The rules of lure advice. Each is judged apart from the others; its weight is how much it can say, 1 being as much as
 * a good reason does. The
 * message of a rule says what anglers go by.
 */
public enum Rule implements Coded, ReasonCode {
    DEPTH(1.5),
    SUSPENDED(1.0),
    CLARITY(1.0),
    CLARITY_TREND(0.5),
    TEMPERATURE(0.9),
    TEMPERATURE_TREND(0.4),
    SEASON(0.7),
    MOOD(0.9),
    WIND(0.7),
    BANK(0.6),
    LIGHT(0.7),
    COVER(1.2),
    FORAGE(0.5),
    PRESSURE(0.6),
    FRONT(0.5),
    VERTICAL(1.2);

    private final double weight;

    Rule(double weight) {
        this.weight = weight;
    }

    @Override
    public String code() {
        return Coded.spelt(this);
    }

    @Override
    public String file() {
        return "lurerules";
    }

    /** Returns its weight before the angler changes it, 0 or more. */
    public double usualWeight() {
        return weight;
    }
}
