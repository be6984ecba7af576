package lochan.core.lures.deck;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RodChoiceTest {

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    private static RodChoice.Problem problem(Random random) {
        int demands = 1 + random.nextInt(7);
        int setups = 1 + random.nextInt(5);
        int rods = random.nextInt(5);
        double[] worth = random.doubles(demands, 0, 3).toArray();
        double[][] cover = IntStream.range(0, demands)
                .mapToObj(d -> random.doubles(setups, 0, 1)
                        .map(c -> c < 0.5 ? 0 : c > 0.8 ? 1 : c)
                        .toArray())
                .toArray(double[][]::new);
        double[][] fit = IntStream.range(0, rods)
                .mapToObj(r ->
                        random.doubles(setups, 0, 1).map(f -> f < 0.3 ? 0 : f).toArray())
                .toArray(double[][]::new);
        return new RodChoice.Problem(worth, cover, fit);
    }

    /** The best there is, told by trying every rod with every setup. */
    private static double[] enumerated(RodChoice.Problem p, int rod, int[] setupOfRod) {
        if (rod == p.fit().length) {
            int set = IntStream.of(setupOfRod)
                    .filter(s -> s >= 0)
                    .map(s -> 1 << s)
                    .sum();
            double fit = IntStream.range(0, setupOfRod.length)
                    .filter(r -> setupOfRod[r] >= 0)
                    .mapToDouble(r -> p.fit()[r][setupOfRod[r]])
                    .sum();
            return new double[] {p.covered(set), -Integer.bitCount(set), fit};
        }
        double[] best = {-1, 0, 0};
        for (int s = -1; s < p.setups(); s++) {
            int setup = s;
            if (s < 0 || (p.fit()[rod][s] > 0 && IntStream.range(0, rod).noneMatch(r -> setupOfRod[r] == setup))) {
                setupOfRod[rod] = s;
                double[] here = enumerated(p, rod + 1, setupOfRod);
                boolean better = here[0] > best[0] + 1e-9
                        || (here[0] > best[0] - 1e-9
                                && (here[1] > best[1] || (here[1] == best[1] && here[2] > best[2])));
                best = better ? here : best;
                setupOfRod[rod] = -1;
            }
        }
        return best;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noOtherWayToRigCoversMore(int seed) {
        RodChoice.Problem p = problem(new Random(seed));
        RodChoice found = RodChoice.best(p);
        int[] empty = new int[p.fit().length];
        Arrays.fill(empty, -1);
        double[] best = enumerated(p, 0, empty);
        assertThat(found.covered()).isCloseTo(best[0], within(1e-9));
        assertThat(found.fit()).isCloseTo(best[2], within(1e-9));
        Set<Integer> used = new HashSet<>();
        double fit = 0;
        for (int r = 0; r < found.setupOfRod().length; r++) {
            int s = found.setupOfRod()[r];
            assertThat(s < 0 || (used.add(s) && p.fit()[r][s] > 0)).isTrue();
            fit += s < 0 ? 0 : p.fit()[r][s];
        }
        assertThat(fit).isCloseTo(found.fit(), within(1e-9));
        assertThat(p.covered(used.stream().mapToInt(s -> 1 << s).sum())).isCloseTo(found.covered(), within(1e-9));
    }

    @Test
    void tooManySetupsAreRefused() {
        double[][] fit = {new double[16]};
        assertThatThrownBy(() -> RodChoice.best(new RodChoice.Problem(new double[0], new double[0][], fit)))
                .hasMessageContaining("16")
                .hasMessageContaining("15 at most");
    }
}
