package lochan.core.model.learning;

import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import org.apache.commons.statistics.distribution.BetaDistribution;

/** The chance that one of two unknown rates or chances is really higher than the other. */
public final class BetterChance {

    /** Nodes and weights of Gauss and Legendre on each panel of the unit interval (Abramowitz and Stegun 1964, table 25.4, n = 8). */
    private static final double[] NODES = {
        0.1834346424956498, 0.5255324099163290, 0.7966664774136267, 0.9602898564975363
    };

    private static final double[] WEIGHTS = {
        0.3626837833783620, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763
    };
    private static final int PANELS = 32;

    private BetterChance() {}

    /**
     * P(λ_a &gt; λ_b) for λ_a ~ Gamma(α_a, β_a), λ_b ~ Gamma(α_b, β_b) independent: β_a λ_a and β_b λ_b being standard gammas, the share
     * of the second in their sum is Beta(α_b, α_a), and λ_a &gt; λ_b when it is under β_b/(β_a + β_b); so I_{β_b/(β_a+β_b)}(α_b, α_a).
     */
    public static double ofRates(GammaRate a, GammaRate b) {
        return BetaDistribution.of(b.shape(), a.shape()).cumulativeProbability(b.rate() / (a.rate() + b.rate()));
    }

    /** P(q_a &gt; q_b) for two independent beta chances: ∫ f_a(q) F_b(q) dq, by Gauss and Legendre on 32 panels. */
    public static double ofChances(LandingChance a, LandingChance b) {
        BetaDistribution first = BetaDistribution.of(a.alpha(), a.beta());
        BetaDistribution second = BetaDistribution.of(b.alpha(), b.beta());
        double sum = 0;
        for (int panel = 0; panel < PANELS; panel++) {
            double middle = (panel + 0.5) / PANELS;
            for (int i = 0; i < NODES.length; i++) {
                for (int sign = -1; sign <= 1; sign += 2) {
                    double q = middle + sign * NODES[i] / (2 * PANELS);
                    sum += WEIGHTS[i] * first.density(q) * second.cumulativeProbability(q);
                }
            }
        }
        return Math.clamp(sum / (2 * PANELS), 0, 1);
    }
}
