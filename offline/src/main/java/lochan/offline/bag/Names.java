package lochan.offline.bag;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What spots and presentations are called.
 *
 * @param spots         name by id
 * @param presentations name by id
 */
public record Names(Map<String, String> spots, Map<String, String> presentations) {

    public Names {
        spots = Map.copyOf(spots);
        presentations = Map.copyOf(presentations);
    }

    /** As "Sill Ledge, Swim jig"; a presentation that is not noted (null) is left out. */
    String of(String spot, @Nullable String presentation) {
        return spots.getOrDefault(spot, spot)
                + (presentation == null ? "" : ", " + presentations.getOrDefault(presentation, presentation));
    }
}
