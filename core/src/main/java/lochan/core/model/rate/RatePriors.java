package lochan.core.model.rate;

import java.util.Map;
import java.util.function.ToDoubleFunction;

/**
 * What besides an event's own practice goes into its bite rates: earlier seasons as a presentation's prior, lure advice as that of pairs
 * never tried.
 *
 * @param seasons     by presentation, its bites an hour over those of a lake as a whole; a presentation without is left alone
 * @param seasonHours angler-hours that counts for, 0 or more
 * @param suitability of a pattern never tried, by which its prior is multiplied
 * @param finer       of a spot, by its id: by what the prior of its cells is multiplied
 */
public record RatePriors(
        Map<String, Double> seasons,
        double seasonHours,
        ToDoubleFunction<Pattern> suitability,
        ToDoubleFunction<String> finer) {

    public static final RatePriors NONE = new RatePriors(Map.of(), 0, p -> 1, s -> 1);

    public RatePriors {
        seasons = Map.copyOf(seasons);
    }
}
