package lochan.core.lake;

import lochan.core.ReasonCode;

/** Lists what can be wrong with a lake. */
public enum LakeProblem implements ReasonCode {
    REFERENCE_RANGE(2),
    LEVEL_RANGE(2),
    LEVEL_TWICE(1),
    NO_WATER,
    RING_CORNERS(1),
    SLOW_ZONE_SPEED(1);

    private final int arity;

    LakeProblem() {
        this(0);
    }

    LakeProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "lakecheck";
    }
}
