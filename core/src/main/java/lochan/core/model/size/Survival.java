package lochan.core.model.size;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.SpeciesRule;

/**
 * The chance that a landed fish is legal and heavier than x, on a fixed grid of weights, for any mean of its ln grams: a table over
 * that mean, read by linear interpolation (error below 10⁻⁴).
 */
public final class Survival {

    private static final double LOWEST_LN_GRAMS = Math.log(60);
    private static final double HIGHEST_LN_GRAMS = Math.log(16_000);
    private static final int WEIGHTS = 57;
    private static final double LOWEST_MEAN = 3.5;
    private static final double HIGHEST_MEAN = 9.5;
    private static final double MEAN_STEP = 0.02;

    private final float[][][] bySpecies;

    public Survival(List<SpeciesRule> rules, Assumptions.Size a) {
        this.bySpecies = rules.stream()
                .map(rule -> table(LegalShare.of(rule, a), a.fishSd()))
                .toArray(float[][][]::new);
    }

    /** Number of weights x in the grid. */
    public static int weights() {
        return WEIGHTS;
    }

    /** ln of the i-th weight x of the grid, g, rising. */
    public static double lnGrams(int i) {
        return LOWEST_LN_GRAMS + i * (HIGHEST_LN_GRAMS - LOWEST_LN_GRAMS) / (WEIGHTS - 1);
    }

    /**
     * Adds weight × K(x) to each x of the grid.
     *
     * @param species index of the species in the rules
     * @param mean    mean ln grams of its fish
     */
    public void addTo(double[] sum, double weight, int species, double mean) {
        double at = Math.clamp((mean - LOWEST_MEAN) / MEAN_STEP, 0, bySpecies[species].length - 1.001);
        int low = (int) at;
        double high = weight * (at - low);
        double lower = weight - high;
        float[] below = bySpecies[species][low];
        float[] above = bySpecies[species][low + 1];
        for (int i = 0; i < sum.length; i++) {
            sum[i] += lower * below[i] + high * above[i];
        }
    }

    private static float[][] table(LegalShare legal, double sd) {
        int means = (int) Math.round((HIGHEST_MEAN - LOWEST_MEAN) / MEAN_STEP) + 1;
        float[][] table = new float[means][WEIGHTS];
        LegalCurve curve = new LegalCurve(legal, HIGHEST_MEAN + 5 * sd);
        for (int m = 0; m < means; m++) {
            double[] row = new double[WEIGHTS];
            curve.addTo(row, 1, LOWEST_MEAN + m * MEAN_STEP, sd);
            for (int i = 0; i < WEIGHTS; i++) {
                table[m][i] = (float) row[i];
            }
        }
        return table;
    }
}
