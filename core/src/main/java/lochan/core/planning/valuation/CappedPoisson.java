package lochan.core.planning.valuation;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.DoubleUnaryOperator;

/**
 * How many of the fish that come count, min(N, m) for N ~ Poisson(λ): its mean and its spread. Tabulated over λ and read by
 * linear interpolation, with an error below 10⁻⁵ fish; the tables are pure values, computed once.
 */
final class CappedPoisson {

    /** The largest m that is tabulated. */
    static final int MOST = 30;

    private static final double FEW = 1e-4;
    /** Below, the mean of three or more is λ to 10⁻⁸ fish. */
    private static final double FEW_FOR_SEVERAL = 0.02;

    private static final int STEPS_OF_ONE = 100;
    private static final int END = 40;
    private static final Map<Integer, CappedPoisson> KNOWN = new ConcurrentHashMap<>();

    private final int most;
    private final double[] means;
    private final double[] spreads;

    private CappedPoisson(int most) {
        this.most = most;
        this.means = table(lambda -> mean(lambda, most));
        this.spreads = table(lambda -> lambda == 0 ? 1 : Math.sqrt(variance(lambda, most) / lambda));
    }

    /** @param most m, 1 to {@value #MOST} */
    static CappedPoisson upTo(int most) {
        return KNOWN.computeIfAbsent(most, CappedPoisson::new);
    }

    private static double[] table(DoubleUnaryOperator of) {
        double[] table = new double[END * STEPS_OF_ONE + 1];
        Arrays.setAll(table, i -> of.applyAsDouble((double) i / STEPS_OF_ONE));
        return table;
    }

    /** E[min(N, m)]. */
    double mean(double lambda) {
        if (lambda < FEW_FOR_SEVERAL && most > 2) {
            return lambda;
        }
        return lambda < END ? read(means, lambda) : mean(lambda, most);
    }

    /** sd[min(N, m)]/√λ. */
    double spreadOfRoot(double lambda) {
        return lambda < END ? read(spreads, lambda) : 0;
    }

    private static double read(double[] table, double lambda) {
        double at = lambda * STEPS_OF_ONE;
        int low = (int) at;
        return table[low] + (at - low) * (table[low + 1] - table[low]);
    }

    /** Σ_{j=1..m} P(N ≥ j). */
    static double mean(double lambda, int m) {
        if (lambda < FEW || m > 1000) {
            return lambda;
        }
        double term = Math.exp(-lambda);
        double tail = -Math.expm1(-lambda);
        double sum = tail;
        for (int j = 1; j < m; j++) {
            term *= lambda / j;
            tail = Math.max(0, tail - term);
            sum += tail;
        }
        return sum;
    }

    /** E[min²] = Σ_{j=1..m} (2j − 1)·P(N ≥ j). */
    private static double variance(double lambda, int m) {
        double term = Math.exp(-lambda);
        double tail = -Math.expm1(-lambda);
        double sum = tail;
        double squares = tail;
        for (int j = 1; j < m; j++) {
            term *= lambda / j;
            tail = Math.max(0, tail - term);
            sum += tail;
            squares += (2 * j + 1) * tail;
        }
        return Math.max(0, squares - sum * sum);
    }
}
