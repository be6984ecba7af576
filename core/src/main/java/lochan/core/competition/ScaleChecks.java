package lochan.core.competition;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;

/** What checks with a known weight say of the scale: a reading is off by what the last check before it was off by. */
final class ScaleChecks {

    private static final double LEAST_GRAMS = 1;

    private final Set<Entry.ScaleCheck> counting = new LinkedHashSet<>();
    private final List<Entry.ScaleCheck> all = new ArrayList<>();

    void count(Entry.ScaleCheck check, boolean counts) {
        if (!counts) {
            counting.remove(check);
        } else if (counting.add(check) && !all.contains(check)) {
            all.add(check);
        }
    }

    /** True weights, g, of readings taken now; a check voided later has not been made. */
    DoubleUnaryOperator now() {
        List<Entry.ScaleCheck> before = List.copyOf(all.reversed());
        return reading -> Math.max(
                LEAST_GRAMS,
                reading
                        - before.stream()
                                .filter(counting::contains)
                                .findFirst()
                                .map(Entry.ScaleCheck::offsetGrams)
                                .orElse(0.0));
    }
}
