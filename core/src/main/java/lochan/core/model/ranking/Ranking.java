package lochan.core.model.ranking;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lochan.core.event.Species;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.Relevance;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.model.size.SizeModel;
import lochan.core.practice.PracticeStop;

/** Ranks spots and patterns for one bin of a competition day ({@code model.md} §§1–4). */
public final class Ranking {

    private final FittedDayModel model;
    private final int bin;
    private final double phi;

    /** @param bin index of the bin in {@link FittedDayModel#bins()} */
    public Ranking(FittedDayModel model, int bin) {
        this(model, bin, 1);
    }

    /** @param phi how much bites come in clumps, by which likely ranges are wider; 1: they come singly */
    public Ranking(FittedDayModel model, int bin, double phi) {
        this.phi = phi;
        this.model = model;
        this.bin = Objects.checkIndex(bin, model.bins().size());
    }

    /** Every spot × every presentation with evidence on its pattern. */
    public List<RankingRow> rows() {
        Map<Cell, List<PracticeStop>> stops = new LinkedHashMap<>();
        for (PracticeStop stop : model.event().stops()) {
            if (stop.end() != null) {
                stop.presentations().stream()
                        .map(p -> new Cell(stop.spotId(), p.presentationId()))
                        .distinct()
                        .forEach(c ->
                                stops.computeIfAbsent(c, x -> new ArrayList<>()).add(stop));
            }
        }
        return model.cells().stream()
                .map(c -> row(c, stops.getOrDefault(c, List.of())))
                .toList();
    }

    private RankingRow row(Cell cell, List<PracticeStop> stops) {
        Pattern pattern = model.pattern(cell);
        BiteRates rates = model.rates(bin);
        KeeperWeight keepers = KeeperWeight.of(
                model.event(),
                model.sizes(),
                model.mix(),
                pattern,
                cell.spotId(),
                model.assumptions().size());
        Map<Species, SizeModel.Predictive> sizes = new LinkedHashMap<>();
        model.mix().species().forEach(s -> sizes.put(s, model.sizes().predictive(s, pattern, cell.spotId())));
        List<Boolean> sized = stops.stream()
                .flatMap(s -> s.bites().stream()
                        .filter(b -> cell.presentationId().equals(s.presentationOf(b)))
                        .map(b -> b.size() != null))
                .toList();
        return RankingRowBuilder.builder()
                .cell(cell)
                .pattern(pattern)
                .bites(bites(rates.rate(cell, pattern), rates.widened(cell, pattern, phi)))
                .landing(model.landing(cell.presentationId()).mean())
                .keepers(keepers)
                .sizes(sizes)
                .effectiveHours(rates.evidence(cell).anglerHours())
                .stops(stops.size())
                .bitesSeen(sized.size())
                .sized((int) sized.stream().filter(s -> s).count())
                .daysSince(
                        stops.stream().map(this::daysSince).min(Long::compare).orElse(null))
                .build();
    }

    private long daysSince(PracticeStop stop) {
        return ChronoUnit.DAYS.between(
                stop.start().atZone(model.event().timeZone()).toLocalDate(),
                model.bins().get(bin).date());
    }

    private static RankingRow.Bites bites(GammaRate rate, GammaRate widened) {
        return new RankingRow.Bites(rate.mean(), widened.quantile(0.1), widened.quantile(0.9));
    }

    /** Patterns over all their spots: the bite rate of the pattern itself, and a spot of it never fished for the rest. */
    public List<PatternRow> patterns() {
        Map<Pattern, List<RankingRow>> byPattern = new LinkedHashMap<>();
        rows().forEach(r ->
                byPattern.computeIfAbsent(r.pattern(), p -> new ArrayList<>()).add(r));
        return byPattern.entrySet().stream()
                .map(e -> new PatternRow(
                        e.getKey(),
                        model.rates(bin).patternMean(e.getKey()),
                        e.getValue().stream()
                                .mapToDouble(RankingRow::effectiveHours)
                                .sum(),
                        e.getValue().size(),
                        (int) e.getValue().stream()
                                .filter(RankingRow::isUntried)
                                .count()))
                .toList();
    }

    /** What stands behind a cell: each slice of each of its stops with the six factors of its relevance. */
    public List<Evidence> evidence(Cell cell) {
        Bin at = model.bins().get(bin);
        return model.slices().stream()
                .filter(s -> new Cell(s.spotId(), s.presentationId()).equals(cell))
                .map(s ->
                        new Evidence(s, Relevance.of(s, at, model.assumptions().relevance())))
                .toList();
    }

    /** The spots of the same class where the presentation was fished, this one left out: what else speaks for the pattern. */
    public List<String> otherSpotsOfPattern(Cell cell) {
        Pattern pattern = model.pattern(cell);
        HashSet<String> seen = new HashSet<>();
        return model.slices().stream()
                .filter(s -> !s.spotId().equals(cell.spotId()))
                .filter(s ->
                        model.pattern(new Cell(s.spotId(), s.presentationId())).equals(pattern))
                .map(Slice::spotId)
                .filter(seen::add)
                .toList();
    }

    /** A slice and what it counts for here. */
    public record Evidence(Slice slice, Relevance relevance) {

        /** ω·e, angler-hours. */
        public double effectiveHours() {
            return relevance.product() * slice.effortAnglerHours();
        }

        /** ω·b. */
        public double effectiveBites() {
            return relevance.product() * slice.bites();
        }
    }

    /**
     * A pattern in the rankings.
     *
     * @param bitesPerHour mean of the pattern, per angler-hour
     * @param effectiveHours over all its spots
     * @param spots          of its type
     * @param untried        how many of them never saw the presentation
     */
    public record PatternRow(Pattern pattern, double bitesPerHour, double effectiveHours, int spots, int untried) {}
}
