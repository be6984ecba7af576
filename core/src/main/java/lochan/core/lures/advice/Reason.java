package lochan.core.lures.advice;

/**
 * What one rule says of a lure.
 *
 * @param rule  by which rule
 * @param score −1 all against to 1 all for
 * @param words why
 */
public record Reason(Rule rule, double score, String words) {

    public Reason {
        if (!(Math.abs(score) <= 1)) {
            throw new IllegalArgumentException("score is " + score + ", expected −1 to 1");
        }
    }
}
