package lochan.core.competition;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class WeightOrderTest {

    private static final int FISH = 7;
    private static final double RESOLUTION = 20;

    static IntStream seeds() {
        return IntStream.range(0, 300);
    }

    /** Steps by scale and balance in any number and order, joined by Warshall's closure. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatScaleAndBalanceSayHoldsThroughOtherFish(int seed) {
        Random random = new Random(seed);
        Map<String, Double> grams = new HashMap<>();
        IntStream.range(0, FISH)
                .forEach(i ->
                        grams.put("f" + i, random.nextInt(4) == 0 ? null : Double.valueOf(1000 + random.nextInt(100))));
        List<Entry.Balance> balances = new ArrayList<>();
        boolean[][] above = new boolean[FISH][FISH];
        for (int n = random.nextInt(5); n > 0; n--) {
            int heavier = random.nextInt(FISH);
            int lighter = (heavier + 1 + random.nextInt(FISH - 1)) % FISH;
            balances.add(new Entry.Balance("b" + n, Instant.EPOCH, "f" + heavier, "f" + lighter));
            above[heavier][lighter] = !clear(grams, heavier, lighter);
        }
        for (int a = 0; a < FISH; a++) {
            for (int b = 0; b < FISH; b++) {
                above[a][b] |= clear(grams, a, b) && grams.get("f" + a) > grams.get("f" + b);
            }
        }
        for (int k = 0; k < FISH; k++) {
            for (int a = 0; a < FISH; a++) {
                for (int b = 0; b < FISH; b++) {
                    above[a][b] |= above[a][k] && above[k][b];
                }
            }
        }
        WeightOrder order = new WeightOrder(grams::get, balances, RESOLUTION);
        for (int a = 0; a < FISH; a++) {
            for (int b = 0; b < FISH; b++) {
                Optional<Boolean> expected = a != b && clear(grams, a, b)
                        ? Optional.of(grams.get("f" + a) > grams.get("f" + b))
                        : a == b || above[a][b] == above[b][a] ? Optional.empty() : Optional.of(above[a][b]);
                assertThat(order.heavier("f" + a, "f" + b))
                        .as("f%d and f%d", a, b)
                        .isEqualTo(expected);
            }
        }
    }

    private static boolean clear(Map<String, Double> grams, int a, int b) {
        Double x = grams.get("f" + a);
        Double y = grams.get("f" + b);
        return x != null && y != null && Math.abs(x - y) >= RESOLUTION;
    }
}
