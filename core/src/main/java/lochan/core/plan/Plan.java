package lochan.core.plan;

import java.util.List;

/**
 * A plan for one competition day.
 *
 * @param day   number of the day, from 1
 * @param name  what the angler calls it; null: nothing
 * @param stops in order of time
 */
public record Plan(int day, String name, List<PlanStop> stops) {

    public Plan {
        stops = List.copyOf(stops);
    }
}
