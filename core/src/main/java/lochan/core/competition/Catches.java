package lochan.core.competition;

import java.util.HashMap;
import java.util.Map;
import lochan.core.Lookup;

/** The catches of a log by their ids. */
final class Catches {

    private final Map<String, CatchRecord> records = new HashMap<>();

    void put(CatchRecord record) {
        records.put(record.entry().id(), record);
    }

    boolean has(String id) {
        return records.containsKey(id);
    }

    /** @throws java.util.NoSuchElementException when the log has no such catch */
    CatchRecord of(String id) {
        return Lookup.of(records, id);
    }
}
