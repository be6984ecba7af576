package lochan.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.evidence.Bin;
import lochan.core.rate.Cell;
import lochan.core.scenario.ScenarioSet;

/**
 * V of two hours at one cell at its best half-hourly start, from an empty well, with no run charged ({@code model.md} §8). On a day
 * shorter than that, of the whole day.
 *
 * @param grams the best start's V
 * @param start that start
 */
public record TwoHourValue(double grams, Instant start) {

    private static final Duration LENGTH = Duration.ofHours(2);

    public static TwoHourValue of(Cell cell, ScenarioSet scenarios) {
        PlanValuer valuer = new PlanValuer(scenarios);
        List<Bin> bins = scenarios.model().bins();
        Instant checkIn = scenarios.model().event().brief().day(scenarios.model().day()).checkIn();
        TwoHourValue best = null;
        for (Bin bin : bins) {
            Instant end = bin.start().plus(LENGTH);
            boolean fits = !end.isAfter(checkIn);
            if (fits || best == null) {
                Instant leave = fits ? end : checkIn;
                double grams = valuer.formula(List.of(new PlanStop(cell.spotId(), cell.presentationId(), bin.start(), leave)));
                if (best == null || grams > best.grams()) {
                    best = new TwoHourValue(grams, bin.start());
                }
            }
        }
        return best;
    }
}
