package lochan.core.model.size;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.Rules;
import lochan.core.event.SpeciesRule;
import lochan.core.model.rate.Pattern;

/** K(x) of a spot and pattern ({@code model.md} §4), over all that is unknown of sizes, also where its fish turn out heavier than practice said. */
public final class Keepers {

    /** Above all that a fish may weigh, 270 kg. */
    private static final double HIGHEST_LN_GRAMS = 12.5;

    private final List<SpeciesRule> rules;
    private final List<LegalCurve> curves;
    private final SizeModel sizes;
    private final SpeciesMix mix;

    public Keepers(Rules rules, SizeModel sizes, SpeciesMix mix, Assumptions.Size a) {
        this.rules = rules.species();
        this.curves = rules.species().stream()
                .map(r -> new LegalCurve(LegalShare.of(r, a), HIGHEST_LN_GRAMS))
                .toList();
        this.sizes = sizes;
        this.mix = mix;
    }

    /**
     * The chance that a landed fish is legal and heavier than each x of the grid of {@link Survival}.
     *
     * @param shift by what the mean of ln grams is more than practice said
     */
    public double[] heavier(Pattern pattern, String spotId, double shift) {
        double[] heavier = new double[Survival.weights()];
        double[] shares = mix.of(pattern);
        for (int k = 0; k < shares.length; k++) {
            SizeModel.Predictive p = sizes.predictive(rules.get(k).species(), pattern, spotId);
            curves.get(k).addTo(heavier, shares[k], p.mean() + shift, p.newFishSd());
        }
        return heavier;
    }
}
