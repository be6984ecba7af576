package lochan.core.review;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class DayProjectionTest {

    private static final int DAYS = 4000;
    /** Of a share of 500 days, three standard errors. */
    private static final double SAMPLED = 0.07;

    private static double[] days(Random random, double mean, double sd) {
        return IntStream.range(0, DAYS)
                .mapToDouble(i -> Math.max(0, mean + sd * random.nextGaussian()))
                .toArray();
    }

    @Test
    void whereProjectionsAreRightDaysFallEvenlyInThemAndFourInFiveBetweenTheirOuterMarks() {
        Random random = new Random(1);
        double[] below = new double[500];
        int held = 0;
        for (int i = 0; i < below.length; i++) {
            double mean = 4000 + 3000 * random.nextDouble();
            DayProjection f =
                    DayProjection.of(days(random, mean, 1000), Math.max(0, mean + 1000 * random.nextGaussian()));
            below[i] = f.below();
            held += f.held() ? 1 : 0;
        }
        for (double p : new double[] {0.1, 0.25, 0.5, 0.75, 0.9}) {
            assertThat(IntStream.range(0, below.length)
                                    .filter(i -> below[i] <= p)
                                    .count()
                            / (double) below.length)
                    .isCloseTo(p, within(SAMPLED));
        }
        assertThat(held / (double) below.length).isCloseTo(0.8, within(SAMPLED));
    }

    @Test
    void theScoreOfANormalProjectionIsItsLogDensityOverTheEvenSpread() {
        double[] days = days(new Random(2), 5000, 800);
        for (double actual : new double[] {4200, 5000, 5600}) {
            double density = Math.exp(-0.5 * Math.pow((actual - 5000) / 800, 2)) / (800 * Math.sqrt(2 * Math.PI));
            assertThat(DayProjection.of(days, actual).logGain()).isCloseTo(Math.log(density * 10_000), within(0.08));
        }
    }

    @Test
    void aDayNobodyThoughtOfCostsMuchButNotEverything() {
        double[] days = days(new Random(3), 5000, 300);
        DayProjection odd = DayProjection.of(days, 12_000);
        assertThat(odd.logGain()).isCloseTo(Math.log(0.02), within(1e-9));
        assertThat(odd.below()).isEqualTo(1);
        assertThat(odd.held()).isFalse();
    }

    @Test
    void aProjectionOfNothingIsRightOnABlankDay() {
        DayProjection blank = DayProjection.of(new double[] {0, 0, 0, 0}, 0);
        assertThat(blank.below()).isEqualTo(0.5);
        assertThat(blank.held()).isTrue();
        assertThat(blank.logGain()).isFinite();
    }
}
