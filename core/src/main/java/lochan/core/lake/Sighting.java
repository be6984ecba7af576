package lochan.core.lake;

import org.jspecify.annotations.Nullable;

/**
 * Fish as they were seen at a place; null: not noted.
 *
 * @param position how they lay to the place
 * @param depthM   how deep they were, m
 * @param bait     whether bait was near
 * @param count    how many there were
 * @param shape    of what the electronics showed
 */
public record Sighting(
        @Nullable FishPosition position,
        @Nullable Double depthM,
        @Nullable Boolean bait,
        @Nullable FishCount count,
        @Nullable FishShape shape) {

    public static final Sighting NONE = new Sighting(null, null, null, null, null);

    public boolean isEmpty() {
        return equals(NONE);
    }

    /** Whether it looks like another kind of fish than bass. */
    public boolean isOtherKind() {
        return shape == FishShape.TALL_STACK;
    }
}
