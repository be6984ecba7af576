package lochan.core.model.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Zone;
import lochan.core.model.rate.Pattern;
import lochan.core.practice.Bite;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SizesTest {

    private static final Assumptions.Size A = Assumptions.DEFAULTS.size();
    private static final Pattern ON_HUMP = new Pattern("hump", "swim-jig");
    private static final double EXACT = 1e-9;

    private static EventData with(List<SpeciesRule> species, Bite... bites) {
        return Sample.event(
                Sample.tournament(5, species),
                List.of(Sample.spot("s", "hump", Zone.DEEP, 1), Sample.spot("t", "hump", Zone.DEEP, 2)),
                List.of(Sample.stop("p", "s", "06-03T08:00", "06-03T09:00", List.of("swim-jig"), bites)));
    }

    private static SizeModel model(EventData event) {
        return SizeModel.fit(event, new SpeciesMix(event, A), Assumptions.DEFAULTS);
    }

    private static Bite landed(FishSize size) {
        return Sample.bite(null, Outcome.LANDED, size);
    }

    @Test
    void withoutSizesTheMeanIsThePrior() {
        SizeModel.Predictive p =
                model(with(List.of(Sample.LARGEMOUTH), landed(null))).predictive(Species.LARGEMOUTH, ON_HUMP, "s");

        assertThat(p.mean()).isCloseTo(Math.log(800), within(EXACT));
        assertThat(p.newFishSd())
                .isCloseTo(Math.sqrt(0.45 * 0.45 + 0.2 * 0.2 + 0.25 * 0.25 + 0.42 * 0.42), within(EXACT));
    }

    /** One fish on the scale: the sum of the effects is one normal, updated by one observation. */
    @Test
    void oneWeightMovesTheMeanByItsShareOfTheVariance() {
        double prior = 0.45 * 0.45 + 0.2 * 0.2 + 0.25 * 0.25;
        double gain = prior / (prior + 0.42 * 0.42);
        SizeModel.Predictive p = model(with(List.of(Sample.LARGEMOUTH), landed(FishSize.scale(2000))))
                .predictive(Species.LARGEMOUTH, ON_HUMP, "s");

        assertThat(p.mean()).isCloseTo(Math.log(800) + gain * Math.log(2000 / 800.0), within(EXACT));
        assertThat(p.meanSd()).isCloseTo(Math.sqrt(prior * (1 - gain)), within(EXACT));
    }

    @Test
    void aFishHereTellsMoreOfThisSpotThanOfTheNext() {
        SizeModel model =
                model(with(List.of(Sample.LARGEMOUTH), landed(FishSize.scale(2500)), landed(FishSize.scale(2400))));

        double here = model.predictive(Species.LARGEMOUTH, ON_HUMP, "s").mean();
        double next = model.predictive(Species.LARGEMOUTH, ON_HUMP, "t").mean();
        double elsewhere = model.predictive(Species.LARGEMOUTH, new Pattern("bluff", "walker"), "t")
                .mean();
        assertThat(here).isGreaterThan(next);
        assertThat(next).isGreaterThan(elsewhere);
        assertThat(elsewhere).isGreaterThan(Math.log(800));
    }

    @Test
    void pairsOfGuessAndScaleTeachTheBias() {
        FishSize tooHigh = new FishSize(FishSize.How.SCALE, 1000.0, null, null, null, 1300.0, null);
        Bite[] pairs = IntStream.range(0, 40).mapToObj(i -> landed(tooHigh)).toArray(Bite[]::new);

        SizeModel.Predictive bias =
                model(with(List.of(Sample.LARGEMOUTH), pairs)).guessBias();

        assertThat(bias.mean()).isCloseTo(Math.log(1.3), within(0.02));
        assertThat(bias.meanSd()).isLessThan(0.03);
    }

    @Test
    void drawsHaveTheMeanAndSpreadTheyAreDrawnFrom() {
        SizeModel model = model(with(
                List.of(Sample.LARGEMOUTH, Sample.SPOTTED),
                landed(FishSize.scale(1500)),
                landed(FishSize.guess(1800)),
                landed(FishSize.range(900, 1400)),
                landed(FishSize.length(380))));
        SizeModel.Predictive expected = model.predictive(Species.LARGEMOUTH, ON_HUMP, "s");
        int[] effects = model.effects(Species.LARGEMOUTH, ON_HUMP, "s");
        Random random = new Random(5);
        int n = 40_000;
        double[] means = IntStream.range(0, n)
                .mapToDouble(i -> SizeModel.meanOf(model.draw(normals(random, model.unknowns())), effects))
                .toArray();
        double mean = java.util.Arrays.stream(means).average().orElseThrow();
        double sd = Math.sqrt(
                java.util.Arrays.stream(means).map(x -> (x - mean) * (x - mean)).sum() / n);

        assertThat(mean).isCloseTo(expected.mean(), within(5 * expected.meanSd() / Math.sqrt(n)));
        assertThat(sd).isCloseTo(expected.meanSd(), within(0.02 * expected.meanSd()));
    }

    private static double[] normals(Random random, int count) {
        return random.doubles(count).map(u -> random.nextGaussian()).toArray();
    }

    @Test
    void theMixIsPulledTowardsTheLakes() {
        SpeciesMix mix =
                new SpeciesMix(with(List.of(Sample.LARGEMOUTH, Sample.SPOTTED), landed(null), landed(null)), A);

        assertThat(mix.of(ON_HUMP)[0]).isCloseTo((4 * 0.75 + 2) / 6, within(EXACT));
        assertThat(mix.of(new Pattern("bluff", "walker"))[0]).isCloseTo(0.75, within(EXACT));
        assertThat(mix.mostCommon()).isEqualTo(Species.LARGEMOUTH);
    }

    static IntStream seeds() {
        return IntStream.range(0, 5);
    }

    /** Keepers against fish drawn one by one. */
    @ParameterizedTest
    @MethodSource("seeds")
    void keepersWeighWhatDrawnLegalFishDo(int seed) {
        EventData event = Sample.practiced(5, seed);
        SpeciesMix mix = new SpeciesMix(event, A);
        SizeModel sizes = model(event);
        Pattern pattern = new Pattern("grass-edge", "swim-jig");
        KeeperWeight keepers = KeeperWeight.of(event, sizes, mix, pattern, "grass-1", A);
        Random random = new Random(seed);
        int n = 100_000;
        double[] legal = IntStream.range(0, n)
                .mapToDouble(i -> {
                    SpeciesRule rule = event.rules().species().get(random.nextDouble() < mix.of(pattern)[0] ? 0 : 1);
                    SizeModel.Predictive p = sizes.predictive(rule.species(), pattern, "grass-1");
                    double ln = p.mean() + p.newFishSd() * random.nextGaussian();
                    double lnLengthMm = (ln - Math.log(0.93) - rule.species().intercept() * Math.log(10))
                            / rule.species().slope();
                    return lnLengthMm + 0.04 * random.nextGaussian() >= Math.log(rule.minLengthMm())
                            ? Math.exp(ln)
                            : Double.NaN;
                })
                .filter(g -> !Double.isNaN(g))
                .sorted()
                .toArray();

        assertThat(keepers.legalShare()).isCloseTo(legal.length / (double) n, within(0.006));
        assertThat(keepers.meanGrams())
                .isCloseTo(java.util.Arrays.stream(legal).average().orElseThrow(), within(0.012 * keepers.meanGrams()));
        assertThat(keepers.p10Grams()).isCloseTo(legal[legal.length / 10], within(0.02 * keepers.p10Grams()));
        assertThat(keepers.p90Grams()).isCloseTo(legal[legal.length * 9 / 10], within(0.02 * keepers.p90Grams()));
    }

    @Test
    void everyFishIsLegalWithoutAMinimum() {
        EventData event = with(List.of(new SpeciesRule(Species.LARGEMOUTH, null, null)), landed(FishSize.scale(1000)));
        KeeperWeight keepers = KeeperWeight.of(event, model(event), new SpeciesMix(event, A), ON_HUMP, "s", A);

        assertThat(keepers.legalShare()).isEqualTo(1);
    }

    /** The table against the integral it stands for, by Simpson's rule. */
    @Test
    void survivalIsReadWithAnErrorBelowOneInTenThousand() {
        Survival survival = new Survival(List.of(Sample.LARGEMOUTH), A);
        LegalShare legal = LegalShare.of(Sample.LARGEMOUTH, A);
        for (double mean = 5.013; mean < 8.5; mean += 0.171) {
            double[] sum = new double[Survival.weights()];
            survival.addTo(sum, 1, 0, mean);
            for (int i = 0; i < sum.length; i += 7) {
                assertThat(sum[i]).isCloseTo(above(Survival.lnGrams(i), mean, legal), within(1e-4));
            }
        }
    }

    private static double above(double from, double mean, LegalShare legal) {
        int steps = 2000;
        double h = Math.max(0, mean + 8 * A.fishSd() - from) / steps;
        double sum = 0;
        for (int i = 0; i <= steps; i++) {
            double z = (from + i * h - mean) / A.fishSd();
            double f = Math.exp(-z * z / 2) / (A.fishSd() * Math.sqrt(2 * Math.PI)) * legal.given(from + i * h);
            sum += f * (i == 0 || i == steps ? 1 : i % 2 == 1 ? 4 : 2);
        }
        return sum * h / 3;
    }
}
