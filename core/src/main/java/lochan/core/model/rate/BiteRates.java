package lochan.core.model.rate;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lochan.core.Assumptions;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.Relevance;
import lochan.core.model.evidence.Slice;

/**
 * Bite rates in one bin, shrunk from the lake to the presentation, the pattern and the spot ({@code model.md} §2). With cell effort
 * e_c = Σ ω e (angler-hours) and bites b_c = Σ ω b:
 * <pre>
 * m̂   = (0.8·2 + Σ b_c) / (2 + Σ e_c),  g_c = 1 / (1 + m̂·e_c/κ)
 * m₀   = (0.8·2 + Σ g b) / (2 + Σ g e)
 * m_p  = (3·m₀ + Σ_p g b) / (3 + Σ_p g e)
 * m_ap = (3·m_p + Σ_ap g b) / (3 + Σ_ap g e)
 * λ_sp ~ Gamma(κ + b_c, κ/m_ap + e_c)
 * </pre>
 * Where the angler wants it, earlier seasons that brought ρ times what their lakes did count h angler-hours of ρ·m₀ in m_p, and the rules of advice
 * multiply m_ap of a pair never tried; splits that the angler takes for real multiply m_ap of the spots they hold at.
 */
public final class BiteRates {

    private final Map<Cell, Evidence> cells;
    private final Map<String, Double> presentationMeans = new HashMap<>();
    private final Map<Pattern, Double> patternMeans = new HashMap<>();
    private final double lakeMean;
    private final Assumptions.BiteRate assumptions;
    private final RatePriors priors;

    private BiteRates(
            Map<Cell, Evidence> cells, Function<Cell, Pattern> patternOf, Assumptions.BiteRate a, RatePriors priors) {
        this.cells = cells;
        this.priors = priors;
        this.assumptions = a;
        Evidence all = cells.values().stream().reduce(Evidence.NONE, Evidence::plus);
        double rough = shrunk(a.lakeMean(), a.lakeHours(), all);
        Evidence lake = Evidence.NONE;
        Map<String, Evidence> byPresentation = new HashMap<>();
        Map<Pattern, Evidence> byPattern = new HashMap<>();
        for (var cell : cells.entrySet()) {
            Evidence balanced =
                    cell.getValue().times(1 / (1 + rough * cell.getValue().anglerHours() / a.spotShape()));
            lake = lake.plus(balanced);
            byPresentation.merge(cell.getKey().presentationId(), balanced, Evidence::plus);
            byPattern.merge(patternOf.apply(cell.getKey()), balanced, Evidence::plus);
        }
        this.lakeMean = shrunk(a.lakeMean(), a.lakeHours(), lake);
        byPresentation.forEach(
                (p, e) -> presentationMeans.put(p, shrunk(lakeMean, a.presentationHours(), e.plus(seasons(p)))));
        byPattern.forEach(
                (ap, e) -> patternMeans.put(ap, shrunk(presentationMean(ap.presentationId()), a.patternHours(), e)));
    }

    /**
     * @param patternOf the pattern of each cell
     * @param bin       the part of the competition day that rates are for
     */
    public static BiteRates in(
            Bin bin, List<Slice> slices, Function<Cell, Pattern> patternOf, Assumptions assumptions) {
        return in(bin, slices, patternOf, assumptions, RatePriors.NONE);
    }

    /** Returns the rates, with priors from other knowledge. */
    public static BiteRates in(
            Bin bin,
            List<Slice> slices,
            Function<Cell, Pattern> patternOf,
            Assumptions assumptions,
            RatePriors priors) {
        Map<Cell, Evidence> cells = new LinkedHashMap<>();
        for (Slice slice : slices) {
            double weight = Relevance.of(slice, bin, assumptions.relevance()).product();
            cells.merge(
                    new Cell(slice.spotId(), slice.presentationId()),
                    new Evidence(weight * slice.effortAnglerHours(), weight * slice.bites()),
                    Evidence::plus);
        }
        return new BiteRates(cells, patternOf, assumptions.biteRate(), priors);
    }

    /** m₀, bites per angler-hour. */
    public double lakeMean() {
        return lakeMean;
    }

    /** m_p; of a presentation never fished the lake's, with earlier seasons as its prior. */
    public double presentationMean(String presentationId) {
        Double fished = presentationMeans.get(presentationId);
        Evidence seasons = seasons(presentationId);
        if (fished != null) {
            return fished;
        }
        return seasons.equals(Evidence.NONE) ? lakeMean : shrunk(lakeMean, assumptions.presentationHours(), seasons);
    }

    private Evidence seasons(String presentationId) {
        Double ratio = priors.seasons().get(presentationId);
        return ratio == null
                ? Evidence.NONE
                : new Evidence(priors.seasonHours(), priors.seasonHours() * ratio * lakeMean);
    }

    /** m_ap; of a pattern never fished its presentation's, with the rules of advice as its prior. */
    public double patternMean(Pattern pattern) {
        Double fished = patternMeans.get(pattern);
        return fished == null
                ? presentationMean(pattern.presentationId())
                        * priors.suitability().applyAsDouble(pattern)
                : fished;
    }

    /** Returns the distribution of a cell's rate; a spot never fished has its pattern's prior. */
    public GammaRate rate(Cell cell, Pattern pattern) {
        return widened(cell, pattern, 1);
    }

    /**
     * Returns the rate when bites come in clumps: the evidence counts 1/φ.
     *
     * @param phi φ, 1 or more
     */
    public GammaRate widened(Cell cell, Pattern pattern, double phi) {
        return rate(
                evidence(cell).times(1 / phi),
                patternMean(pattern) * priors.finer().applyAsDouble(cell.spotId()),
                assumptions);
    }

    /** λ_sp of a cell, by its evidence and m_ap of its pattern. */
    public static GammaRate rate(Evidence evidence, double patternMean, Assumptions.BiteRate a) {
        return new GammaRate(a.spotShape() + evidence.bites(), a.spotShape() / patternMean + evidence.anglerHours());
    }

    /** What practice weighs for a cell in this bin. */
    public Evidence evidence(Cell cell) {
        return cells.getOrDefault(cell, Evidence.NONE);
    }

    /** How much evidence effective hours are, 1 to 5 stones: a stone for each doubling from a quarter of an hour. */
    public static int stones(double effectiveHours) {
        return (int)
                Math.clamp(1 + Math.floor(Math.log(Math.max(effectiveHours, 1e-9) / 0.25) / Math.log(2)) + 1, 1, 5);
    }

    private static double shrunk(double mean, double hours, Evidence evidence) {
        return (mean * hours + evidence.bites()) / (hours + evidence.anglerHours());
    }

    /**
     * Weighted effort and bites.
     *
     * @param anglerHours "effective hours"
     */
    public record Evidence(double anglerHours, double bites) {

        public static final Evidence NONE = new Evidence(0, 0);

        Evidence plus(Evidence other) {
            return new Evidence(anglerHours + other.anglerHours, bites + other.bites);
        }

        Evidence times(double factor) {
            return new Evidence(factor * anglerHours, factor * bites);
        }
    }
}
