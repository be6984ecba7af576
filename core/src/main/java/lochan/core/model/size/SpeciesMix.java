package lochan.core.model.size;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.event.Rules;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Pattern;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;

/**
 * Chances of the species on a pattern: the lake's mix (1 + n_k)/(K + n) counts for 4 fish, then (4·lake + n_k,ap)/(4 + n_ap), with n
 * landed fish of known species ({@code model.md} §4). Species are indexed in the order of the rules.
 */
public final class SpeciesMix {

    private final List<Species> species;
    private final double[] lake;
    private final int[] landed;
    private final Map<Pattern, int[]> byPattern;
    private final double lakeFish;

    /**
     * The counts it rests on.
     *
     * @param landed    fish of each species
     * @param byPattern the same on each pattern
     */
    public record Numbers(int[] landed, Map<Pattern, int[]> byPattern) {}

    private SpeciesMix(Rules rules, Numbers numbers, Assumptions.Size a) {
        this.species = rules.species().stream().map(SpeciesRule::species).toList();
        this.lakeFish = a.lakeMixFish();
        this.landed = numbers.landed();
        this.byPattern = numbers.byPattern();
        int all = Arrays.stream(landed).sum();
        this.lake = Arrays.stream(landed)
                .mapToDouble(n -> (1.0 + n) / (species.size() + all))
                .toArray();
    }

    public SpeciesMix(EventData event, Assumptions.Size a) {
        this(event.rules(), counted(event), a);
    }

    /** The mix that has these numbers. */
    public static SpeciesMix of(Rules rules, Numbers numbers, Assumptions.Size a) {
        return new SpeciesMix(rules, numbers, a);
    }

    public Numbers numbers() {
        return new Numbers(landed, byPattern);
    }

    private static Numbers counted(EventData event) {
        List<Species> species =
                event.rules().species().stream().map(SpeciesRule::species).toList();
        int[] landed = new int[species.size()];
        Map<Pattern, int[]> byPattern = new HashMap<>();
        for (PracticeStop stop : event.stops()) {
            String spotType = event.spot(stop.spotId()).orElseThrow().spotType();
            for (Bite bite : stop.bites()) {
                int k = species.indexOf(bite.species());
                if (k >= 0 && bite.outcome() == Outcome.LANDED) {
                    landed[k]++;
                    String presentation = stop.presentationOf(bite);
                    if (presentation != null) {
                        byPattern
                                .computeIfAbsent(new Pattern(spotType, presentation), p -> new int[species.size()])[
                                k]++;
                    }
                }
            }
        }
        return new Numbers(landed, byPattern);
    }

    public List<Species> species() {
        return species;
    }

    /** The mix of a pattern, adding to 1. */
    public double[] of(Pattern pattern) {
        int[] own = byPattern.getOrDefault(pattern, new int[species.size()]);
        int all = Arrays.stream(own).sum();
        double[] mix = new double[species.size()];
        for (int k = 0; k < mix.length; k++) {
            mix[k] = (lakeFish * lake[k] + own[k]) / (lakeFish + all);
        }
        return mix;
    }

    /** The lake's most common species; of equally common ones the first of the rules. */
    public Species mostCommon() {
        int best = 0;
        for (int k = 1; k < landed.length; k++) {
            if (landed[k] > landed[best]) {
                best = k;
            }
        }
        return species.get(best);
    }
}
