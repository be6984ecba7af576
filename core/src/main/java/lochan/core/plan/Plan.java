package lochan.core.plan;

import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * A plan for one competition day.
 *
 * @param day   number of the day, from 1
 * @param name  what the angler calls it; null: nothing
 * @param stops in order of time
 */
public record Plan(int day, @Nullable String name, List<PlanStop> stops) {

    public Plan {
        stops = List.copyOf(stops);
    }

    /**
     * Returns the plan without its stops elsewhere.
     *
     * @param isThere whether there is a spot of an id
     */
    public Plan at(Predicate<String> isThere) {
        return new Plan(
                day, name, stops.stream().filter(s -> isThere.test(s.spotId())).toList());
    }
}
