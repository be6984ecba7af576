package lochan.core.planning.valuation;

import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/** What a plan is to be best at ({@code model.md} §9). */
public enum Strategy implements Coded {

    /** Most on average. */
    BALANCED("balanced") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return outcomes.mean();
        }
    },
    /** The best chance of a limit; a hundredth of that chance weighs as much as half a pound on average. */
    SAFE_LIMIT("safe-limit") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return 100 * HALF_POUND * outcomes.chanceOfLimit() + outcomes.mean();
        }
    },
    /** The heaviest quarter of days. */
    BIG_FISH("big-fish") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return outcomes.meanOfBest(QUARTER);
        }
    },
    /** The best chance of the target; where the event has none, as {@link #BALANCED}. In grams of target, so that scores stay comparable. */
    TARGET("target") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return targetGrams == null ? outcomes.mean() : targetGrams * outcomes.chanceOf(targetGrams);
        }
    };

    private static final double HALF_POUND = 226.8;
    private static final double QUARTER = 0.25;

    private final String code;

    Strategy(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    /** Whether more than the means by scenario is needed. */
    public boolean needsSpread() {
        return this != BALANCED;
    }

    /** How good outcomes are by this strategy; more is better. */
    public abstract double score(Outcomes outcomes, @Nullable Double targetGrams);
}
