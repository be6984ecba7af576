package lochan.core.planning.valuation;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a plan is worth, and its spread over simulated days.
 *
 * @param formulaGrams   V, the mean over scenarios of the formula of {@code model.md} §7
 * @param simulatedGrams mean of the simulated days
 * @param standardError  its standard error
 * @param p10            one simulated day in ten brings less
 * @param p50            half of them do
 * @param p90            nine in ten do
 * @param chanceOfLimit  chance of a full limit
 * @param chanceOfTarget chance of the target; null: the rules have none
 * @param byHour         mean weight in the bag at the end of each hour from the start
 */
@RecordBuilder
public record PlanValue(
        double formulaGrams,
        double simulatedGrams,
        double standardError,
        double p10,
        double p50,
        double p90,
        double chanceOfLimit,
        @Nullable Double chanceOfTarget,
        List<Double> byHour) {

    public PlanValue {
        byHour = List.copyOf(byHour);
    }
}
