package lochan.core.lake.depth;

import lochan.core.ReasonCode;

/** Lists why depths cannot be read or used. */
public enum GridProblem implements ReasonCode {
    HEADER_LINE(2),
    CELL_SIZE(1),
    TOO_MANY_DEPTHS(3),
    CUT_OFF(2),
    OUT_OF_THE_WORLD(4),
    NEGATIVE_DEPTHS(2),
    NO_WATER,
    NO_WATER_IN_CELLS,
    DEPTH_RANGE(4),
    NOT_A_NUMBER(2),
    HEADER_MISSING(1),
    HEADER_RANGE(3),
    LINES_OFF_LAKE(1),
    SOUNDINGS_OFF_LAKE(1);

    private final int arity;

    GridProblem() {
        this(0);
    }

    GridProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "grids";
    }
}
