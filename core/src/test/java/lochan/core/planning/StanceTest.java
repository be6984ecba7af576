package lochan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class StanceTest {

    /** Two kinds of days: one sure, one that is great or nothing. */
    private static final Outcomes SURE = new Outcomes(new double[] {3000, 3000}, new double[] {200, 200}, new double[] {0.9, 0.9}, new double[] {6, 6});
    private static final Outcomes WILD = new Outcomes(new double[] {500, 5300}, new double[] {200, 200}, new double[] {0.1, 0.99}, new double[] {1, 12});

    @Test
    void eachStancePrefersWhatItIsFor() {
        assertThat(Stance.STEADY.score(SURE, null)).isGreaterThan(Stance.STEADY.score(WILD, null));
        assertThat(Stance.LIMIT_FIRST.score(SURE, null)).isGreaterThan(Stance.LIMIT_FIRST.score(WILD, null));
        assertThat(Stance.BIG_FISH.score(WILD, null)).isGreaterThan(Stance.BIG_FISH.score(SURE, null));
        assertThat(Stance.TARGET.score(WILD, 5000.0)).isGreaterThan(Stance.TARGET.score(SURE, 5000.0));
        assertThat(Stance.TARGET.score(SURE, 2500.0)).isGreaterThan(Stance.TARGET.score(WILD, 2500.0));
        assertThat(Stance.TARGET.score(WILD, null)).as("no target").isEqualTo(Stance.STEADY.score(WILD, null));
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
