package lochan.core.competition;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/** A catch with what later entries say of it while the log is replayed. */
final class CatchRecord {

    private final Entry.Catch entry;
    private final int day;
    private final List<Entry.Correct> corrections = new ArrayList<>();
    private final Set<String> deaths = new HashSet<>();

    CatchRecord(Entry.Catch entry, int day) {
        this.entry = entry;
        this.day = day;
    }

    Entry.Catch entry() {
        return entry;
    }

    int day() {
        return day;
    }

    boolean alive() {
        return entry.alive() && deaths.isEmpty();
    }

    Double grams() {
        return corrections.reversed().stream().map(Entry.Correct::grams).filter(Objects::nonNull).findFirst().orElse(entry.grams());
    }

    Double mm() {
        return corrections.reversed().stream().map(Entry.Correct::mm).filter(Objects::nonNull).findFirst().orElse(entry.mm());
    }

    void correct(Entry.Correct correction, boolean counts) {
        if (counts) {
            corrections.add(correction);
        } else {
            corrections.remove(correction);
        }
    }

    void died(String entryId, boolean counts) {
        if (counts) {
            deaths.add(entryId);
        } else {
            deaths.remove(entryId);
        }
    }
}
