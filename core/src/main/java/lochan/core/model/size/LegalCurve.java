package lochan.core.model.size;

import java.util.Arrays;

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
        double density = 0;
        double by = 0;
        double step = STEP / sd;
        double narrowing = Math.exp(-step * step);
        for (int j = 0; j < legalAt.length; j++) {
            if (j >= above && (j - above) % FINE == 0) {
                heavier[heavier.length - 1 - (j - above) / FINE] += sum;
            }
            double z = (lnGrams(j) - mean) / sd;
            if (z * z > MOST_SQUARED) {
                density = 0;
            } else if (density == 0) {
                density = share * step * Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI);
                by = Math.exp(step * z - step * step / 2);
            } else {
                // Each density is the one before by a factor that falls by the same factor: no exponential is needed.
                density *= by;
                by *= narrowing;
            }
            sum += density * legalAt[j];
        }
        heavier[0] += sum;
    }
}
