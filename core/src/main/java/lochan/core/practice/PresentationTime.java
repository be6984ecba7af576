package lochan.core.practice;

import org.jspecify.annotations.Nullable;

/**
 * A presentation fished at a stop.
 *
 * @param minutes  how long; null: its share of the time that others leave
 * @param retrieve how the lure was mostly worked; null: not noted
 * @param colour   how its colour looks under water; null: not noted
 */
public record PresentationTime(
        String presentationId,
        @Nullable Double minutes,
        @Nullable String retrieve,
        @Nullable ColourFamily colour) {

    public PresentationTime(String presentationId, @Nullable Double minutes) {
        this(presentationId, minutes, null, null);
    }
}
