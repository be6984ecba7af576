package lochan.core.model.scenario;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Species;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.size.SizeModel;
import org.apache.commons.statistics.distribution.BetaDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ScenarioSetTest {

    private static final int COUNT = 20_000;
    private static final FittedDayModel MODEL = new FittedDayModel(Sample.practiced(5, 2), 1, Assumptions.DEFAULTS);
    private static final Cell GRASS = new Cell("grass-1", "swim-jig");

    private static double[] rates(ScenarioSet set, Cell cell, int bin) {
        CellScenarios scenarios = set.cell(cell);
        return IntStream.range(0, set.count())
                .mapToDouble(j -> scenarios.bitesPerHour(j, bin))
                .toArray();
    }

    private static double mean(double[] x) {
        return java.util.Arrays.stream(x).average().orElseThrow();
    }

    private static double correlation(double[] x, double[] y) {
        double mx = mean(x);
        double my = mean(y);
        double xy = IntStream.range(0, x.length)
                .mapToDouble(i -> (x[i] - mx) * (y[i] - my))
                .sum();
        double xx = java.util.Arrays.stream(x).map(v -> (v - mx) * (v - mx)).sum();
        double yy = java.util.Arrays.stream(y).map(v -> (v - my) * (v - my)).sum();
        return xy / Math.sqrt(xx * yy);
    }

    @Test
    void scenariosKeepTheMeansTheyAreDrawnFrom() {
        ScenarioSet set = new ScenarioSet(MODEL, COUNT, 3);
        GammaRate rate = MODEL.rates(4).rate(GRASS, MODEL.pattern(GRASS));
        double crowded = 1 - 0.2 * (1 - 0.8);

        assertThat(mean(rates(set, GRASS, 4)))
                .as("E[D] = 1")
                .isCloseTo(rate.mean() * crowded, within(0.02 * rate.mean()));
        assertThat(IntStream.range(0, COUNT)
                        .mapToDouble(set.cell(GRASS)::landing)
                        .average()
                        .orElseThrow())
                .isCloseTo(MODEL.landing("swim-jig").mean(), within(0.001));
        SizeModel.Predictive size = MODEL.sizes().predictive(Species.LARGEMOUTH, MODEL.pattern(GRASS), "grass-1");
        assertThat(IntStream.range(0, COUNT)
                        .mapToDouble(j -> set.cell(GRASS).meanLnGrams(j, 0))
                        .average()
                        .orElseThrow())
                .isCloseTo(size.mean(), within(0.005));
    }

    @Test
    void patternsFailTogether() {
        ScenarioSet set = new ScenarioSet(MODEL, COUNT, 3);
        double[] here = logs(rates(set, GRASS, 4));
        double samePattern = correlation(here, logs(rates(set, new Cell("grass-2", "swim-jig"), 4)));
        double sameZone = correlation(here, logs(rates(set, new Cell("grass-1", "walker"), 4)));
        double otherZone = correlation(here, logs(rates(set, new Cell("ledge-1", "swim-jig"), 4)));

        assertThat(samePattern).isGreaterThan(sameZone + 0.02);
        assertThat(otherZone).isPositive().isLessThan(samePattern);
    }

    private static double[] logs(double[] x) {
        return java.util.Arrays.stream(x).map(v -> Math.log(Math.max(v, 1e-12))).toArray();
    }

    @Test
    void theSameSeedGivesTheSameScenariosWhateverElseIsDrawn() {
        ScenarioSet first = new ScenarioSet(MODEL, 100, 3);
        ScenarioSet second = new ScenarioSet(MODEL, 100, 3);
        first.cell(new Cell("ledge-1", "swim-jig"));

        assertThat(rates(first, GRASS, 2)).isEqualTo(rates(second, GRASS, 2));
        assertThat(rates(new ScenarioSet(MODEL, 100, 4), GRASS, 2)).isNotEqualTo(rates(second, GRASS, 2));
    }

    @Test
    void aRateIsTheSameQuantileInEveryBin() {
        ScenarioSet set = new ScenarioSet(MODEL, 200, 3);
        double[] early = rates(set, GRASS, 1);
        double[] late = rates(set, GRASS, 10);

        assertThat(correlation(early, late)).isGreaterThan(0.98);
    }

    @Test
    void bitesDeplete() {
        CellScenarios cell = new ScenarioSet(MODEL, 1, 1).cell(GRASS);
        double decay = -Math.log(0.93);

        assertThat(cell.bites(0)).isZero();
        assertThat(cell.bites(4)).isCloseTo(Math.log(1 + 4 * decay) / decay, within(1e-12));
        assertThat(cell.bites(8) - cell.bites(4)).isLessThan(cell.bites(4));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.7, 1.3, 3, 12, 80})
    void tabulatedQuantilesAreTheExactOnes(double shape) {
        GammaRate rate = new GammaRate(shape, 2);
        LandingChance chance = new LandingChance(shape + 1, 3);
        NormalDistribution standard = NormalDistribution.of(0, 1);
        for (double p : new double[] {0.02, 0.1, 0.5, 0.9, 0.98}) {
            double z = standard.inverseCumulativeProbability(p);
            assertThat(QuantileCurve.of(rate).at(z)).isCloseTo(rate.quantile(p), within(0.002 * rate.quantile(p)));
            double exact = BetaDistribution.of(chance.alpha(), chance.beta()).inverseCumulativeProbability(p);
            assertThat(QuantileCurve.of(chance).at(z)).isCloseTo(exact, within(0.001));
        }
    }

    @Test
    void refusesToDrawNothing() {
        assertThatThrownBy(() -> new ScenarioSet(MODEL, 0, 1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("scenarios is 0");
    }
}
