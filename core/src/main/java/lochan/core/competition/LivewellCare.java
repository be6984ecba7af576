package lochan.core.competition;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.quantity.Hours;
import org.jspecify.annotations.Nullable;

/**
 * How long the fish have been in the livewell and how warm it is: what their keeper looks after. Only an event that keeps fish has any.
 *
 * @param inLivewell   how long each fish has been in it, by id, the longest first
 * @param celsius  its water when it was last looked at; null: not on this day
 * @param measured when that was; null: not on this day
 * @param since    since when there are fish in it; null: there are none
 */
public record LivewellCare(
        Map<String, Duration> inLivewell,
        @Nullable Double celsius,
        @Nullable Instant measured,
        @Nullable Instant since) {

    /** From about 75 °F on crowded bass suffer soon; a caution, not a rule. */
    public static final double WARM_C = 24;
    /** How often the livewell wants a look while fish are in it. */
    public static final Duration LOOK = Duration.ofHours(1);

    /** @param day number of the day, from 1 */
    public static LivewellCare of(Event event, BagLog log, int day, Instant now) {
        Map<String, Instant> caught = new HashMap<>();
        Entry.LivewellReading last = null;
        for (Entry entry : log.valid(day)) {
            if (!entry.at().isAfter(now)) {
                if (entry instanceof Entry.Catch c) {
                    caught.put(c.id(), c.at());
                }
                last = entry instanceof Entry.LivewellReading w && (last == null || !w.at().isBefore(last.at()))
                        ? w
                        : last;
            }
        }
        Map<String, Duration> times = new LinkedHashMap<>();
        List<Fish> fish =
                event.rules().format() == Format.LIMIT_WEIGHT ? log.bag(day).fish() : List.of();
        fish.stream()
                .filter(f -> f.alive() && caught.containsKey(f.id()))
                .sorted(Comparator.comparing((Fish f) -> caught.get(f.id())))
                .forEach(f -> times.put(f.id(), Duration.between(caught.get(f.id()), now)));
        Instant since =
                times.isEmpty() ? null : now.minus(times.values().iterator().next());
        return new LivewellCare(times, last == null ? null : last.celsius(), last == null ? null : last.at(), since);
    }

    /** Hours that living fish have spent in the livewell, all together. */
    public double fishHours() {
        return inLivewell.values().stream().mapToDouble(Hours::of).sum();
    }

    public boolean isWarm() {
        return celsius != null && celsius >= WARM_C && !inLivewell.isEmpty();
    }

    /** Whether the livewell wants a look: fish are in it and its water was not logged for long. */
    public boolean isDue(Instant now) {
        return since != null
                && !(measured != null && measured.isAfter(since) ? measured : since)
                        .plus(LOOK)
                        .isAfter(now);
    }
}
