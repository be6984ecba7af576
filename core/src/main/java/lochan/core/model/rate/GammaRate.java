package lochan.core.model.rate;

import org.apache.commons.statistics.distribution.GammaDistribution;

/**
 * A bite rate known as Gamma(shape α, rate β): mean α/β bites per angler-hour.
 *
 * @param shape α, bites, more than 0
 * @param rate  β, angler-hours, more than 0
 */
public record GammaRate(double shape, double rate) {

    public GammaRate {
        if (!(shape > 0) || !(rate > 0)) {
            throw new IllegalArgumentException(
                    "gamma shape " + shape + " and rate " + rate + ", expected both more than 0");
        }
    }

    public double mean() {
        return shape / rate;
    }

    /** The rate that is not passed with chance p. */
    public double quantile(double p) {
        return GammaDistribution.of(shape, 1 / rate).inverseCumulativeProbability(p);
    }
}
