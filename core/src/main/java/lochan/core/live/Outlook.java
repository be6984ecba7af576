package lochan.core.live;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How the day is likely to end when the rest of a plan is fished.
 *
 * @param p10Grams        bag that one day in ten stays below
 * @param p50Grams        bag that every other day stays below
 * @param p90Grams        bag that one day in ten is above
 * @param chanceOfTarget  null: the event has no target
 * @param chanceOfMore    that the bag grows still
 * @param adds            by fish asked for: g that one more of it, caught now, adds by check-in
 * @param effectiveSample (Σ w)²/Σ w²: so many equally weighed scenarios would tell as much
 * @param scenarios       looked at
 */
public record Outlook(
        double p10Grams,
        double p50Grams,
        double p90Grams,
        @Nullable Double chanceOfTarget,
        double chanceOfMore,
        List<Double> adds,
        double effectiveSample,
        int scenarios) {

    public Outlook {
        adds = List.copyOf(adds);
    }
}
