package lochan.core.model.size;

import java.util.Arrays;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * The chance that a fish of normally distributed ln grams is legal and heavier than each x of the grid of {@link Survival}: the midpoint rule
 * on a grid finer than that by {@value #FINE}, summed from far above the heaviest x down, so that every tail is summed directly.
 */
final class LegalCurve {

    private static final int FINE = 8;
    private static final double STEP = (Survival.lnGrams(1) - Survival.lnGrams(0)) / FINE;
    private static final double HIGHEST_LN_GRAMS = Survival.lnGrams(Survival.weights() - 1);
    /** Density so far out is nothing. */
    private static final double MOST_SQUARED = 50;

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);

    /** Steps above the grid's heaviest x. */
    private final int above;
    /** Chance to be legal in the middle of each step, the heaviest first. */
    private final double[] legalAt;

    /** @param highest ln grams that no fish is above */
    LegalCurve(LegalShare legal, double highest) {
        this.above = (int) Math.ceil((highest - HIGHEST_LN_GRAMS) / STEP);
        this.legalAt = new double[above + (Survival.weights() - 1) * FINE];
        Arrays.setAll(legalAt, j -> legal.given(lnGrams(j)));
    }

    private double lnGrams(int step) {
        return HIGHEST_LN_GRAMS + (above - step - 0.5) * STEP;
    }

    /**
     * Adds share × chance to each x of the grid.
     *
     * @param mean of ln grams
     * @param sd   of ln grams
     */
    void addTo(double[] heavier, double share, double mean, double sd) {
        double sum = 0;
        for (int j = 0; j < legalAt.length; j++) {
            if (j >= above && (j - above) % FINE == 0) {
                heavier[heavier.length - 1 - (j - above) / FINE] += share * sum;
            }
            double z = (lnGrams(j) - mean) / sd;
            sum += z * z > MOST_SQUARED ? 0 : STEP / sd * STANDARD.density(z) * legalAt[j];
        }
        heavier[0] += share * sum;
    }
}
