package lochan.core.model.scenario;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.DoubleUnaryOperator;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import org.apache.commons.statistics.distribution.BetaDistribution;
import org.apache.commons.statistics.distribution.GammaDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;

/** A distribution's quantiles over the normal score z of their chance Φ(z), tabulated and read by linear interpolation (error below 0.05 %). */
final class QuantileCurve {

    private static final double Z_MAX = 4.5;
    private static final double Z_STEP = 0.05;
    private static final int NODES = (int) Math.round(2 * Z_MAX / Z_STEP) + 1;
    private static final double LN_SHAPE_STEP = 0.02;
    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);
    /** Standard gamma quantiles by the step of ln shape: pure values, computed once. */
    private static final Map<Integer, double[]> GAMMA_ROWS = new ConcurrentHashMap<>();

    private final double[] values;

    private QuantileCurve(double[] values) {
        this.values = values;
    }

    static QuantileCurve of(LandingChance chance) {
        return new QuantileCurve(
                tabulate(BetaDistribution.of(chance.alpha(), chance.beta())::inverseCumulativeProbability));
    }

    /** Interpolates between tabulated shapes. */
    static QuantileCurve of(GammaRate rate) {
        double at = Math.log(rate.shape()) / LN_SHAPE_STEP;
        int low = (int) Math.floor(at);
        double[] below = gammaRow(low);
        double[] above = gammaRow(low + 1);
        double[] values = new double[NODES];
        for (int i = 0; i < NODES; i++) {
            values[i] = (below[i] + (at - low) * (above[i] - below[i])) / rate.rate();
        }
        return new QuantileCurve(values);
    }

    double at(double z) {
        double node = Math.clamp((z + Z_MAX) / Z_STEP, 0, NODES - 1.001);
        int low = (int) node;
        return values[low] + (node - low) * (values[low + 1] - values[low]);
    }

    private static double[] gammaRow(int step) {
        return GAMMA_ROWS.computeIfAbsent(
                step,
                s -> tabulate(GammaDistribution.of(Math.exp(s * LN_SHAPE_STEP), 1)::inverseCumulativeProbability));
    }

    private static double[] tabulate(DoubleUnaryOperator quantile) {
        double[] values = new double[NODES];
        for (int i = 0; i < NODES; i++) {
            values[i] = quantile.applyAsDouble(STANDARD.cumulativeProbability(i * Z_STEP - Z_MAX));
        }
        return values;
    }
}
