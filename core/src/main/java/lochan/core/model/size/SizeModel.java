package lochan.core.model.size;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Lookup;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Pattern;

/**
 * Sizes as one linear Gaussian mixed model of y = ln grams ({@code model.md} §4):
 * <pre>y = μ_species + δ_pattern + ε_spot (+ bias, if guessed) + noise</pre>
 * The unknowns are ordered species, patterns, spots, bias.
 */
public final class SizeModel {

    private final Assumptions.Size assumptions;
    private final Map<Object, Integer> index;
    private final double[] mean;
    private final double[][] covariance;
    /** Upper triangular U with UᵀU the precision: solving U x = z turns independent normals z into a joint draw of the effects. */
    private final double[][] precisionRoot;

    SizeModel(
            Assumptions.Size assumptions,
            Map<Object, Integer> index,
            double[] mean,
            double[][] covariance,
            double[][] precisionRoot) {
        this.assumptions = assumptions;
        this.index = index;
        this.mean = mean;
        this.covariance = covariance;
        this.precisionRoot = precisionRoot;
    }

    /** Fits the sizes of an event's practice; patterns without a size keep their prior. */
    public static SizeModel fit(EventData event, SpeciesMix mix, Assumptions assumptions) {
        return SizeFit.of(event, mix, assumptions.size());
    }

    /**
     * The fitted figures; everything else follows from them.
     *
     * @param patterns that have an effect of their own, in the order of their unknowns
     * @param mean     of the unknowns, {@link SizeModel#unknowns()} of them
     * @param root     the rows of U from the diagonal on, one after the other
     */
    public record Numbers(List<Pattern> patterns, double[] mean, double[] root) {

        public Numbers {
            patterns = List.copyOf(patterns);
        }
    }

    /** The numbers that {@link #of} makes this model of again. */
    public Numbers numbers() {
        int n = mean.length;
        double[] root = new double[n * (n + 1) / 2];
        int at = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i; j < n; j++) {
                root[at++] = precisionRoot[i][j];
            }
        }
        return new Numbers(
                index.keySet().stream()
                        .filter(Pattern.class::isInstance)
                        .map(Pattern.class::cast)
                        .toList(),
                mean.clone(),
                root);
    }

    /** The model that has these numbers, of an event with the same species and spots. */
    public static SizeModel of(EventData event, Numbers numbers, Assumptions.Size assumptions) {
        List<Object> unknowns = new ArrayList<>();
        event.rules().species().stream().map(SpeciesRule::species).forEach(unknowns::add);
        unknowns.addAll(numbers.patterns());
        event.spots().stream().map(Spot::id).forEach(unknowns::add);
        unknowns.add(Bias.GUESS);
        Map<Object, Integer> index = new LinkedHashMap<>();
        unknowns.forEach(u -> index.putIfAbsent(u, index.size()));
        int n = numbers.mean().length;
        double[][] root = new double[n][n];
        int at = 0;
        for (int i = 0; i < n; i++) {
            for (int j = i; j < n; j++) {
                root[i][j] = numbers.root()[at++];
            }
        }
        return new SizeModel(assumptions, index, numbers.mean(), covariance(root), root);
    }

    /** (UᵀU)⁻¹ = U⁻¹U⁻ᵀ. */
    private static double[][] covariance(double[][] root) {
        int n = root.length;
        double[][] inverse = new double[n][n];
        for (int column = 0; column < n; column++) {
            for (int i = column; i >= 0; i--) {
                double rest = i == column ? 1 : 0;
                for (int j = i + 1; j <= column; j++) {
                    rest -= root[i][j] * inverse[j][column];
                }
                inverse[i][column] = rest / root[i][i];
            }
        }
        double[][] covariance = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = i; j < n; j++) {
                double sum = 0;
                for (int k = j; k < n; k++) {
                    sum += inverse[i][k] * inverse[j][k];
                }
                covariance[i][j] = sum;
                covariance[j][i] = sum;
            }
        }
        return covariance;
    }

    /** Returns the distribution of ln grams of the mean fish, and of one new fish. */
    public Predictive predictive(Species species, Pattern pattern, String spotId) {
        int[] at = effects(species, pattern, spotId);
        double sum = 0;
        double variance = 0;
        for (int i : at) {
            sum += mean[i];
            for (int j : at) {
                variance += covariance[i][j];
            }
        }
        if (!index.containsKey(pattern)) {
            variance += assumptions.patternSd() * assumptions.patternSd();
        }
        return new Predictive(
                sum, Math.sqrt(variance), Math.sqrt(variance + assumptions.fishSd() * assumptions.fishSd()));
    }

    /** How far the angler's guesses run over the scale, ln, with its uncertainty. */
    public Predictive guessBias() {
        int i = Lookup.of(index, Bias.GUESS);
        double sd = Math.sqrt(covariance[i][i]);
        return new Predictive(mean[i], sd, sd);
    }

    /** Number of unknowns, and so of normals that a draw takes. */
    public int unknowns() {
        return mean.length;
    }

    /**
     * A joint draw of all effects.
     *
     * @param normals independent standard normals, {@link #unknowns()} of them
     * @return the effects, to be summed by {@link #meanOf}
     */
    public double[] draw(double[] normals) {
        int n = mean.length;
        double[] x = new double[n];
        for (int i = n - 1; i >= 0; i--) {
            double[] row = precisionRoot[i];
            double rest = normals[i];
            for (int j = i + 1; j < n; j++) {
                rest -= row[j] * x[j];
            }
            x[i] = rest / row[i];
        }
        for (int i = 0; i < n; i++) {
            x[i] += mean[i];
        }
        return x;
    }

    /** Positions of the effects that make the mean fish of a species at a spot on a pattern. */
    public int[] effects(Species species, Pattern pattern, String spotId) {
        List<Integer> at = new ArrayList<>(List.of(Lookup.of(index, species), Lookup.of(index, spotId)));
        Integer ofPattern = index.get(pattern);
        if (ofPattern != null) {
            at.add(ofPattern);
        }
        return at.stream().mapToInt(Integer::intValue).toArray();
    }

    /** Covariance of two effects, numbered as {@link #effects} has them. */
    public double covariance(int i, int j) {
        return covariance[i][j];
    }

    /** Mean ln grams in one draw. */
    public static double meanOf(double[] draw, int[] effects) {
        double sum = 0;
        for (int i : effects) {
            sum += draw[i];
        }
        return sum;
    }

    enum Bias {
        GUESS
    }

    /**
     * A normal of ln grams.
     *
     * @param mean       its mean
     * @param meanSd     how well that mean is known
     * @param newFishSd  spread of one new fish
     */
    public record Predictive(double mean, double meanSd, double newFishSd) {}
}
