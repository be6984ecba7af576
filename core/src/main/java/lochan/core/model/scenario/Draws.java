package lochan.core.model.scenario;

import java.util.HashMap;
import java.util.Map;
import lochan.core.Randoms;
import org.apache.commons.rng.UniformRandomProvider;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Stratified normal draws: each dimension holds one draw from each of N equally likely strata, in an order of its own (Latin hypercube,
 * McKay, Beckman and Conover 1979). A dimension's order depends on its name and the seed alone, so common scenarios stay common
 * whatever else is drawn.
 */
final class Draws {

    private static final long FNV_OFFSET = 0xcbf29ce484222325L;
    private static final long FNV_PRIME = 0x100000001b3L;

    private final int count;
    private final long seed;
    private final double[] scores;
    private final Map<String, double[]> dimensions = new HashMap<>();

    Draws(int count, long seed) {
        this.count = count;
        this.seed = seed;
        this.scores = new double[count];
        NormalDistribution standard = NormalDistribution.of(0, 1);
        for (int i = 0; i < count; i++) {
            scores[i] = standard.inverseCumulativeProbability((i + 0.5) / count);
        }
    }

    /** Standard normals of a dimension, one for each scenario. */
    double[] normals(String dimension) {
        return dimensions.computeIfAbsent(dimension, this::shuffled);
    }

    private double[] shuffled(String dimension) {
        UniformRandomProvider random = Randoms.of(mix(dimension));
        double[] own = scores.clone();
        for (int i = count - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            double swap = own[i];
            own[i] = own[j];
            own[j] = swap;
        }
        return own;
    }

    private long mix(String name) {
        long hash = FNV_OFFSET ^ seed;
        for (int i = 0; i < name.length(); i++) {
            hash = (hash ^ name.charAt(i)) * FNV_PRIME;
        }
        return hash;
    }
}
