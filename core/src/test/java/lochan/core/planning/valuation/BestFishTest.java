package lochan.core.planning.valuation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Randoms;
import lochan.core.model.size.Survival;
import org.apache.commons.rng.sampling.distribution.PoissonSampler;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class BestFishTest {

    private static final double QUADRATURE = 0.004;

    /** Λ(x) of fish whose ln grams are uniform between two weights, so that it can be drawn from and integrated by hand. */
    private static double[] uniform(double fish, double lightest, double heaviest) {
        return IntStream.range(0, Survival.weights())
                .mapToDouble(i -> fish
                        * Math.clamp((Math.log(heaviest) - Survival.lnGrams(i)) / Math.log(heaviest / lightest), 0, 1))
                .toArray();
    }

    static IntStream seeds() {
        return IntStream.range(0, 20);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void agreesWithFishDrawnOneByOne(int seed) {
        Random random = new Random(seed);
        int limit = 1 + random.nextInt(6);
        double expected = 0.5 + 12 * random.nextDouble();
        List<Double> bag =
                random.doubles(random.nextInt(limit + 1), 400, 2500).boxed().toList();
        double value = new BestFish(limit, bag).value(uniform(expected, 300, 3000));
        var counts = PoissonSampler.of(Randoms.of(seed), expected);
        int days = 60_000;
        double[] totals = IntStream.range(0, days)
                .mapToDouble(d -> {
                    List<Double> fish = new ArrayList<>(bag);
                    for (int left = counts.sample(); left > 0; left--) {
                        fish.add(300 * Math.pow(10, random.nextDouble()));
                    }
                    return fish.stream()
                            .sorted(Comparator.reverseOrder())
                            .limit(limit)
                            .mapToDouble(g -> g)
                            .sum();
                })
                .toArray();
        double mean = Arrays.stream(totals).average().orElseThrow();
        double sd = Math.sqrt(
                Arrays.stream(totals).map(t -> (t - mean) * (t - mean)).sum() / days);

        assertThat(value).isCloseTo(mean, within(4 * sd / Math.sqrt(days) + QUADRATURE * mean));
    }

    @Test
    void everyFishCountsWhenThereIsNoLimit() {
        double meanGrams = (3000 - 300) / Math.log(10);

        assertThat(new BestFish(Integer.MAX_VALUE, List.of()).value(uniform(7, 300, 3000)))
                .isCloseTo(7 * meanGrams, within(7 * meanGrams * QUADRATURE));
    }

    @Test
    void withNothingToComeTheBagIsWhatItIs() {
        assertThat(new BestFish(5, List.of(900.0, 1500.0)).value(uniform(0, 300, 3000)))
                .isCloseTo(2400, within(1e-6));
        assertThat(new BestFish(1, List.of(900.0, 1500.0)).value(uniform(0, 300, 3000)))
                .isCloseTo(1500, within(1e-6));
        assertThat(new BestFish(5, List.of()).value(uniform(0, 300, 3000))).isZero();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void moreFishAHigherLimitOrAFullerLivewellAreNeverWorse(int seed) {
        Random random = new Random(seed);
        int limit = 1 + random.nextInt(5);
        double fish = 10 * random.nextDouble();
        double base = new BestFish(limit, List.of(800.0)).value(uniform(fish, 300, 3000));

        assertThat(new BestFish(limit, List.of(800.0)).value(uniform(fish + 0.5, 300, 3000)))
                .isGreaterThan(base);
        assertThat(new BestFish(limit + 1, List.of(800.0)).value(uniform(fish, 300, 3000)))
                .isGreaterThanOrEqualTo(base);
        assertThat(new BestFish(limit, List.of(1200.0)).value(uniform(fish, 300, 3000)))
                .isGreaterThan(base);
    }

    @ParameterizedTest
    @CsvSource({"0, 5, 0", "2, 1, 0.864664716763387", "2, 1000000000, 2", "0.00001, 3, 0.00001", "100, 5, 5"})
    void theExpectedNumberUpToALimitIsASumOfTails(double lambda, int most, double expected) {
        assertThat(CappedPoisson.mean(lambda, most)).isCloseTo(expected, within(1e-9));
    }
}
