package lochan.core.lake;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * A note of what the electronics showed at a place on the water. It may become a spot or stay a note on one. Null: not
 * noted.
 *
 * @param id          unique in its event
 * @param at          when it was seen
 * @param spotId      the spot it is a note on; null: on none
 * @param fish        how fish stood there
 * @param waterDepthM how deep the water is, m
 * @param bottom      how hard the bottom is
 * @param note        words of the angler's
 * @param entered     quantities as they were typed, by field name
 */
@RecordBuilder
public record Waypoint(
        String id,
        Instant at,
        Position position,
        @Nullable String spotId,
        Sighting fish,
        @Nullable Double waterDepthM,
        @Nullable Bottom bottom,
        @Nullable String note,
        Map<String, String> entered) {

    public static final int LONGEST_NOTE = 200;

    /** How hard the bottom is, as sonar tells. */
    public enum Bottom implements Coded {
        SOFT("soft"),
        FIRM("firm"),
        HARD("hard");

        private final String code;

        Bottom(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    public Waypoint {
        entered = Map.copyOf(entered);
    }

    /** Returns what it is called where a name is needed: its note, or "waypoint". */
    public String name() {
        return note == null || note.isBlank() ? "waypoint" : note;
    }

    /** Returns the waypoint as a note on a spot. */
    public Waypoint on(String spot) {
        return WaypointBuilder.builder(this).spotId(spot).build();
    }
}
