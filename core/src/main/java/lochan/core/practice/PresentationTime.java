package lochan.core.practice;

import org.jspecify.annotations.Nullable;

/**
 * A presentation fished at a stop.
 *
 * @param minutes how long; null: its share of the time that others leave
 */
public record PresentationTime(
        String presentationId, @Nullable Double minutes) {}
