package lochan.core.model.splits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.GammaRate;
import org.junit.jupiter.api.Test;

class SplitsTest {

    private static final Assumptions.Splits A = Assumptions.DEFAULTS.splits();

    private static List<Piece> pieces(Question q, double b1, double e1, double b2, double e2) {
        return List.of(new Piece(q, "a", 6, b1, e1), new Piece(q, "b", 6, b2, e2));
    }

    private static List<Piece> worked() {
        List<Piece> pieces = new ArrayList<>();
        pieces.addAll(pieces(Question.BANK, 24, 12, 6, 12));
        pieces.addAll(pieces(Question.LIGHT, 9, 9, 10, 9.5));
        pieces.addAll(pieces(Question.BAIT, 5, 8, 12, 9));
        return pieces;
    }

    private static Split of(List<Split> splits, Question q) {
        return splits.stream().filter(s -> s.question() == q).findFirst().orElseThrow();
    }

    /** Three splits at φ = 1.4; computed outside the program in plain Python on a grid of 300 values of τ and 4000 of δ. */
    @Test
    void threeWorkedSplitsShrinkTogether() {
        List<Split> splits = Splits.of(worked(), 1.4, A);
        double[][] expected = {
            {0.46184, 0.0019, 1.0219, 0.90338},
            {-0.01564, -0.3769, 0.3394, 0.48097},
            {-0.19861, -0.6544, 0.1481, 0.28331}
        };
        Question[] questions = {Question.BANK, Question.LIGHT, Question.BAIT};
        for (int i = 0; i < questions.length; i++) {
            Split s = of(splits, questions[i]);
            assertThat(s.ln()).isCloseTo(expected[i][0], within(3e-3));
            assertThat(s.low()).isCloseTo(expected[i][1], within(0.01));
            assertThat(s.high()).isCloseTo(expected[i][2], within(0.01));
            assertThat(s.better()).isCloseTo(expected[i][3], within(3e-3));
        }
        assertThat(splits.getFirst().question()).isEqualTo(Question.BANK);
    }

    /** One question among many that make no difference is believed less than alone. */
    @Test
    void lookingAtManyIsNoWayToFindSomething() {
        List<Piece> alone = pieces(Question.BANK, 24, 10, 6, 10);
        List<Piece> many = new ArrayList<>(alone);
        for (Question q : Question.values()) {
            if (q != Question.BANK) {
                many.addAll(pieces(q, 30, 30, 30, 30));
            }
        }
        double one = of(Splits.of(alone, 1, A), Question.BANK).better();
        double lost = of(Splits.of(many, 1, A), Question.BANK).better();
        assertThat(one).isGreaterThan(0.85);
        assertThat(lost).isBetween(0.5, one - 0.02);
    }

    @Test
    void clumpedBitesAreBelievedLessAndMorePracticeMore() {
        List<Piece> few = pieces(Question.BANK, 16, 10, 6, 10);
        List<Piece> more = pieces(Question.BANK, 160, 100, 60, 100);
        assertThat(Splits.of(few, 3, A).getFirst().better())
                .isLessThan(Splits.of(few, 1, A).getFirst().better());
        Split sure = Splits.of(more, 1, A).getFirst();
        assertThat(sure.better()).isGreaterThan(0.99);
        assertThat(sure.hoursToKnow()).isZero();
        assertThat(Splits.of(few, 2, A).getFirst().hoursToKnow()).isPositive();
        assertThat(Splits.of(pieces(Question.BANK, 10, 10, 10, 10), 1, A)
                        .getFirst()
                        .hoursToKnow())
                .isNaN();
    }

    /** On average over what was expected, a finer pattern leaves the rate unchanged. */
    @Test
    void itsFactorsAverageToOne() {
        Split s = Splits.of(pieces(Question.BANK, 30, 10, 8, 20), 1, A).getFirst();
        assertThat(Math.log(s.factor()) * s.here().expected()
                        + Math.log(s.elsewhere()) * s.there().expected())
                .isCloseTo(0, within(1e-9));
        assertThat(Math.log(s.factor() / s.elsewhere())).isCloseTo(s.ln(), within(1e-9));
    }

    @Test
    void asideWithHardlyAnyHoursIsNoSide() {
        assertThat(Splits.of(
                        List.of(
                                new Piece(Question.BANK, "blown", 0.3, 4, 0.3),
                                new Piece(Question.BANK, "sheltered", 9, 9, 9)),
                        1,
                        A))
                .isEmpty();
    }

    @Test
    void threeAnswersAreEachSetAgainstTheRest() {
        List<Split> splits = Splits.of(
                List.of(
                        new Piece(Question.DEPTH, "deep", 5, 9, 5),
                        new Piece(Question.DEPTH, "mid", 5, 5, 5),
                        new Piece(Question.DEPTH, "shallow", 5, 2, 5)),
                1,
                A);
        assertThat(splits).hasSize(3).extracting(Split::answer).containsExactlyInAnyOrder("deep", "mid", "shallow");
        assertThat(of(splits, Question.DEPTH).others()).contains(", ");
    }

    /** Logs drawn from the model: of eight splits each, the 80 % intervals hold the true ratio four times in five. */
    @Test
    void intervalsHoldWhatTheySay() {
        Random random = new Random(5);
        int held = 0;
        int all = 0;
        for (int season = 0; season < 200; season++) {
            double tau = Math.abs(0.3 * random.nextGaussian());
            List<Piece> pieces = new ArrayList<>();
            double[] truth = new double[8];
            for (int k = 0; k < truth.length; k++) {
                truth[k] = tau * random.nextGaussian();
                double e1 = 4 + 12 * random.nextDouble();
                double e2 = 4 + 12 * random.nextDouble();
                pieces.addAll(pieces(
                        Question.values()[k],
                        poisson(e1 * Math.exp(truth[k] / 2), random),
                        e1,
                        poisson(e2 * Math.exp(-truth[k] / 2), random),
                        e2));
            }
            for (Split s : Splits.of(pieces, 1, A)) {
                all++;
                double ln = truth[s.question().ordinal()];
                held += ln >= s.low() && ln <= s.high() ? 1 : 0;
            }
        }
        assertThat(all).isEqualTo(1600);
        assertThat((double) held / all).isBetween(0.76, 0.84);
    }

    /** Bites that come in twos and threes: rates' 80 % intervals hold when they are widened, and too seldom when not. */
    @Test
    void widenedIntervalsOfRatesHoldWhereBitesComeInClumps() {
        Random random = new Random(9);
        Assumptions.BiteRate a = Assumptions.DEFAULTS.biteRate();
        int cells = 4000;
        int widened = 0;
        int plain = 0;
        double phi = 2.5;
        for (int i = 0; i < cells; i++) {
            double rate = gamma(a.spotShape(), random) / a.spotShape() * 1.2;
            double hours = 4;
            double clumps = poisson(rate * hours / 2, random);
            double bites = IntStream.range(0, (int) clumps)
                    .mapToDouble(x -> 1 + poisson(1, random))
                    .sum();
            GammaRate known = BiteRates.rate(new BiteRates.Evidence(hours, bites), 1.2, a);
            GammaRate wide = BiteRates.rate(new BiteRates.Evidence(hours / phi, bites / phi), 1.2, a);
            plain += rate >= known.quantile(0.1) && rate <= known.quantile(0.9) ? 1 : 0;
            widened += rate >= wide.quantile(0.1) && rate <= wide.quantile(0.9) ? 1 : 0;
        }
        assertThat((double) widened / cells).isBetween(0.76, 0.84);
        assertThat((double) plain / cells).isLessThan(0.76);
    }

    private static double poisson(double mean, Random random) {
        double limit = Math.exp(-mean);
        int n = 0;
        for (double p = random.nextDouble(); p > limit; p *= random.nextDouble()) {
            n++;
        }
        return n;
    }

    /** Marsaglia and Tsang 2000, with the boost for shapes below 1. */
    private static double gamma(double shape, Random random) {
        if (shape < 1) {
            return gamma(shape + 1, random) * Math.pow(random.nextDouble(), 1 / shape);
        }
        double d = shape - 1.0 / 3;
        while (true) {
            double x = random.nextGaussian();
            double v = Math.pow(1 + x / Math.sqrt(9 * d), 3);
            if (v > 0 && Math.log(random.nextDouble()) < 0.5 * x * x + d - d * v + d * Math.log(v)) {
                return d * v;
            }
        }
    }
}
