package lochan.core.competition;

import lochan.core.Coded;

/** What to do with the fish in hand. */
public enum Decision implements Coded {
    /** It goes into the livewell. */
    KEEP("keep"),
    /** It goes into the livewell and another fish goes back. */
    CULL("cull"),
    /** It goes back. */
    RELEASE("release"),
    /** Two fish go on the balance first. */
    BALANCE("balance");

    private final String code;

    Decision(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }
}
