package lochan.core.planning.valuation;

import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import lochan.core.model.size.Survival;
import org.jspecify.annotations.Nullable;

/**
 * The expected weight of the best k fish when landed legal fish heavier than x are Poisson with mean Λ(x) and some are in the bag
 * already ({@code model.md} §7):
 * <pre>V = ∫₀^∞ E[min(n_bag(x) + N(x), k)] dx</pre>
 * since the sum of the k best is ∫ min(number heavier than x, k) dx. Trapezoids in ln x, split where n_bag steps; below the grid the
 * integrand is constant.
 */
public final class BestFish {

    private static final double FEW = 1e-4;
    /** Below, E[min(N, m)] of three or more is λ to 10⁻⁸ fish. */
    private static final double FEW_FOR_SEVERAL = 0.02;
    /** E[min(N, m)] is tabulated over λ up to here; read by linear interpolation, error below 10⁻⁵ fish. */
    private static final double TABLE_END = 40;

    private static final double TABLE_STEP = 0.01;
    private static final int LARGEST_TABULATED = 30;

    private final int limit;
    private final double[][] tables;
    private double @Nullable [] variances;
    /** Weights in the bag, g, rising. */
    private final double[] bag;

    /**
     * @param limit    k, fish that count; {@link Integer#MAX_VALUE} when every fish does
     * @param bagGrams weights of the fish in the bag
     */
    public BestFish(int limit, List<Double> bagGrams) {
        this.limit = limit;
        this.tables = new double[Math.min(limit, LARGEST_TABULATED) + 1][];
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
        if (bag.length == 0) {
            return emptyBag(lambda);
        }
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

    /** The same with nothing in the bag, where no interval is split. */
    private double emptyBag(double[] lambda) {
        double first = GRID[0] * expected(lambda[0], 0);
        double sum = first / 2;
        for (int i = 1; i < lambda.length - 1; i++) {
            sum += GRID[i] * expected(lambda[i], 0);
        }
        return first + LN_STEP * (sum + GRID[lambda.length - 1] * expected(lambda[lambda.length - 1], 0) / 2);
    }

    /**
     * ∫ over [from, to] inside the grid's interval that ends at point i, with so many fish of the bag heavier: those exactly, what is
     * to come by a trapezoid.
     */
    private double piece(double[] lambda, int i, double from, double to, int heavier) {
        double certain = (to - from) * Math.min(heavier, limit);
        if (i == 0) {
            return certain + (to - from) * expected(lambda[0], heavier);
        }
        double a = from * expected(at(lambda, i, from), heavier);
        double b = to * expected(at(lambda, i, to), heavier);
        return certain + (a + b) / 2 * (from == GRID[i - 1] && to == GRID[i] ? LN_STEP : Math.log(to / from));
    }

    private static double at(double[] lambda, int i, double x) {
        if (x == GRID[i]) {
            return lambda[i];
        }
        return x == GRID[i - 1]
                ? lambda[i - 1]
                : lambda[i - 1] + (lambda[i] - lambda[i - 1]) * Math.log(x / GRID[i - 1]) / LN_STEP;
    }

    /** Fish that are expected to count beside the heavier ones of the bag. */
    private double expected(double lambda, int heavier) {
        return heavier >= limit ? 0 : tabulated(lambda, limit - heavier);
    }

    private double tabulated(double lambda, int m) {
        if (lambda < FEW_FOR_SEVERAL && m > 2) {
            return lambda;
        }
        if (m >= tables.length || !(lambda < TABLE_END)) {
            return expectedUpTo(lambda, m);
        }
        if (tables[m] == null) {
            double[] table = new double[(int) Math.round(TABLE_END / TABLE_STEP) + 1];
            Arrays.setAll(table, i -> expectedUpTo(i * TABLE_STEP, m));
            tables[m] = table;
        }
        double at = lambda / TABLE_STEP;
        int low = (int) at;
        double[] table = tables[m];
        return table[low] + (at - low) * (table[low + 1] - table[low]);
    }

    /**
     * Standard deviation of the weight of the best k fish from an empty bag, g. With M(x) = min(N(x), k),
     * <pre>Var = 2 ∫∫_{x&lt;y} sd M(x) · sd M(y) · ρ(x, y) dy dx</pre>
     * where ρ is taken as √(Λ(y)/Λ(x)), which is exact for nested Poisson counts, k without limit.
     */
    public double spread(double[] lambda) {
        double variance = 0;
        double heavier = 0;
        for (int i = lambda.length - 1; i >= 0; i--) {
            if (lambda[i] > 0) {
                double dx = i == 0 ? GRID[0] : GRID[i] - GRID[i - 1];
                double sd = Math.sqrt(variance(lambda[i]));
                double root = Math.sqrt(lambda[i]);
                variance += 2 * dx * sd / root * (heavier + dx * sd * root / 2);
                heavier += dx * sd * root;
            }
        }
        return Math.sqrt(variance);
    }

    /** Var[min(N, k)]. */
    private double variance(double lambda) {
        if (limit > LARGEST_TABULATED) {
            return lambda;
        }
        if (variances == null) {
            double[] table = new double[(int) Math.round(TABLE_END / TABLE_STEP) + 1];
            Arrays.setAll(table, i -> varianceUpTo(i * TABLE_STEP, limit));
            variances = table;
        }
        double at = lambda / TABLE_STEP;
        int low = (int) at;
        return low + 1 >= variances.length ? 0 : variances[low] + (at - low) * (variances[low + 1] - variances[low]);
    }

    /** Var[min(N, m)] for N ~ Poisson(λ): E[min²] = Σ_{j=1..m} (2j − 1)·P(N ≥ j). */
    private static double varianceUpTo(double lambda, int m) {
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

    /** The same with more fish in the bag; what is tabulated is shared. */
    BestFish with(List<Double> grams) {
        return new BestFish(this, grams);
    }

    private BestFish(BestFish of, List<Double> grams) {
        this.limit = of.limit;
        this.tables = of.tables;
        this.bag = DoubleStream.concat(Arrays.stream(of.bag), grams.stream().mapToDouble(Double::doubleValue))
                .sorted()
                .toArray();
    }

    /** Chance of as many fish as count, when Λ of them are expected beside those in the bag; 0 where every fish counts. */
    public double limitChance(double expected) {
        if (limit > LARGEST_TABULATED) {
            return 0;
        }
        int missing = limit - bag.length;
        if (missing <= 0) {
            return 1;
        }
        double term = Math.exp(-expected);
        double below = term;
        for (int j = 1; j < missing; j++) {
            term *= expected / j;
            below += term;
        }
        return Math.max(0, 1 - below);
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
