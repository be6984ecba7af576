package lochan.core.competition;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A catch with what later entries say of it while the log is replayed. */
final class CatchRecord {

    private final Entry.Catch entry;
    private final int day;
    private final DoubleUnaryOperator scale;
    private final List<Correction> corrections = new ArrayList<>();
    private final Set<String> voided = new HashSet<>();
    private final Set<String> deaths = new HashSet<>();

    /** A correction, and what turns a reading of its scale into a weight. */
    private record Correction(Entry.Correct entry, DoubleUnaryOperator scale) {

        @Nullable
        Double grams() {
            return weight(entry.grams(), scale);
        }
    }

    /** @param scale what turns the scale's reading, g, into the weight */
    CatchRecord(Entry.Catch entry, int day, DoubleUnaryOperator scale) {
        this.entry = entry;
        this.day = day;
        this.scale = scale;
    }

    private static @Nullable Double weight(@Nullable Double reading, DoubleUnaryOperator scale) {
        return reading == null ? null : Double.valueOf(scale.applyAsDouble(reading));
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

    @Nullable
    Double grams() {
        return lastFirst()
                .map(Correction::grams)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(weight(entry.grams(), scale));
    }

    @Nullable
    Double mm() {
        return lastFirst()
                .map(c -> c.entry().mm())
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(entry.mm());
    }

    void correct(Entry.Correct correction, DoubleUnaryOperator scale, boolean counts) {
        if (!counts) {
            voided.add(correction.id());
        } else if (!voided.remove(correction.id())) {
            corrections.add(new Correction(correction, scale));
        }
    }

    private Stream<Correction> lastFirst() {
        return corrections.reversed().stream()
                .filter(c -> !voided.contains(c.entry().id()));
    }

    void died(String entryId, boolean counts) {
        if (counts) {
            deaths.add(entryId);
        } else {
            deaths.remove(entryId);
        }
    }
}
