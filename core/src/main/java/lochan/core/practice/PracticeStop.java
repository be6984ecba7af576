package lochan.core.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Fishing one spot in practice, in [start, end).
 *
 * @param id            unique in its event
 * @param spotId        where
 * @param end           null while it is still being fished
 * @param anglers       lines in the water
 * @param idleMinutes   of it without a line in the water: idling over, re-tying, running; 0 or more
 * @param presentations what was fished; empty: not noted
 * @param follows       fish that followed without striking
 * @param bycatch       fish of species that do not count; they say nothing of the rate of bites
 * @param bites         bites in the order noted
 */
@RecordBuilder
public record PracticeStop(
        String id,
        String spotId,
        Instant start,
        @Nullable Instant end,
        int anglers,
        double idleMinutes,
        List<PresentationTime> presentations,
        int follows,
        int bycatch,
        List<Bite> bites,
        Conditions conditions) {

    /** No stop lasts longer: one that was never ended is taken to have ended then. */
    public static final Duration LONGEST = Duration.ofHours(24);

    /** Whether a stop may run from a time to another: it ends after it begins, within 24 hours. */
    public static boolean canRun(Instant start, Instant end) {
        return end.isAfter(start) && !end.isAfter(start.plus(LONGEST));
    }

    /** @throws IllegalArgumentException when the minutes without a line in the water are below 0 */
    public PracticeStop {
        if (!(idleMinutes >= 0)) {
            throw new IllegalArgumentException("idleMinutes is " + idleMinutes + ", expected 0 or more");
        }
        presentations = List.copyOf(presentations);
        bites = List.copyOf(bites);
    }

    public PracticeStop withEnd(@Nullable Instant newEnd) {
        return PracticeStopBuilder.builder(this).end(newEnd).build();
    }

    public PracticeStop withTimes(Instant newStart, @Nullable Instant newEnd) {
        return PracticeStopBuilder.builder(this).start(newStart).end(newEnd).build();
    }

    public PracticeStop withFollows(int newFollows) {
        return PracticeStopBuilder.builder(this).follows(newFollows).build();
    }

    public PracticeStop withBycatch(int newBycatch) {
        return PracticeStopBuilder.builder(this).bycatch(newBycatch).build();
    }

    public PracticeStop withPresentations(List<PresentationTime> newPresentations) {
        return PracticeStopBuilder.builder(this).presentations(newPresentations).build();
    }

    public PracticeStop withBites(List<Bite> newBites) {
        return PracticeStopBuilder.builder(this).bites(newBites).build();
    }

    public PracticeStop withConditions(Conditions newConditions) {
        return PracticeStopBuilder.builder(this).conditions(newConditions).build();
    }

    /** Minutes with lines in the water; 0 while it is still being fished. */
    public double fishedMinutes() {
        return end == null ? 0 : Math.max(0, Duration.between(start, end).toMillis() / 60_000.0 - idleMinutes);
    }

    /** The presentation of a bite: the one noted, or the stop's only one; null when it cannot be told. */
    public @Nullable String presentationOf(Bite bite) {
        if (bite.presentationId() != null) {
            return bite.presentationId();
        }
        return presentations.size() == 1 ? presentations.getFirst().presentationId() : null;
    }
}
