package lochan.eventformat;

import java.util.LinkedHashMap;
import java.util.Map;
import lochan.core.eventdata.EventData;

/**
 * An event as its file holds it.
 *
 * @param data   what this version knows
 * @param extras what it does not know: for each object, by its pointer (ids for positions of lists that have them), the unknown fields
 *               as a JSON object
 * @param leftOut how many objects had more unknown fields than are kept
 */
public record EventFile(EventData data, Map<String, String> extras, int leftOut) {

    public EventFile(EventData data, Map<String, String> extras) {
        this(data, extras, 0);
    }

    public EventFile {
        extras = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(extras));
    }
}
