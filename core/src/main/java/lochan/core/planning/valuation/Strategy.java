package lochan.core.planning.valuation;

import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
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

        @Override
        double reached(PlanValue value) {
            return value.formulaGrams();
        }
    },
    /** The best chance of a limit; a hundredth of that chance weighs as much as half a pound on average. */
    SAFE_LIMIT("safe-limit") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return 100 * HALF_POUND * outcomes.chanceOfLimit() + outcomes.mean();
        }

        @Override
        double reached(PlanValue value) {
            // Of equal chances the heavier bag is the better.
            return value.chanceOfLimit() + value.formulaGrams() / MOST_GRAMS;
        }
    },
    /** The heaviest quarter of days. */
    BIG_FISH("big-fish") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return outcomes.meanOfBest(QUARTER);
        }

        @Override
        double reached(PlanValue value) {
            return value.p90();
        }
    },
    /** The best chance of the target; where the event has none, as {@link #BALANCED}. In grams of target, so that scores stay comparable. */
    TARGET("target") {
        @Override
        public double score(Outcomes outcomes, @Nullable Double targetGrams) {
            return targetGrams == null ? outcomes.mean() : targetGrams * outcomes.chanceOf(targetGrams);
        }

        @Override
        double reached(PlanValue value) {
            return value.chanceOfTarget() == null ? value.formulaGrams() : value.chanceOfTarget();
        }
    };

    private static final double HALF_POUND = 226.8;
    private static final double QUARTER = 0.25;
    /** No bag weighs as much. */
    private static final double MOST_GRAMS = 1e8;

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

    /** What a plan reaches of what this strategy is for, as it is shown to the angler. */
    abstract double reached(PlanValue value);

    /**
     * The best of plans that were found: a search by another strategy may come upon a better one by this.
     *
     * @param found one or more
     */
    public <T> T bestOf(List<T> found, Function<T, PlanValue> value) {
        return found.stream()
                .max(Comparator.comparingDouble(plan -> reached(value.apply(plan))))
                .orElseThrow();
    }
}
