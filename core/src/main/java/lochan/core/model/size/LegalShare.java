package lochan.core.model.size;

import lochan.core.Assumptions;
import lochan.core.event.SpeciesRule;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Which fish of a species may be kept: P(legal | w) = Φ((ln w − ln w*)/ν) − [Φ((ln w − ln w₁)/ν) − Φ((ln w − ln w₂)/ν)], with w* the weight of a fish
 * of the minimum length (or the least legal weight, where that is more), w₁ and w₂ those of the ends of a slot, and ν = 0.04·B the spread of ln w at a
 * length ({@code model.md} §4).
 *
 * @param lnMinGrams  ln w*; −∞: every fish is legal
 * @param lnSlotGrams ln w₁, ∞ without a slot
 * @param lnOverGrams ln w₂, ∞ without a slot
 * @param spread      ν
 */
public record LegalShare(double lnMinGrams, double lnSlotGrams, double lnOverGrams, double spread) {

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);

    public static LegalShare of(SpeciesRule rule, Assumptions.Size a) {
        double lnLength = rule.minLengthMm() == null
                ? Double.NEGATIVE_INFINITY
                : StandardWeight.lnGrams(rule.species(), rule.minLengthMm(), a);
        double lnLeast = rule.minGrams() == null ? Double.NEGATIVE_INFINITY : Math.log(rule.minGrams());
        double from = rule.slot() == null
                ? Double.POSITIVE_INFINITY
                : StandardWeight.lnGrams(rule.species(), rule.slot().fromMm(), a);
        double to = rule.slot() == null
                ? Double.POSITIVE_INFINITY
                : StandardWeight.lnGrams(rule.species(), rule.slot().toMm(), a);
        return new LegalShare(
                Math.max(lnLength, lnLeast),
                from,
                to,
                a.legalLengthSd() * rule.species().slope());
    }

    /** Whether every fish may be kept. */
    public boolean isForAll() {
        return Double.isInfinite(lnMinGrams) && Double.isInfinite(lnSlotGrams);
    }

    /** Chance that a fish of a weight may be kept. */
    public double given(double lnGrams) {
        return kept(lnGrams, spread);
    }

    private double kept(double mean, double sd) {
        double above = STANDARD.cumulativeProbability((mean - lnMinGrams) / sd);
        return Double.isInfinite(lnSlotGrams)
                ? above
                : Math.max(
                        0,
                        above
                                - STANDARD.cumulativeProbability((mean - lnSlotGrams) / sd)
                                + STANDARD.cumulativeProbability((mean - lnOverGrams) / sd));
    }

    /** Whether a fish may be kept whose length is that of another weight, as a fish of its length may weigh. */
    public boolean holds(double lnGramsByLength) {
        return lnGramsByLength >= lnMinGrams && !(lnGramsByLength >= lnSlotGrams && lnGramsByLength <= lnOverGrams);
    }

    /** Share of legal fish when ln grams ~ N(mean, sd²). */
    double share(double mean, double sd) {
        return kept(mean, Math.hypot(sd, spread));
    }

    /** E[grams; legal] when ln grams ~ N(mean, sd²). */
    double legalGrams(double mean, double sd) {
        return Math.exp(mean + sd * sd / 2) * kept(mean + sd * sd, Math.hypot(sd, spread));
    }
}
