package lochan.core.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import lochan.core.lake.Sighting;
import org.jspecify.annotations.Nullable;

/**
 * How a bite came about; null: not noted.
 *
 * @param retrieve    how the lure was worked
 * @param seen        how the fish stood; its depth is how deep the fish was
 * @param waterDepthM how deep the water was, m
 * @param takenOn     where the lure was
 * @param onRig       where on the rig it bit, as "trailer" or "third arm"
 * @param colour      how the lure's colour looks under water
 * @param size        of the lure
 * @param lossWay     how it was lost
 * @param entered     quantities as they were typed, by field name
 */
@RecordBuilder
public record BiteNotes(
        @Nullable String retrieve,
        Sighting seen,
        @Nullable Double waterDepthM,
        @Nullable TakenOn takenOn,
        @Nullable String onRig,
        @Nullable ColourFamily colour,
        @Nullable LureSize size,
        @Nullable LossWay lossWay,
        Map<String, String> entered) {

    public static final BiteNotes NONE =
            BiteNotesBuilder.builder().seen(Sighting.NONE).entered(Map.of()).build();

    public BiteNotes {
        entered = Map.copyOf(entered);
    }

    /** How deep the fish was, m; null: not noted. */
    public @Nullable Double fishDepthM() {
        return seen.depthM();
    }

    public boolean isEmpty() {
        return equals(BiteNotesBuilder.builder(NONE).entered(entered).build());
    }
}
