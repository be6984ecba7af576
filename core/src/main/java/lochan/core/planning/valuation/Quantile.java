package lochan.core.planning.valuation;

/** Quantiles of drawn days. */
public final class Quantile {

    private Quantile() {}

    /**
     * The value that a share p of a sample stays below.
     *
     * @param rising the sample, sorted; one value or more
     * @param p      0 to 1
     */
    public static double of(double[] rising, double p) {
        return rising[(int) Math.min(rising.length - 1.0, p * rising.length)];
    }
}
