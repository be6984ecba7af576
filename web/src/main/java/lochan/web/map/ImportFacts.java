package lochan.web.map;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.SoundingCleaner;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.quantity.Count;
import lochan.core.quantity.Units;
import lochan.web.lake.Lakes;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/** Describes the result of a file, a line each. */
final class ImportFacts {

    private static final double LEAST_OFFSET_M = 0.15;

    private ImportFacts() {}

    /**
     * @param depths that come of it; null: none do
     * @param before depths that are known now; null: none are
     */
    static List<String> of(
            ImportReading.Result result, @Nullable DepthGrid depths, @Nullable DepthGrid before, Units units) {
        List<String> facts = new ArrayList<>();
        switch (result) {
            case ImportReading.Result.OfLake lake -> shores(lake.lake(), facts);
            case ImportReading.Result.OfDepths d -> {
                grid(d.grid(), units, facts);
                if (d.shore() != null) {
                    facts.add("The shore is where its depths end.");
                }
            }
            case ImportReading.Result.OfSoundings s -> {
                soundings(s, requireNonNull(depths), units, facts);
                beside(before, requireNonNull(depths), units, facts);
            }
            case ImportReading.Result.OfCover c -> facts.add(Count.of(c.pieces(), "piece") + " of cover.");
        }
        return facts;
    }

    /** Describes a lake with its depths. */
    static List<String> of(Lake lake, @Nullable DepthGrid depths, Units units) {
        List<String> facts = new ArrayList<>();
        shores(lake, facts);
        if (depths != null) {
            grid(depths, units, facts);
        }
        return facts;
    }

    private static void shores(Lake lake, List<String> facts) {
        int islands = lake.bodies().stream().mapToInt(b -> b.islands().size()).sum();
        facts.add(Count.of(lake.bodies().size(), "piece") + " of water, " + Count.of(islands, "island") + ", "
                + Count.of(lake.slowZones().size(), "slow zone") + ", "
                + Count.of(lake.offLimits().size(), "area") + " off limits.");
    }

    private static void grid(DepthGrid grid, Units units, List<String> facts) {
        facts.add(grid.columns() + " × " + grid.rows() + " cells of " + units.reach(grid.stepM()) + ", "
                + units.depth((double) grid.deepest()) + " at the deepest, "
                + units.area(grid.areaM2(0, Double.MAX_VALUE)) + " of water.");
    }

    private static void soundings(
            ImportReading.Result.OfSoundings s, DepthGrid depths, Units units, List<String> facts) {
        SoundingCleaner.Cleaned cleaned = s.cleaned();
        facts.add(Count.of(cleaned.kept().size(), "sounding") + " are good. Left out: "
                + cleaned.spikes() + " spikes, " + cleaned.outside() + " off the water, " + cleaned.impossible()
                + " with no depth.");
        int water = 0;
        for (int i = 0; i < depths.size(); i++) {
            water += depths.isLand(i) ? 0 : 1;
        }
        long guessed = Math.round(100.0 * depths.guessed().cardinality() / Math.max(1, water));
        facts.add(guessed + "% of the water is then guessed: nothing was measured near it.");
        Double deeper = s.deeperBy();
        if (deeper != null && Math.abs(deeper) >= LEAST_OFFSET_M) {
            facts.add("Where both are known they read " + units.depth(Math.abs(deeper))
                    + (deeper > 0 ? " deeper" : " shallower")
                    + " than the map: check how deep the transducer hangs, and the lake's level that day.");
        }
        if (s.takenOn() != null) {
            facts.add("Taken on " + Dates.day(s.takenOn()) + ".");
        }
    }

    /** What a refinement changes: cells and structure, before and after. */
    private static void beside(@Nullable DepthGrid before, DepthGrid after, Units units, List<String> facts) {
        if (before == null) {
            grid(after, units, facts);
            return;
        }
        facts.add("Cells: " + cells(before, units) + " before, " + cells(after, units) + " after.");
        Map<Candidate.Kind, Long> had = structure(before);
        Map<Candidate.Kind, Long> has = structure(after);
        String changes = Arrays.stream(Candidate.Kind.values())
                .filter(k -> had.containsKey(k) || has.containsKey(k))
                .map(k -> k.code() + "s" + " " + had.getOrDefault(k, 0L) + " → " + has.getOrDefault(k, 0L))
                .collect(Collectors.joining(", "));
        if (!changes.isEmpty()) {
            facts.add("Structure, before → after: " + changes + ".");
        }
    }

    private static String cells(DepthGrid grid, Units units) {
        return grid.columns() + " × " + grid.rows() + " of " + units.reach(grid.stepM());
    }

    private static Map<Candidate.Kind, Long> structure(DepthGrid grid) {
        return StructureFinder.find(Lakes.survey(grid), StructureFinder.Filter.USUAL).stream()
                .collect(Collectors.groupingBy(Candidate::kind, Collectors.counting()));
    }
}
