package lochan.core.model.splits;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * All splits of practice looked at together. With b bites where E were expected on each side, and δ the ln ratio of the sides' rates, b₁ of b₁ + b₂ is
 * binomial, tempered by the {@link Dispersion} φ:
 * <pre>L(δ) = [p^b₁·(1 − p)^b₂]^(1/φ),   p = E₁·e^δ/(E₁·e^δ + E₂)</pre>
 * Most questions make no difference, so the true δ are taken as N(0, τ²) with a half-normal τ of sd 0.3, which all splits set together (a hierarchical
 * model, so that looking at many questions is no way to find something; Gelman, Hill and Yajima 2012):
 * <pre>P(τ) ∝ exp(−τ²/(2·0.3²))·Π_k ∫ L_k(δ)·N(δ; 0, τ²) dδ</pre>
 * integrated on a grid of τ and of z = δ/τ.
 */
public final class Splits {

    private static final NormalDistribution STANDARD = NormalDistribution.of(0, 1);
    private static final double TAU_STEP = 0.03;
    private static final int TAU_STEPS = 50;
    private static final double Z_STEP = 0.1;
    private static final int Z_STEPS = 50;
    private static final double LN_STEP = 0.02;
    private static final int LN_STEPS = 200;
    private static final double[] DENSITY = new double[2 * Z_STEPS + 1];

    static {
        Arrays.setAll(DENSITY, i -> Z_STEP * STANDARD.density((i - Z_STEPS) * Z_STEP));
    }

    private Splits() {}

    private record Contrast(Question question, String answer, String others, Split.Side here, Split.Side there) {

        /** ln L(δ). */
        double logLikelihood(double delta, double phi) {
            double odds = here.expected() * Math.exp(delta) / there.expected();
            return (here.bites() * Math.log(odds) - (here.bites() + there.bites()) * Math.log1p(odds)) / phi;
        }

        /** ln L about where it is highest. */
        double highest(double phi) {
            return logLikelihood(
                    Math.log((here.bites() + 0.5) / here.expected() * there.expected() / (there.bites() + 0.5)), phi);
        }

        /** About the variance of δ as seen. */
        double variance(double phi) {
            return phi * (1 / (here.bites() + 0.5) + 1 / (there.bites() + 0.5));
        }
    }

    /**
     * The belief in a split at each τ.
     *
     * @param log   ln of the marginal likelihood
     * @param mean  of δ
     * @param above chance that δ is above 0
     */
    private record AtTau(double[] log, double[] mean, double[] above) {

        static AtTau of(Contrast s, double phi) {
            AtTau at = new AtTau(new double[TAU_STEPS], new double[TAU_STEPS], new double[TAU_STEPS]);
            double top = s.highest(phi);
            for (int t = 0; t < TAU_STEPS; t++) {
                double all = 0;
                for (int i = 0; i < DENSITY.length; i++) {
                    double delta = tau(t) * (i - Z_STEPS) * Z_STEP;
                    double w = DENSITY[i] * Math.exp(s.logLikelihood(delta, phi) - top);
                    all += w;
                    at.mean[t] += w * delta;
                    at.above[t] += i > Z_STEPS ? w : i == Z_STEPS ? w / 2 : 0;
                }
                at.log[t] = Math.log(all);
                at.mean[t] /= all;
                at.above[t] /= all;
            }
            return at;
        }
    }

    /**
     * Every split with enough on both sides, the surest first. A question with two answers is parted once, by the first in the order of words.
     *
     * @param phi how much bites come in clumps, 1 or more
     */
    public static List<Split> of(List<Piece> pieces, double phi, Assumptions.Splits a) {
        List<Contrast> seen = seen(pieces, a);
        List<AtTau> believed = seen.stream().map(s -> AtTau.of(s, phi)).toList();
        double[] weights = weights(believed, a);
        return IntStream.range(0, seen.size())
                .mapToObj(k -> split(seen.get(k), believed.get(k), phi, weights, a))
                .sorted(Comparator.comparingDouble((Split s) -> -Math.abs(s.better() - 0.5)))
                .toList();
    }

    private static List<Contrast> seen(List<Piece> pieces, Assumptions.Splits a) {
        List<Contrast> seen = new ArrayList<>();
        Map<Question, List<Piece>> byQuestion =
                pieces.stream().collect(Collectors.groupingBy(Piece::question, TreeMap::new, Collectors.toList()));
        byQuestion.forEach((question, own) -> {
            Map<String, Split.Side> sides = new TreeMap<>();
            for (Piece p : own) {
                sides.merge(p.answer(), new Split.Side(0, 0, 0).plus(p), (x, y) -> x.plus(p));
            }
            List<String> answers = List.copyOf(sides.keySet());
            for (String answer : answers.size() == 2 ? answers.subList(0, 1) : answers) {
                Split.Side there = sides.entrySet().stream()
                        .filter(e -> !e.getKey().equals(answer))
                        .map(Map.Entry::getValue)
                        .reduce(new Split.Side(0, 0, 0), Splits::sum);
                Split.Side here = sides.get(answer);
                if (here != null && isEnough(here, a) && isEnough(there, a)) {
                    String others =
                            answers.stream().filter(o -> !o.equals(answer)).collect(Collectors.joining(", "));
                    seen.add(new Contrast(question, answer, others, here, there));
                }
            }
        });
        return seen;
    }

    private static Split.Side sum(Split.Side a, Split.Side b) {
        return new Split.Side(a.hours() + b.hours(), a.bites() + b.bites(), a.expected() + b.expected());
    }

    private static boolean isEnough(Split.Side side, Assumptions.Splits a) {
        return side.hours() >= a.leastHours() && side.expected() > 0;
    }

    /** P(τ) on the grid. */
    private static double[] weights(List<AtTau> believed, Assumptions.Splits a) {
        double[] logs = new double[TAU_STEPS];
        for (int t = 0; t < TAU_STEPS; t++) {
            logs[t] = -tau(t) * tau(t) / (2 * a.tauSd() * a.tauSd());
            for (AtTau k : believed) {
                logs[t] += k.log[t];
            }
        }
        double most = Arrays.stream(logs).max().orElse(0);
        double[] weights = Arrays.stream(logs).map(l -> Math.exp(l - most)).toArray();
        double sum = Arrays.stream(weights).sum();
        return Arrays.stream(weights).map(w -> w / sum).toArray();
    }

    private static double tau(int i) {
        return (i + 0.5) * TAU_STEP;
    }

    private static Split split(Contrast s, AtTau at, double phi, double[] weights, Assumptions.Splits a) {
        double mean = over(weights, at.mean);
        double[] posterior = posterior(s, at, phi, weights);
        double better = over(weights, at.above);
        double spread = 0;
        for (int t = 0; t < TAU_STEPS; t++) {
            spread += weights[t] * tau(t) * tau(t);
        }
        return new Split(
                s.question,
                s.answer,
                s.others,
                s.here,
                s.there,
                mean,
                quantile(posterior, 0.1),
                quantile(posterior, 0.9),
                better,
                hoursToKnow(s, phi, mean, Math.max(better, 1 - better), spread, a));
    }

    /** Chance of each step of δ. */
    private static double[] posterior(Contrast s, AtTau at, double phi, double[] weights) {
        double[] chances = new double[2 * LN_STEPS + 1];
        double top = s.highest(phi);
        for (int t = 0; t < TAU_STEPS; t++) {
            double of = weights[t] / Math.exp(at.log[t]);
            for (int i = 0; of > 0 && i < DENSITY.length; i++) {
                double delta = tau(t) * (i - Z_STEPS) * Z_STEP;
                int step = (int) Math.round(Math.clamp(delta / LN_STEP, -LN_STEPS, LN_STEPS)) + LN_STEPS;
                chances[step] += of * DENSITY[i] * Math.exp(s.logLikelihood(delta, phi) - top);
            }
        }
        return chances;
    }

    private static double quantile(double[] chances, double p) {
        double below = 0;
        for (int i = 0; i < chances.length; i++) {
            if (below + chances[i] >= p) {
                return (i - 0.5 + (p - below) / chances[i] - LN_STEPS) * LN_STEP;
            }
            below += chances[i];
        }
        return LN_STEPS * LN_STEP;
    }

    private static double over(double[] weights, double[] of) {
        double sum = 0;
        for (int t = 0; t < TAU_STEPS; t++) {
            sum += weights[t] * of[t];
        }
        return sum;
    }

    /** Until 1/v has grown so much that the posterior sd is |mean|/z, at the rates that are believed. */
    private static double hoursToKnow(
            Contrast s, double phi, double mean, double chance, double spread, Assumptions.Splits a) {
        if (chance >= a.sure()) {
            return 0;
        }
        double sd = Math.abs(mean) / STANDARD.inverseCumulativeProbability(a.sure());
        double information = 1 / (sd * sd) - 1 / spread - 1 / s.variance(phi);
        double rate = (s.here.bites() + s.there.bites()) / (s.here.hours() + s.there.hours());
        double first = rate * Math.exp(mean / 2) / 2;
        double second = rate * Math.exp(-mean / 2) / 2;
        double hours = information * phi * (first + second) / (first * second);
        return hours > 0 && hours <= a.mostHours() ? hours : Double.NaN;
    }

    /** How a split is kept and asked for: its question and answer. */
    public static String key(Question question, String answer) {
        return question.code() + ":" + answer;
    }
}
