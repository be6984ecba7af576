package lochan.web.rehearsal;

import java.time.Instant;
import java.util.List;
import lochan.core.rehearsal.Outcome;
import lochan.core.rehearsal.Step;
import org.jspecify.annotations.Nullable;

/**
 * A rehearsal with its record's id.
 *
 * @param planName of the plan it began with; null: it has none
 * @param number   of the drawn day: the same number is the same day
 * @param steps    taken so far
 * @param advice   whether the move advice is shown
 * @param advised  whether it was shown at any time
 * @param outcome  null: it goes on, or the others have not played yet
 */
record StoredRehearsal(
        long id,
        int day,
        @Nullable String planName,
        int number,
        Instant beganAt,
        List<Step> steps,
        boolean advice,
        boolean advised,
        @Nullable Outcome outcome) {

    StoredRehearsal {
        steps = List.copyOf(steps);
    }

    boolean isOver() {
        return !steps.isEmpty() && steps.getLast() instanceof Step.Home;
    }
}
