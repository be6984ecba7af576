package lochan.core.model.size;

import lochan.core.Assumptions;
import lochan.core.event.Species;

/**
 * Weight from length and back by a species' standard-weight curve at the water's relative weight r:
 * ln W = ln r + A·ln 10 + B·ln L, W in g, L in mm (sources at {@link Species}).
 */
public final class StandardWeight {

    private StandardWeight() {}

    /** ln grams of a fish of a length. */
    public static double lnGrams(Species species, double lengthMm, Assumptions.Size a) {
        return Math.log(a.relativeWeight()) + species.intercept() * Math.log(10) + species.slope() * Math.log(lengthMm);
    }

    /** Grams of a fish of a length. */
    public static double grams(Species species, double lengthMm, Assumptions.Size a) {
        return Math.exp(lnGrams(species, lengthMm, a));
    }
}
