package lochan.core.event;

import lochan.core.ReasonCode;

/** Lists the figures of an event that messages name. */
public enum RuleField implements ReasonCode {
    TARGET,
    SCALE_PRECISION,
    DEAD_FISH_PENALTY,
    LATE_PENALTY,
    LATE_DISQUALIFIED,
    SHORT_FISH_PENALTY,
    OVER_LIMIT_PENALTY,
    LENGTH_ROUNDING;

    @Override
    public String file() {
        return "rulefields";
    }
}
