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

    private final int limit;
    /** By how many fish may still count, filled in when asked for. */
    private final @Nullable CappedPoisson[] counts;

    /** Weights in the bag, g, rising. */
    private final double[] bag;

    /**
     * @param limit    k, fish that count; {@link Integer#MAX_VALUE} when every fish does
     * @param bagGrams weights of the fish in the bag
     */
    public BestFish(int limit, List<Double> bagGrams) {
        this.limit = limit;
        this.counts = new CappedPoisson[Math.min(limit, CappedPoisson.MOST) + 1];
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

    /** Returns the value with nothing in the bag, where no interval is split. */
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
        int most = limit - heavier;
        return most <= 0
                ? 0
                : most > CappedPoisson.MOST
                        ? CappedPoisson.mean(lambda, most)
                        : count(most).mean(lambda);
    }

    private CappedPoisson count(int most) {
        CappedPoisson known = counts[most];
        if (known == null) {
            known = CappedPoisson.upTo(most);
            counts[most] = known;
        }
        return known;
    }

    /**
     * Standard deviation of the weight of the best k fish from an empty bag, g. With M(x) = min(N(x), k),
     * <pre>Var = 2 ∫∫_{x&lt;y} sd M(x) · sd M(y) · ρ(x, y) dy dx</pre>
     * where ρ is taken as √(Λ(y)/Λ(x)), which is exact for nested Poisson counts, k without limit.
     */
    public double spread(double[] lambda) {
        CappedPoisson count = limit > CappedPoisson.MOST ? null : count(limit);
        double variance = 0;
        double heavier = 0;
        for (int i = lambda.length - 1; i >= 0; i--) {
            if (lambda[i] > 0) {
                double dx = i == 0 ? GRID[0] : GRID[i] - GRID[i - 1];
                double ofRoot = count == null ? 1 : count.spreadOfRoot(lambda[i]);
                double here = dx * ofRoot * lambda[i];
                variance += 2 * dx * ofRoot * (heavier + here / 2);
                heavier += here;
            }
        }
        return Math.sqrt(variance);
    }

    /** Returns the value with more fish in the bag; the tables are shared. */
    BestFish with(List<Double> grams) {
        return new BestFish(this, grams);
    }

    private BestFish(BestFish of, List<Double> grams) {
        this.limit = of.limit;
        this.counts = of.counts;
        this.bag = DoubleStream.concat(Arrays.stream(of.bag), grams.stream().mapToDouble(Double::doubleValue))
                .sorted()
                .toArray();
    }

    /** Chance of as many fish as count, when Λ of them are expected beside those in the bag; 0 where every fish counts. */
    public double limitChance(double expected) {
        if (limit > CappedPoisson.MOST) {
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

    private static final double[] GRID = grid();
    private static final double LN_STEP = Survival.lnGrams(1) - Survival.lnGrams(0);

    private static double[] grid() {
        double[] x = new double[Survival.weights()];
        Arrays.setAll(x, i -> Math.exp(Survival.lnGrams(i)));
        return x;
    }
}
