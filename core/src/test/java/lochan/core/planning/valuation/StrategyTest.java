package lochan.core.planning.valuation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class StrategyTest {

    /** Two kinds of days: one sure, one that is great or nothing. */
    private static final Outcomes SURE = new Outcomes(
            new double[] {3000, 3000}, new double[] {200, 200}, new double[] {0.9, 0.9}, new double[] {6, 6});

    private static final Outcomes WILD = new Outcomes(
            new double[] {500, 5300}, new double[] {200, 200}, new double[] {0.1, 0.99}, new double[] {1, 12});

    @Test
    void eachStancePrefersWhatItIsFor() {
        assertThat(Strategy.BALANCED.score(SURE, null)).isGreaterThan(Strategy.BALANCED.score(WILD, null));
        assertThat(Strategy.SAFE_LIMIT.score(SURE, null)).isGreaterThan(Strategy.SAFE_LIMIT.score(WILD, null));
        assertThat(Strategy.BIG_FISH.score(WILD, null)).isGreaterThan(Strategy.BIG_FISH.score(SURE, null));
        assertThat(Strategy.TARGET.score(WILD, 5000.0)).isGreaterThan(Strategy.TARGET.score(SURE, 5000.0));
        assertThat(Strategy.TARGET.score(SURE, 2500.0)).isGreaterThan(Strategy.TARGET.score(WILD, 2500.0));
        assertThat(Strategy.TARGET.score(WILD, null)).as("no target").isEqualTo(Strategy.BALANCED.score(WILD, null));
    }

    /** Whichever search came upon it: nobody is offered a plan “for the target” that reaches it less often than the one beside it. */
    @Test
    void ofThePlansFoundEachStrategyTakesTheOneThatReachesMost() {
        PlanValue balanced = value(5000, 7000, 0.6, 0.47);
        PlanValue safe = value(4000, 5000, 0.8, 0.30);
        PlanValue big = value(4500, 9000, 0.5, 0.40);
        PlanValue target = value(4800, 6800, 0.8, 0.45);
        List<PlanValue> found = List.of(balanced, safe, big, target);

        assertThat(Strategy.BALANCED.bestOf(found, v -> v)).isEqualTo(balanced);
        assertThat(Strategy.SAFE_LIMIT.bestOf(found, v -> v))
                .as("as sure as the safe one, and heavier")
                .isEqualTo(target);
        assertThat(Strategy.BIG_FISH.bestOf(found, v -> v)).isEqualTo(big);
        assertThat(Strategy.TARGET.bestOf(found, v -> v)).isEqualTo(balanced);
    }

    private static PlanValue value(double grams, double best, double limit, double target) {
        return new PlanValue(grams, grams, 10, 0, grams, best, limit, target, List.of());
    }

    /** With one scenario the outcomes are normal: the mean of its best quarter is μ + σ·φ(z)/¼, z = 0.6745, φ(z) = 0.3178. */
    @Test
    void theBestQuarterOfANormalIsItsTextbookMean() {
        Outcomes one = new Outcomes(new double[] {3000}, new double[] {200}, new double[] {0.5}, new double[] {4});

        assertThat(one.meanOfBest(0.25)).isCloseTo(3000 + 200 * 0.3178 / 0.25, within(0.5));
        assertThat(one.chanceOf(3000)).isCloseTo(0.5, within(1e-12));
        assertThat(one.chanceOf(3200)).isCloseTo(0.1587, within(1e-4));
    }
}
