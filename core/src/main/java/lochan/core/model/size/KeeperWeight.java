package lochan.core.model.size;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import lochan.core.Assumptions;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Pattern;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * The share of landed fish that are legal and the weight of those, over the species mix and what is known of sizes.
 *
 * @param legalShare chance that a landed fish is legal
 * @param meanGrams  mean weight of a legal fish; NaN when none is
 * @param p10Grams   one in ten legal fish is lighter
 * @param p90Grams   one in ten is heavier
 */
public record KeeperWeight(double legalShare, double meanGrams, double p10Grams, double p90Grams) {

    /** Steps of the quadrature over ln grams; at 128 the quantiles hold to 0.05 %. */
    private static final int STEPS = 128;

    private static final int FINE_STEPS = 2048;
    private static final double REACH_SDS = 4.5;
    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);

    public static KeeperWeight of(
            EventData event, SizeModel sizes, SpeciesMix mix, Pattern pattern, String spotId, Assumptions.Size a) {
        List<Part> parts = parts(event, sizes, mix, pattern, spotId, a);
        double legal = parts.stream()
                .mapToDouble(p -> p.mix * p.legal.share(p.mean, p.sd))
                .sum();
        double grams = parts.stream()
                .mapToDouble(p -> p.mix * p.legal.legalGrams(p.mean, p.sd))
                .sum();
        double[] quantiles = quantiles(parts, legal, 0.1, 0.9);
        return new KeeperWeight(legal, grams / legal, quantiles[0], quantiles[1]);
    }

    private static List<Part> parts(
            EventData event, SizeModel sizes, SpeciesMix mix, Pattern pattern, String spotId, Assumptions.Size a) {
        double[] shares = mix.of(pattern);
        List<Part> parts = new ArrayList<>();
        for (int k = 0; k < shares.length; k++) {
            SpeciesRule rule = event.rules().species().get(k);
            SizeModel.Predictive p = sizes.predictive(rule.species(), pattern, spotId);
            parts.add(new Part(shares[k], p.mean(), p.newFishSd(), LegalShare.of(rule, a)));
        }
        return parts;
    }

    /**
     * Shares of landed fish that are legal and weigh between borders: below the first, between it and the next, … above the last. They add up
     * to the legal share.
     *
     * @param borders g, rising
     */
    public static double[] shares(
            EventData event,
            SizeModel sizes,
            SpeciesMix mix,
            Pattern pattern,
            String spotId,
            Assumptions.Size a,
            double... borders) {
        List<Part> parts = parts(event, sizes, mix, pattern, spotId, a);
        double from =
                parts.stream().mapToDouble(p -> p.mean - REACH_SDS * p.sd).min().orElseThrow();
        double to =
                parts.stream().mapToDouble(p -> p.mean + REACH_SDS * p.sd).max().orElseThrow();
        double step = (to - from) / FINE_STEPS;
        double[] shares = new double[borders.length + 1];
        for (int i = 0; i < FINE_STEPS; i++) {
            double y = from + (i + 0.5) * step;
            int at = Arrays.binarySearch(borders, Math.exp(y));
            shares[at < 0 ? -at - 1 : at + 1] +=
                    step * parts.stream().mapToDouble(p -> p.mix * p.density(y)).sum();
        }
        return shares;
    }

    /** Quantiles by the midpoint rule on the density of legal fish over ln grams, interpolated within a step. */
    private static double[] quantiles(List<Part> parts, double legal, double... chances) {
        double from =
                parts.stream().mapToDouble(p -> p.mean - REACH_SDS * p.sd).min().orElseThrow();
        double to =
                parts.stream().mapToDouble(p -> p.mean + REACH_SDS * p.sd).max().orElseThrow();
        double step = (to - from) / STEPS;
        DoubleUnaryOperator density =
                y -> parts.stream().mapToDouble(p -> p.mix * p.density(y)).sum();
        double[] found = new double[chances.length];
        double below = 0;
        int next = 0;
        for (int i = 0; i < STEPS && next < chances.length; i++) {
            double mass = step * density.applyAsDouble(from + (i + 0.5) * step) / legal;
            while (next < chances.length && below + mass >= chances[next]) {
                found[next] = Math.exp(from + (i + (chances[next] - below) / mass) * step);
                next++;
            }
            below += mass;
        }
        return found;
    }

    private record Part(double mix, double mean, double sd, LegalShare legal) {

        double density(double y) {
            return STANDARD.density((y - mean) / sd) / sd * legal.given(y);
        }
    }
}
