package lochan.core.practice;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How a bite came about; null where nobody noted it. Kept for the angler: nothing is computed with it.
 *
 * @param retrieve    how the lure was worked
 * @param fishDepthM  how deep the fish was, m
 * @param waterDepthM how deep the water was, m
 * @param takenOn     where the lure was
 * @param onRig       where on the rig it bit, as "trailer" or "third arm"
 * @param entered     quantities as they were typed, by field name
 */
public record BiteNotes(
        @Nullable String retrieve,
        @Nullable Double fishDepthM,
        @Nullable Double waterDepthM,
        @Nullable TakenOn takenOn,
        @Nullable String onRig,
        Map<String, String> entered) {

    public static final BiteNotes NONE = new BiteNotes(null, null, null, null, null, Map.of());

    public BiteNotes {
        entered = Map.copyOf(entered);
    }

    public boolean isEmpty() {
        return retrieve == null && fishDepthM == null && waterDepthM == null && takenOn == null && onRig == null;
    }
}
