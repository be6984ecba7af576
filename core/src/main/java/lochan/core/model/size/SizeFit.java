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

/** Fits the sizes of an event's practice: Henderson's mixed-model equations (Henderson 1975), solved exactly by Cholesky. */
final class SizeFit {

    private final Assumptions.Size assumptions;
    private final Map<Object, Integer> index = new LinkedHashMap<>();

    private SizeFit(Assumptions.Size assumptions) {
        this.assumptions = assumptions;
    }

    /** Patterns without a size keep their prior. */
    static SizeModel of(EventData event, SpeciesMix mix, Assumptions.Size assumptions) {
        return new SizeFit(assumptions).fitted(event, mix);
    }

    private SizeModel fitted(EventData event, SpeciesMix mix) {
        event.rules().species().stream().map(SpeciesRule::species).forEach(this::unknown);
        patterns(event).forEach(this::unknown);
        event.spots().stream().map(Spot::id).forEach(this::unknown);
        unknown(SizeModel.Bias.GUESS);
        int n = index.size();
        DMatrixRMaj precision = new DMatrixRMaj(n, n);
        DMatrixRMaj right = new DMatrixRMaj(n, 1);
        priors(precision, right);
        for (Observation observation : observations(event, mix)) {
            observation.addTo(precision, right);
        }
        CholeskyDecomposition_F64<DMatrixRMaj> cholesky = DecompositionFactory_DDRM.chol(n, false);
        if (!cholesky.decompose(precision.copy())) {
            throw new IllegalStateException("the size model's equations are not positive definite");
        }
        DMatrixRMaj root = cholesky.getT(null);
        DMatrixRMaj covariance = new DMatrixRMaj(n, n);
        CommonOps_DDRM.invert(precision, covariance);
        DMatrixRMaj solution = new DMatrixRMaj(n, 1);
        CommonOps_DDRM.mult(covariance, right, solution);
        return new SizeModel(assumptions, index, solution.data.clone(), rows(covariance), rows(root));
    }

    private static double[][] rows(DMatrixRMaj matrix) {
        double[][] rows = new double[matrix.numRows][matrix.numCols];
        for (int i = 0; i < rows.length; i++) {
            System.arraycopy(matrix.data, i * matrix.numCols, rows[i], 0, matrix.numCols);
        }
        return rows;
    }

    private static Set<Pattern> patterns(EventData event) {
        Set<Pattern> patterns = new LinkedHashSet<>();
        for (PracticeStop stop : event.stops()) {
            String spotType = event.spot(stop.spotId()).orElseThrow().spotType();
            stop.presentations().forEach(p -> patterns.add(new Pattern(spotType, p.presentationId())));
            stop.bites().stream()
                    .map(stop::presentationOf)
                    .filter(java.util.Objects::nonNull)
                    .forEach(p -> patterns.add(new Pattern(spotType, p)));
        }
        return patterns;
    }

    private void unknown(Object key) {
        index.putIfAbsent(key, index.size());
    }

    private void priors(DMatrixRMaj precision, DMatrixRMaj right) {
        index.forEach((key, i) -> {
            double priorMean =
                    switch (key) {
                        case Species s -> assumptions.speciesMean();
                        case SizeModel.Bias b -> assumptions.biasMean();
                        default -> 0;
                    };
            double sd =
                    switch (key) {
                        case Species s -> assumptions.speciesSd();
                        case Pattern p -> assumptions.patternSd();
                        case SizeModel.Bias b -> assumptions.biasSd();
                        default -> assumptions.spotSd();
                    };
            precision.add(i, i, 1 / (sd * sd));
            right.add(i, 0, priorMean / (sd * sd));
        });
    }

    private List<Observation> observations(EventData event, SpeciesMix mix) {
        Species usual = mix.mostCommon();
        List<Observation> all = new ArrayList<>();
        for (PracticeStop stop : event.stops()) {
            String spotType = event.spot(stop.spotId()).orElseThrow().spotType();
            for (Bite bite : stop.bites()) {
                String presentation = stop.presentationOf(bite);
                if (bite.size() != null && presentation != null) {
                    Species species = bite.species() != null ? bite.species() : usual;
                    int[] at = {
                        Lookup.of(index, species),
                        Lookup.of(index, stop.spotId()),
                        Lookup.of(index, new Pattern(spotType, presentation))
                    };
                    all.addAll(observations(bite.size(), species, at));
                }
            }
        }
        return all;
    }

    private List<Observation> observations(FishSize size, Species species, int[] at) {
        Assumptions.Size a = assumptions;
        double fish = a.fishSd() * a.fishSd();
        return switch (size.how()) {
            case SCALE -> {
                Observation scale = new Observation(at, Math.log(requireNonNull(size.grams())), fish);
                yield size.guessGrams() == null
                        ? List.of(scale)
                        : List.of(
                                scale,
                                new Observation(
                                        new int[] {Lookup.of(index, SizeModel.Bias.GUESS)},
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

    private int[] withBias(int[] at) {
        int[] more = java.util.Arrays.copyOf(at, at.length + 1);
        more[at.length] = Lookup.of(index, SizeModel.Bias.GUESS);
        return more;
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
}
