package lochan.core.planning.valuation;

import java.util.List;
import lochan.core.Assumptions;

/**
 * By what plans are scaled where they are shown as a projection: the best of many uncertain plans is on average less good than it looks
 * (the optimizer's curse, Smith and Winkler 2006). Choices between plans use V itself.
 * <pre>ln c = (4·ln 0.8 + Σ ln(actual/projection)) / (4 + events)</pre>
 *
 * @param factor c, more than 0
 * @param events finished events it was learned from
 */
public record Calibration(double factor, int events) {

    /**
     * A finished competition day.
     *
     * @param actualGrams   official weight, more than 0
     * @param projectedGrams V of the plan made for it, more than 0
     */
    public record Result(double actualGrams, double projectedGrams) {

        public Result {
            if (!(actualGrams > 0) || !(projectedGrams > 0)) {
                throw new IllegalArgumentException("actual " + actualGrams + " g and projection " + projectedGrams
                        + " g, expected both more than 0");
            }
        }
    }

    public static Calibration of(List<Result> results, Assumptions.Projection a) {
        double sum = results.stream()
                .mapToDouble(r -> Math.log(r.actualGrams() / r.projectedGrams()))
                .sum();
        return new Calibration(
                Math.exp((a.priorEvents() * Math.log(a.priorFactor()) + sum) / (a.priorEvents() + results.size())),
                results.size());
    }
}
