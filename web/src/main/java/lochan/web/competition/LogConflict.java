package lochan.web.competition;

import lochan.core.ReasonCode;

/** Lists why the records forbid an entry, or rules that entries rest on. */
enum LogConflict implements ReasonCode {
    RULES_CONFLICT(2),
    OTHER_PHONE,
    DEMO_CLOCK,
    FULL(1);

    private final int arity;

    LogConflict() {
        this(0);
    }

    LogConflict(int arity) {
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
