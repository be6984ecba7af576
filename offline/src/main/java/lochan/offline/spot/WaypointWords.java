package lochan.offline.spot;

import java.util.ArrayList;
import java.util.List;
import lochan.core.lake.Sighting;
import lochan.core.lake.Waypoint;
import lochan.core.quantity.Units;
import lochan.offline.practice.ConditionWords;

/** A waypoint in one line. */
public final class WaypointWords {

    private WaypointWords() {}

    public static String of(Waypoint m, Units units) {
        List<String> words = new ArrayList<>();
        Sighting fish = m.fish();
        Sighting alone = new Sighting(fish.position(), fish.depthM(), null, fish.count(), fish.shape());
        if (!alone.isEmpty()) {
            words.add(ConditionWords.of(alone, units));
        }
        if (m.waterDepthM() != null) {
            words.add(units.depth(m.waterDepthM()) + " of water");
        }
        if (m.bottom() != null) {
            words.add(m.bottom().code() + " bottom");
        }
        if (fish.bait() != null) {
            words.add(fish.bait() ? "bait" : "no bait");
        }
        if (m.note() != null) {
            words.add(m.note());
        }
        return words.isEmpty() ? "a waypoint" : String.join(" · ", words);
    }
}
