package lochan.core.planning.valuation;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;

/**
 * V of two hours at one cell at its best half-hourly start, from an empty bag, with no run charged ({@code model.md} §8). On a day
 * shorter than that, of the whole day.
 */
public final class TwoHourValue {

    private static final Duration LENGTH = Duration.ofHours(2);
    /** Starts share their scenarios, so that a few tell which of them are best; those are then valued on all. */
    private static final int SCREENING = 500;

    private static final int FINALISTS = 2;

    private final ScenarioSet scenarios;
    private final PlanValuer valuer;

    public TwoHourValue(ScenarioSet scenarios) {
        this.scenarios = scenarios;
        this.valuer = new PlanValuer(scenarios);
    }

    /**
     * Two hours at a cell.
     *
     * @param grams        V
     * @param start        when they begin at best
     * @param chanceOfNone chance that they bring not one keeper: how much of a day's risk lies in the place
     */
    public record TwoHours(double grams, Instant start, double chanceOfNone) {}

    /** Grams of the best start. */
    public double grams(Cell cell) {
        return best(cell).grams();
    }

    /** The best two hours with how sure they are. */
    public TwoHours of(Cell cell) {
        Start best = best(cell);
        return new TwoHours(best.grams(), best.stops().getFirst().arrive(), valuer.chanceOfNone(best.stops()));
    }

    private record Start(List<PlanStop> stops, double grams) {}

    private Start best(Cell cell) {
        int few = Math.min(SCREENING, scenarios.count());
        return starts(cell).stream()
                .map(s -> new Start(s, valuer.formula(s, few)))
                .sorted(Comparator.comparingDouble(Start::grams).reversed())
                .limit(FINALISTS)
                .map(s -> few == scenarios.count() ? s : new Start(s.stops(), valuer.formula(s.stops())))
                .max(Comparator.comparingDouble(Start::grams))
                .orElseThrow();
    }

    private List<List<PlanStop>> starts(Cell cell) {
        Instant checkIn = scenarios.model().event().day(scenarios.model().day()).checkIn();
        List<List<PlanStop>> starts = new ArrayList<>();
        for (Bin bin : scenarios.model().bins()) {
            Instant end = bin.start().plus(LENGTH);
            boolean fits = !end.isAfter(checkIn);
            if (fits || starts.isEmpty()) {
                starts.add(
                        List.of(new PlanStop(cell.spotId(), cell.presentationId(), bin.start(), fits ? end : checkIn)));
            }
        }
        return starts;
    }
}
