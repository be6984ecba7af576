package lochan.core.competition;

import lochan.core.event.Species;
import org.jspecify.annotations.Nullable;

/**
 * A fish as the log knows it now.
 *
 * @param id    the id of its {@code catch}
 * @param grams latest weight; null: not weighed
 * @param mm    latest length, in a length event what it counts for; null: not measured
 * @param isShort whether it is now known to be under its minimum length
 * @param tag   tag it wears in the livewell; null: none
 */
public record Fish(
        String id,
        @Nullable Species species,
        @Nullable Double grams,
        @Nullable Double mm,
        boolean alive,
        boolean isShort,
        @Nullable String tag) {}
