package lochan.core.model.scenario;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import lochan.core.lake.Spot;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.rate.Pattern;
import lochan.core.model.size.SizeModel;
import lochan.core.model.size.SpeciesMix;

/**
 * A day's model in numbers: enough to advise, plan and draw scenarios of the day where the practice that it was learnt from is not at hand.
 *
 * @param bins         of the day
 * @param cells        that plans and advice choose among
 * @param patternMeans m_ap of the cells' patterns, and of those that differ from their presentation's mean, bites per angler-hour, one for each bin
 * @param presentationMeans m_p of every presentation of the event, the same
 * @param lakeMeans    m₀, the same: of a presentation that the event did not have yet
 * @param evidence     what practice weighs for a cell, one for each bin; cells without any are left out
 * @param landing      by presentation
 * @param mix          landed fish by species
 * @param sizes        what was fitted
 * @param knownFish    that a plan may visit, the one that promises most first
 * @param leftByWind   by spot, one for each bin; spots that the wind leaves all are left out
 * @param standing     by spot, one for each bin: what is made of its rate by how fish were seen to stand; spots where it is 1 are left out
 * @param finer        the same of what the splits that the angler lets in make of the prior of its cells
 * @param strengths    by what patterns' bite rates are multiplied; 1 for those left out
 */
@RecordBuilder
public record DayNumbers(
        List<Bin> bins,
        List<Cell> cells,
        Map<Pattern, double[]> patternMeans,
        Map<String, double[]> presentationMeans,
        double[] lakeMeans,
        Map<Cell, List<BiteRates.Evidence>> evidence,
        Map<String, LandingChance> landing,
        SpeciesMix.Numbers mix,
        SizeModel.Numbers sizes,
        List<KnownFishChance> knownFish,
        Map<String, double[]> leftByWind,
        Map<String, double[]> standing,
        Map<String, double[]> finer,
        Map<Pattern, Double> strengths) {

    public DayNumbers {
        bins = List.copyOf(bins);
        cells = List.copyOf(cells);
        knownFish = List.copyOf(knownFish);
    }

    /** Returns the mean of a pattern by bins; never tried, it is its presentation's, and of a new presentation the lake's ({@code model.md} §2). */
    double[] mean(Pattern pattern) {
        double[] own = patternMeans.get(pattern);
        return own == null ? presentationMeans.getOrDefault(pattern.presentationId(), lakeMeans) : own;
    }

    static DayNumbers of(FittedDayModel model, Map<Pattern, Double> strengths) {
        int bins = model.bins().size();
        List<Cell> cells = model.cells().isEmpty() ? model.pairs() : model.cells();
        Map<String, double[]> ofPresentations = new LinkedHashMap<>();
        model.event()
                .presentations()
                .forEach(p -> ofPresentations.put(
                        p.id(), byBin(bins, bin -> model.rates(bin).presentationMean(p.id()))));
        Map<Pattern, double[]> means = new LinkedHashMap<>();
        Map<Cell, List<BiteRates.Evidence>> evidence = new LinkedHashMap<>();
        for (Cell cell : cells) {
            means.computeIfAbsent(
                    model.pattern(cell),
                    p -> byBin(bins, bin -> model.rates(bin).patternMean(p)));
            List<BiteRates.Evidence> own = IntStream.range(0, bins)
                    .mapToObj(bin -> model.rates(bin).evidence(cell))
                    .toList();
            if (!own.stream().allMatch(BiteRates.Evidence.NONE::equals)) {
                evidence.put(cell, own);
            }
        }
        model.event().spots().stream()
                .map(Spot::spotType)
                .distinct()
                .forEach(type -> ofPresentations.forEach((id, mean) -> {
                    Pattern pattern = new Pattern(type, id);
                    if (!means.containsKey(pattern)) {
                        double[] own = byBin(bins, bin -> model.rates(bin).patternMean(pattern));
                        if (!Arrays.equals(own, mean)) {
                            means.put(pattern, own);
                        }
                    }
                }));
        Map<String, LandingChance> landing = new LinkedHashMap<>();
        model.event().presentations().forEach(p -> landing.put(p.id(), model.landing(p.id())));
        return DayNumbersBuilder.builder()
                .bins(model.bins())
                .cells(cells)
                .patternMeans(means)
                .presentationMeans(ofPresentations)
                .lakeMeans(byBin(bins, bin -> model.rates(bin).lakeMean()))
                .evidence(evidence)
                .landing(landing)
                .mix(model.mix().numbers())
                .sizes(model.sizes().numbers())
                .knownFish(model.knownFish())
                .leftByWind(unlessOne(model, model::leftByWind))
                .standing(unlessOne(model, model::standing))
                .finer(unlessOne(model, model::finer))
                .strengths(strengths)
                .build();
    }

    private interface OfSpot {

        double in(String spotId, int bin);
    }

    private static Map<String, double[]> unlessOne(FittedDayModel model, OfSpot of) {
        Map<String, double[]> factors = new HashMap<>();
        model.event().spots().forEach(s -> {
            double[] own = byBin(model.bins().size(), bin -> of.in(s.id(), bin));
            if (Arrays.stream(own).anyMatch(factor -> factor != 1)) {
                factors.put(s.id(), own);
            }
        });
        return factors;
    }

    private static double[] byBin(int bins, IntToDoubleFunction of) {
        return IntStream.range(0, bins).mapToDouble(of).toArray();
    }
}
