package lochan.core.planning.edits;

import lochan.core.ReasonCode;

/** Lists what no plan may have. */
public enum PlanProblem implements ReasonCode {
    DAY_RANGE(2),
    NO_SPOT(1),
    NO_PRESENTATION(1),
    LEAVE_BEFORE_ARRIVE,
    OVERLAP;

    private final int arity;

    PlanProblem() {
        this(0);
    }

    PlanProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "plancheck";
    }
}
