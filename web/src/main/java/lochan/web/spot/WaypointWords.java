package lochan.web.spot;

import java.util.ArrayList;
import java.util.List;
import lochan.core.lake.Waypoint;
import lochan.core.quantity.Units;

/** A waypoint in one line. */
public final class WaypointWords {

    private WaypointWords() {}

    public static String of(Waypoint m, Units units) {
        List<String> words = new ArrayList<>();
        if (m.fishDepthM() != null || m.fishPosition() != null) {
            words.add("fish"
                    + (m.fishPosition() == null ? "" : " " + m.fishPosition().words())
                    + (m.fishDepthM() == null ? "" : " at " + units.depth(m.fishDepthM())));
        }
        if (m.waterDepthM() != null) {
            words.add(units.depth(m.waterDepthM()) + " of water");
        }
        if (m.bottom() != null) {
            words.add(m.bottom().code() + " bottom");
        }
        if (m.bait() != null) {
            words.add(m.bait() ? "bait" : "no bait");
        }
        if (m.note() != null) {
            words.add(m.note());
        }
        return words.isEmpty() ? "a waypoint" : String.join(" · ", words);
    }
}
