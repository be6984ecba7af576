package lochan.core.review;

import java.util.Arrays;
import lochan.core.planning.valuation.Quantile;

/**
 * Sets the projection of a competition day beside its result.
 *
 * @param p10Grams    bag that one day in ten was to stay below
 * @param p50Grams    the middle day
 * @param p90Grams    bag that one day in ten was to be above
 * @param actualGrams what the day came to
 * @param below       share of the projection's days that stayed below that, of equal ones half: over many days evenly spread from 0 to 1 where projections
 *                    are right (Dawid 1984)
 * @param logGain     ln of how much likelier the projection made it than an even spread from nothing to twice the middle day (log score, Good 1952)
 */
public record DayProjection(
        double p10Grams, double p50Grams, double p90Grams, double actualGrams, double below, double logGain) {

    /** Share of a projection that stands for all it did not think of, so that no day costs everything. */
    private static final double UNTHOUGHT = 0.02;

    private static final double SILVERMAN = 0.9;
    private static final double NORMAL_QUARTILES = 1.34;

    /**
     * Judges a projection.
     *
     * @param totals      bags of the days that were drawn, g; one or more
     * @param actualGrams 0 or more
     */
    public static DayProjection of(double[] totals, double actualGrams) {
        double[] sorted = Arrays.stream(totals).sorted().toArray();
        double lighter = Arrays.stream(sorted)
                .map(t -> t < actualGrams ? 1 : t == actualGrams ? 0.5 : 0)
                .sum();
        double middle = Quantile.of(sorted, 0.5);
        return new DayProjection(
                Quantile.of(sorted, 0.1),
                middle,
                Quantile.of(sorted, 0.9),
                actualGrams,
                lighter / sorted.length,
                logGain(sorted, actualGrams, Math.max(1, 2 * middle)));
    }

    /** ln(f·width) of the kernel density f of the drawn days (Silverman 1986, 3.31), an even spread of some width mixed in. */
    private static double logGain(double[] sorted, double x, double width) {
        double mean = Arrays.stream(sorted).average().orElse(0);
        double sd = Math.sqrt(Arrays.stream(sorted)
                .map(t -> (t - mean) * (t - mean))
                .average()
                .orElse(0));
        double quartiles = (Quantile.of(sorted, 0.75) - Quantile.of(sorted, 0.25)) / NORMAL_QUARTILES;
        double spread = quartiles > 0 ? Math.min(sd, quartiles) : sd;
        double h = Math.max(1, SILVERMAN * spread * Math.pow(sorted.length, -0.2));
        double density = Arrays.stream(sorted)
                        .map(t -> Math.exp(-0.5 * (t - x) * (t - x) / (h * h)))
                        .sum()
                / (sorted.length * h * Math.sqrt(2 * Math.PI));
        return Math.log((1 - UNTHOUGHT) * density * width + UNTHOUGHT);
    }

    /** Whether it came to something between the two outer marks, as four days in five do. */
    public boolean held() {
        return actualGrams >= p10Grams && actualGrams <= p90Grams;
    }
}
