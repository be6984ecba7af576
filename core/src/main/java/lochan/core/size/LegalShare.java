package lochan.core.size;

import lochan.core.Assumptions;
import lochan.core.event.SpeciesRule;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Which fish of a species are long enough: P(legal | w) = Φ((ln w − ln w*)/ν), with w* the weight of a fish of the minimum length and
 * ν = 0.04·B the spread of ln w at a length ({@code model.md} §4).
 *
 * @param lnMinGrams ln w*; −∞: every fish is legal
 * @param spread     ν
 */
public record LegalShare(double lnMinGrams, double spread) {

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);

    public static LegalShare of(SpeciesRule rule, Assumptions.Size a) {
        double lnMin = rule.minLengthMm() == null ? Double.NEGATIVE_INFINITY : StandardWeight.lnGrams(rule.species(), rule.minLengthMm(), a);
        return new LegalShare(lnMin, a.legalLengthSd() * rule.species().slope());
    }

    /** Chance that a fish of a weight is long enough. */
    public double given(double lnGrams) {
        return STANDARD.cumulativeProbability((lnGrams - lnMinGrams) / spread);
    }

    /** Share of legal fish when ln grams ~ N(mean, sd²). */
    double share(double mean, double sd) {
        return STANDARD.cumulativeProbability((mean - lnMinGrams) / Math.hypot(sd, spread));
    }

    /** E[grams; legal] when ln grams ~ N(mean, sd²). */
    double legalGrams(double mean, double sd) {
        return Math.exp(mean + sd * sd / 2) * STANDARD.cumulativeProbability((mean + sd * sd - lnMinGrams) / Math.hypot(sd, spread));
    }
}
