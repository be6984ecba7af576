package lochan.core.competition;

import lochan.core.ReasonCode;

/** Lists why an entry cannot go into the log. */
public enum LogProblem implements ReasonCode {
    ID_TWICE(1),
    FISH_IN_HAND(1),
    LENGTH_MISSING,
    OFFICIAL_RANGE(1),
    LATE_RANGE(1),
    PLACE_RANGE(1),
    KNOWN_WEIGHT_RANGE(2),
    SCALE_FAR_OFF(2),
    LIVEWELL_RANGE(3),
    FISH_AGAINST_ITSELF,
    BALANCE_CONTRADICTS(1),
    CORRECTION_EMPTY,
    NO_LOST_FISH(1),
    NO_ENTRY(1),
    VOID_ALREADY(1),
    VOID_OF_A_RETURN(1),
    NO_ROOM_TO_RETURN(1),
    WEIGHT_RANGE(2),
    LENGTH_RANGE(2),
    NO_CATCH(1),
    NOT_IN_LIVEWELL(1);

    private final int arity;

    LogProblem() {
        this(0);
    }

    LogProblem(int arity) {
        this.arity = arity;
    }

    @Override
    public int arity() {
        return arity;
    }

    @Override
    public String file() {
        return "log";
    }
}
