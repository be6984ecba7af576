package lochan.offline.plan;

import java.time.Instant;
import java.util.List;
import lochan.offline.alarm.Alarm;
import org.jspecify.annotations.Nullable;

/**
 * The Plan screen at a time.
 *
 * @param now      that time
 * @param cautions what the angler's forecast and rules say against going on as planned
 * @param minded   what to mind, until it was read
 * @param lightning when lightning hours that are to come begin, and what to do before
 * @param stay     whether to stay or move; null where there is no advice
 * @param quiet    why there is no advice; null where there is
 * @param due      known fish to come back to; null once the day is over
 */
public record PlanScreen(
        Instant now,
        List<String> cautions,
        List<Caution> minded,
        List<Alarm.Timed> lightning,
        @Nullable StayOrMove stay,
        @Nullable String quiet,
        @Nullable List<FishWords.Due> due) {

    public PlanScreen {
        cautions = List.copyOf(cautions);
        minded = List.copyOf(minded);
        lightning = List.copyOf(lightning);
    }
}
