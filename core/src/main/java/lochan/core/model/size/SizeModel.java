package lochan.core.model.size;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lochan.core.Assumptions;
import lochan.core.Lookup;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Pattern;
import lochan.core.practice.Bite;
import lochan.core.practice.FishSize;
import lochan.core.practice.PracticeStop;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.CholeskyDecomposition_F64;

/**
 * Sizes as one linear Gaussian mixed model of y = ln grams ({@code model.md} §4), solved exactly through Henderson's mixed-model
 * equations (Henderson 1975) by Cholesky:
 * <pre>y = μ_species + δ_pattern + ε_spot (+ bias, if guessed) + noise</pre>
 * The unknowns are ordered species, patterns, spots, bias.
 */
public final class SizeModel {

    private final Assumptions.Size assumptions;
    private final Map<Object, Integer> index = new LinkedHashMap<>();
    private final double[] mean;
    private final DMatrixRMaj covariance;
    /** Upper triangular U with UᵀU the precision: solving U x = z turns independent normals z into a joint draw of the effects. */
    private final DMatrixRMaj precisionRoot;

    private SizeModel(EventData event, SpeciesMix mix, Set<Pattern> patterns, Assumptions.Size a) {
        this.assumptions = a;
        event.rules().species().stream().map(SpeciesRule::species).forEach(this::unknown);
        patterns.forEach(this::unknown);
        event.spots().stream().map(Spot::id).forEach(this::unknown);
        unknown(Bias.GUESS);
        int n = index.size();
        DMatrixRMaj precision = new DMatrixRMaj(n, n);
        DMatrixRMaj right = new DMatrixRMaj(n, 1);
        priors(precision, right);
        for (Observation observation : observations(event, mix, a)) {
            observation.addTo(precision, right);
        }
        CholeskyDecomposition_F64<DMatrixRMaj> cholesky = DecompositionFactory_DDRM.chol(n, false);
        if (!cholesky.decompose(precision.copy())) {
            throw new IllegalStateException("the size model's equations are not positive definite");
        }
        this.precisionRoot = cholesky.getT(null);
        this.covariance = new DMatrixRMaj(n, n);
        CommonOps_DDRM.invert(precision, covariance);
        DMatrixRMaj solution = new DMatrixRMaj(n, 1);
        CommonOps_DDRM.mult(covariance, right, solution);
        this.mean = solution.data.clone();
    }

    /** Fits the sizes of an event's practice; patterns without a size keep their prior. */
    public static SizeModel fit(EventData event, SpeciesMix mix, Assumptions assumptions) {
        Set<Pattern> patterns = new LinkedHashSet<>();
        for (PracticeStop stop : event.stops()) {
            String spotType = event.spot(stop.spotId()).orElseThrow().spotType();
            stop.presentations().forEach(p -> patterns.add(new Pattern(spotType, p.presentationId())));
            stop.bites().stream()
                    .map(stop::presentationOf)
                    .filter(java.util.Objects::nonNull)
                    .forEach(p -> patterns.add(new Pattern(spotType, p)));
        }
        return new SizeModel(event, mix, patterns, assumptions.size());
    }

    /** What is known of ln grams of the mean fish, and of one new fish. */
    public Predictive predictive(Species species, Pattern pattern, String spotId) {
        int[] at = effects(species, pattern, spotId);
        double sum = 0;
        double variance = 0;
        for (int i : at) {
            sum += mean[i];
            for (int j : at) {
                variance += covariance.get(i, j);
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
        double sd = Math.sqrt(covariance.get(i, i));
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
            double rest = normals[i];
            for (int j = i + 1; j < n; j++) {
                rest -= precisionRoot.get(i, j) * x[j];
            }
            x[i] = rest / precisionRoot.get(i, i);
        }
        for (int i = 0; i < n; i++) {
            x[i] += mean[i];
        }
        return x;
    }

    /** Positions of the effects that make the mean fish of a species at a spot on a pattern. */
    public int[] effects(Species species, Pattern pattern, String spotId) {
        List<Integer> at = new ArrayList<>(List.of(index.get(species), index.get(spotId)));
        Integer ofPattern = index.get(pattern);
        if (ofPattern != null) {
            at.add(ofPattern);
        }
        return at.stream().mapToInt(Integer::intValue).toArray();
    }

    /** Mean ln grams in one draw. */
    public static double meanOf(double[] draw, int[] effects) {
        double sum = 0;
        for (int i : effects) {
            sum += draw[i];
        }
        return sum;
    }

    private void unknown(Object key) {
        index.putIfAbsent(key, index.size());
    }

    private void priors(DMatrixRMaj precision, DMatrixRMaj right) {
        index.forEach((key, i) -> {
            double priorMean =
                    switch (key) {
                        case Species s -> assumptions.speciesMean();
                        case Bias b -> assumptions.biasMean();
                        default -> 0;
                    };
            double sd =
                    switch (key) {
                        case Species s -> assumptions.speciesSd();
                        case Pattern p -> assumptions.patternSd();
                        case Bias b -> assumptions.biasSd();
                        default -> assumptions.spotSd();
                    };
            precision.add(i, i, 1 / (sd * sd));
            right.add(i, 0, priorMean / (sd * sd));
        });
    }

    private List<Observation> observations(EventData event, SpeciesMix mix, Assumptions.Size a) {
        Species usual = mix.mostCommon();
        List<Observation> all = new ArrayList<>();
        for (PracticeStop stop : event.stops()) {
            String spotType = event.spot(stop.spotId()).orElseThrow().spotType();
            for (Bite bite : stop.bites()) {
                String presentation = stop.presentationOf(bite);
                if (bite.size() != null && presentation != null) {
                    Species species = bite.species() != null ? bite.species() : usual;
                    int[] at = effects(species, new Pattern(spotType, presentation), stop.spotId());
                    all.addAll(observations(bite.size(), species, at, a));
                }
            }
        }
        return all;
    }

    private List<Observation> observations(FishSize size, Species species, int[] at, Assumptions.Size a) {
        double fish = a.fishSd() * a.fishSd();
        return switch (size.how()) {
            case SCALE -> {
                Observation scale = new Observation(at, Math.log(requireNonNull(size.grams())), fish);
                yield size.guessGrams() == null
                        ? List.of(scale)
                        : List.of(
                                scale,
                                new Observation(
                                        biasOnly(),
                                        Math.log(size.guessGrams() / requireNonNull(size.grams())),
                                        a.pairSd() * a.pairSd()));
            }
            case GUESS ->
                List.of(new Observation(
                        withBias(at), Math.log(requireNonNull(size.grams())), fish + a.guessSd() * a.guessSd()));
            case RANGE -> {
                double width = Math.log(requireNonNull(size.hiGrams()) / requireNonNull(size.loGrams()));
                yield List.of(new Observation(
                        at, Math.log(requireNonNull(size.loGrams())) + width / 2, fish + width * width / 12));
            }
            case LENGTH ->
                List.of(new Observation(
                        at,
                        StandardWeight.lnGrams(species, requireNonNull(size.mm()), a),
                        fish + a.lengthSd() * a.lengthSd()));
        };
    }

    private int[] biasOnly() {
        return new int[] {Lookup.of(index, Bias.GUESS)};
    }

    private int[] withBias(int[] at) {
        int[] more = java.util.Arrays.copyOf(at, at.length + 1);
        more[at.length] = Lookup.of(index, Bias.GUESS);
        return more;
    }

    private enum Bias {
        GUESS
    }

    /** A sum of unknowns seen with noise of a variance. */
    private record Observation(int[] at, double value, double variance) {

        void addTo(DMatrixRMaj precision, DMatrixRMaj right) {
            for (int i : at) {
                right.add(i, 0, value / variance);
                for (int j : at) {
                    precision.add(i, j, 1 / variance);
                }
            }
        }
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
