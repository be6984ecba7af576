package lochan.core.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A rod with its reel and what is spooled on it.
 *
 * @param id       unique in its tackle
 * @param name     what the angler calls it
 * @param lengthM  length, m
 * @param turnM    line taken in by one turn of the reel, m; null: unknown
 * @param line     on the reel
 * @param leader   tied to it; null: none
 * @param inBoat   whether it comes along
 * @param entered  quantities as they were typed, by field name
 */
@RecordBuilder
public record Rod(
        String id,
        String name,
        double lengthM,
        Power power,
        RodAction action,
        @Nullable Double turnM,
        FishingLine line,
        @Nullable FishingLine leader,
        boolean inBoat,
        Map<String, String> entered) {

    public Rod {
        entered = Map.copyOf(entered);
    }

    /** Returns the line the lure is tied to. */
    public FishingLine end() {
        return leader == null ? line : leader;
    }
}
