package lochan.core.lures.advice;

import java.util.function.Supplier;
import lochan.core.Reason;

/** One rule's verdict on a lure. Its reason is made when it is asked for: most judgements are only counted. */
public final class Judgement {

    private final Rule rule;
    private final double score;
    private final Supplier<Reason> reason;

    /**
     * @param rule   the rule that judged
     * @param score  −1 all against to 1 all for
     * @param reason why
     */
    Judgement(Rule rule, double score, Supplier<Reason> reason) {
        if (!(Math.abs(score) <= 1)) {
            throw new IllegalArgumentException("score is " + score + ", expected −1 to 1");
        }
        this.rule = rule;
        this.score = score;
        this.reason = reason;
    }

    public Rule rule() {
        return rule;
    }

    /** Returns the score: −1 all against to 1 all for. */
    public double score() {
        return score;
    }

    public Reason reason() {
        return reason.get();
    }
}
