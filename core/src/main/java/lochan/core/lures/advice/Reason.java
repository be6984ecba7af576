package lochan.core.lures.advice;

import java.util.function.Supplier;

/** What one rule says of a lure. Its words are made when they are asked for: most reasons are only counted. */
public final class Reason {

    private final Rule rule;
    private final double score;
    private final Supplier<String> words;

    /**
     * @param rule  by which rule
     * @param score −1 all against to 1 all for
     * @param words why
     */
    Reason(Rule rule, double score, Supplier<String> words) {
        if (!(Math.abs(score) <= 1)) {
            throw new IllegalArgumentException("score is " + score + ", expected −1 to 1");
        }
        this.rule = rule;
        this.score = score;
        this.words = words;
    }

    /** By which rule. */
    public Rule rule() {
        return rule;
    }

    /** −1 all against to 1 all for. */
    public double score() {
        return score;
    }

    /** Why. */
    public String words() {
        return words.get();
    }
}
