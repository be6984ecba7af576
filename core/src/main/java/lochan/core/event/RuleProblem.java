package lochan.core.event;

import lochan.core.ReasonCode;

/** Lists what can be wrong with an event and its rules. */
public enum RuleProblem implements ReasonCode {
    NAME_MISSING,
    NAME_LONG(2),
    LIMIT_MISSING,
    LIMIT_RANGE(2),
    ANGLERS_RANGE(1),
    NOT_POSITIVE(2),
    NEGATIVE(2),
    NO_SPECIES,
    SPECIES_TWICE(1),
    MIN_LENGTH_RANGE(2),
    MIN_WEIGHT_RANGE(1),
    SPECIES_LIMIT_RANGE(1),
    SLOT_ORDER(3),
    OVER_SLOT_RANGE(1),
    CUT_DAY(2),
    CUT_BOATS(1),
    TAG_LENGTH(2),
    TAG_TWICE(1),
    HOOKS_RANGE(2),
    RODS_RANGE(2),
    NO_DAYS,
    START_ON_OTHER_DATE(2),
    CHECK_IN_BEFORE_START(1),
    DAY_TOO_LONG(1),
    DAYS_OUT_OF_ORDER(2);

    private final int arity;

    RuleProblem() {
        this(0);
    }

    RuleProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "rules";
    }
}
