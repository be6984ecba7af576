package lochan.core.tackle;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.practice.ColourFamily;
import org.jspecify.annotations.Nullable;

/**
 * Something of the tackle box.
 *
 * @param id      unique in its tackle
 * @param kind    what it is
 * @param name    what the angler calls it, a lure with its colour
 * @param lureId  the lure it is, or goes on; null: any
 * @param grams   weight of a lure or sinker, g; null: unknown
 * @param colour  how a lure's colour looks under water; null: does not matter
 * @param line    of a leader; null for all else
 * @param count   how many are there, 0 or more
 * @param inBoat  whether it comes along
 * @param entered quantities as they were typed, by field name
 */
@RecordBuilder
public record BoxItem(
        String id,
        Kind kind,
        String name,
        @Nullable String lureId,
        @Nullable Double grams,
        @Nullable ColourFamily colour,
        @Nullable FishingLine line,
        int count,
        boolean inBoat,
        Map<String, String> entered) {

    public BoxItem {
        entered = Map.copyOf(entered);
    }

    /** What lies in a tackle box. */
    public enum Kind implements Coded {
        LURE,
        HOOKS,
        LEADER;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }
}
