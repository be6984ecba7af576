package lochan.offline.bag;

import static java.util.Collections.unmodifiableMap;

import java.util.LinkedHashMap;
import java.util.Map;
import lochan.core.eventdata.EventData;
import org.jspecify.annotations.Nullable;

/**
 * What spots and presentations are called, in the order they were given.
 *
 * @param spots         name by id
 * @param presentations name by id
 */
public record Names(Map<String, String> spots, Map<String, String> presentations) {

    public Names {
        spots = unmodifiableMap(new LinkedHashMap<>(spots));
        presentations = unmodifiableMap(new LinkedHashMap<>(presentations));
    }

    /** Those of an event. */
    public static Names in(EventData event) {
        Map<String, String> spots = new LinkedHashMap<>();
        event.spots().forEach(s -> spots.put(s.id(), s.name()));
        Map<String, String> presentations = new LinkedHashMap<>();
        event.presentations().forEach(p -> presentations.put(p.id(), p.name()));
        return new Names(spots, presentations);
    }

    /** As "Sill Ledge, Swim jig"; a presentation that is not noted (null) is left out. */
    String of(String spot, @Nullable String presentation) {
        return spots.getOrDefault(spot, spot)
                + (presentation == null ? "" : ", " + presentations.getOrDefault(presentation, presentation));
    }
}
