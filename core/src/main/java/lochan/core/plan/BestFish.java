package lochan.core.plan;

import java.util.Arrays;
import java.util.List;
import lochan.core.size.Survival;

/**
 * The expected weight of the best k fish when landed legal fish heavier than x are Poisson with mean Λ(x) and some are in the well
 * already ({@code model.md} §7):
 * <pre>V = ∫₀^∞ E[min(n_bag(x) + N(x), k)] dx</pre>
 * since the sum of the k best is ∫ min(number heavier than x, k) dx. Trapezoids in ln x, split where n_bag steps; below the grid the
 * integrand is constant.
 */
public final class BestFish {

    private static final double FEW = 1e-4;

    private final int limit;
    /** Weights in the well, g, rising. */
    private final double[] bag;

    /**
     * @param limit    k, fish that count; {@link Integer#MAX_VALUE} when every fish does
     * @param bagGrams weights of the fish in the well
     */
    public BestFish(int limit, List<Double> bagGrams) {
        this.limit = limit;
        this.bag = bagGrams.stream().mapToDouble(Double::doubleValue).sorted().toArray();
    }

    /**
     * V for Λ on the grid of {@link Survival}.
     *
     * @param lambda mean number of landed legal fish heavier than each x
     * @return grams
     */
    public double value(double[] lambda) {
        int next = 0;
        double x = 0;
        double total = 0;
        for (int i = 0; i < lambda.length; i++) {
            double to = GRID[i];
            while (next < bag.length && bag[next] < to) {
                total += piece(lambda, i, x, bag[next], bag.length - next);
                x = bag[next++];
            }
            total += piece(lambda, i, x, to, bag.length - next);
            x = to;
        }
        for (; next < bag.length; next++) {
            total += (bag[next] - x) * Math.min(bag.length - next, limit);
            x = bag[next];
        }
        return total;
    }

    /** ∫ over [from, to] inside the grid's interval that ends at point i, with so many fish of the well heavier. */
    private double piece(double[] lambda, int i, double from, double to, int heavier) {
        if (i == 0) {
            return (to - from) * expected(lambda[0], heavier);
        }
        double a = from * expected(at(lambda, i, from), heavier);
        double b = to * expected(at(lambda, i, to), heavier);
        return (a + b) / 2 * (from == GRID[i - 1] && to == GRID[i] ? LN_STEP : Math.log(to / from));
    }

    private static double at(double[] lambda, int i, double x) {
        if (x == GRID[i]) {
            return lambda[i];
        }
        return x == GRID[i - 1] ? lambda[i - 1]
                : lambda[i - 1] + (lambda[i] - lambda[i - 1]) * Math.log(x / GRID[i - 1]) / LN_STEP;
    }

    private double expected(double lambda, int heavier) {
        return heavier >= limit ? limit : heavier + expectedUpTo(lambda, limit - heavier);
    }

    /** E[min(N, m)] for N ~ Poisson(λ), as Σ_{j=1..m} P(N ≥ j). */
    static double expectedUpTo(double lambda, int m) {
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

    private static final double[] GRID = grid();
    private static final double LN_STEP = Survival.lnGrams(1) - Survival.lnGrams(0);

    private static double[] grid() {
        double[] x = new double[Survival.weights()];
        Arrays.setAll(x, i -> Math.exp(Survival.lnGrams(i)));
        return x;
    }
}
