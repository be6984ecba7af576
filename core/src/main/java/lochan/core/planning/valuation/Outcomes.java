package lochan.core.planning.valuation;

import java.util.Arrays;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * What a plan comes to in each scenario. Within a scenario the bag is taken as normal about its mean.
 *
 * @param grams       mean bag, g
 * @param sdGrams     its standard deviation within the scenario, g; empty: not computed
 * @param limitChance chance of a limit; empty: not computed
 * @param keepers     mean number of landed legal fish; empty: not computed
 */
public record Outcomes(double[] grams, double[] sdGrams, double[] limitChance, double[] keepers) {

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);
    private static final double LEAST_SD = 1;
    private static final int STEPS = 40;
    /** As near as the best part's edge is wanted, g. */
    private static final double NEAR = 1e-6;

    public double mean() {
        return Arrays.stream(grams).average().orElse(0);
    }

    public double chanceOfLimit() {
        return Arrays.stream(limitChance).average().orElse(0);
    }

    public double chanceOf(double target) {
        double sum = 0;
        for (int j = 0; j < grams.length; j++) {
            sum += STANDARD.survivalProbability((target - grams[j]) / sd(j));
        }
        return sum / grams.length;
    }

    /** Mean of the best so much of all outcomes. */
    public double meanOfBest(double share) {
        double edge = edgeOfBest(share);
        double sum = 0;
        for (int j = 0; j < grams.length; j++) {
            double z = (edge - grams[j]) / sd(j);
            sum += grams[j] * STANDARD.survivalProbability(z) + sd(j) * STANDARD.density(z);
        }
        return sum / grams.length / share;
    }

    /** What so much of all outcomes is above, g: Newton's steps, and halves of what is left where one would lead out of it. */
    private double edgeOfBest(double share) {
        double low = 0;
        double high = Arrays.stream(grams).max().orElse(0)
                + 10 * Arrays.stream(sdGrams).max().orElse(0)
                + 1;
        double at = mean();
        for (int i = 0; i < STEPS && high - low > NEAR; i++) {
            double above = 0;
            double slope = 0;
            for (int j = 0; j < grams.length; j++) {
                double z = (at - grams[j]) / sd(j);
                above += STANDARD.survivalProbability(z);
                slope += STANDARD.density(z) / sd(j);
            }
            double over = above / grams.length - share;
            if (over > 0) {
                low = at;
            } else {
                high = at;
            }
            double next = at + over * grams.length / slope;
            double step = next > low && next < high ? next - at : (low + high) / 2 - at;
            at += step;
            if (Math.abs(step) < NEAR) {
                break;
            }
        }
        return at;
    }

    private double sd(int j) {
        return Math.max(LEAST_SD, sdGrams[j]);
    }
}
