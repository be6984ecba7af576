package lochan.core.lake;

import lochan.core.ReasonCode;

/** Lists what can be wrong with a spot. */
public enum SpotProblem implements ReasonCode {
    NAME_MISSING,
    NAME_LONG(2),
    TYPE_MISSING,
    TYPE_LONG(2),
    RADIUS_RANGE(2),
    CROWD_RISK_RANGE(1),
    DEPTHS_REVERSED,
    DEPTH_RANGE(2);

    private final int arity;

    SpotProblem() {
        this(0);
    }

    SpotProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "spotcheck";
    }
}
