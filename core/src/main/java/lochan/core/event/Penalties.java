package lochan.core.event;

import org.jspecify.annotations.Nullable;

/**
 * What an event takes off; null where the rules say nothing.
 *
 * @param deadFishGrams        for each dead fish
 * @param lateGramsPerMinute   for each minute after check-in
 * @param lateDisqualifyMinutes minutes after check-in from which the bag counts nothing
 * @param shortFishGrams       for each fish under its minimum length brought in
 * @param overLimitGrams       for each fish brought in above the limit
 */
public record Penalties(
        @Nullable Double deadFishGrams,
        @Nullable Double lateGramsPerMinute,
        @Nullable Double lateDisqualifyMinutes,
        @Nullable Double shortFishGrams,
        @Nullable Double overLimitGrams) {

    public static final Penalties NONE = new Penalties(null, null, null, null, null);

    /** Where the rules say nothing of fish above the limit. */
    public Penalties(
            Double deadFishGrams, Double lateGramsPerMinute, Double lateDisqualifyMinutes, Double shortFishGrams) {
        this(deadFishGrams, lateGramsPerMinute, lateDisqualifyMinutes, shortFishGrams, null);
    }
}
