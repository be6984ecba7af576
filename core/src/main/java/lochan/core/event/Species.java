package lochan.core.event;

import lochan.core.Coded;

/**
 * A bass species with its standard-weight curve log₁₀ W = A + B·log₁₀ L (W in g, L total length in mm):
 * largemouth Henson (1991), smallmouth Kolander, Willis and Murphy (1993), spotted bass Wiens, Williams and Murphy (1996).
 */
public enum Species implements Coded {
    LARGEMOUTH("largemouth", -5.528, 3.273),
    SMALLMOUTH("smallmouth", -5.329, 3.200),
    SPOTTED("spotted", -5.392, 3.215);

    private final String code;
    private final double intercept;
    private final double slope;

    Species(String code, double intercept, double slope) {
        this.code = code;
        this.intercept = intercept;
        this.slope = slope;
    }

    @Override
    public String code() {
        return code;
    }

    /** A of the curve, log₁₀ g. */
    public double intercept() {
        return intercept;
    }

    /** B of the curve. */
    public double slope() {
        return slope;
    }
}
