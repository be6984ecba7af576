package lochan.web.rehearsal;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The rehearsals of an event.
 *
 * @param choices plans to rehearse
 * @param chosen  of them; null: none is there
 * @param none    why none can be rehearsed; null: one can
 * @param typed   the number of a day as typed
 * @param wrong   what is wrong with it; null: nothing
 * @param lines   rehearsals, the last first
 */
record RehearsalsView(
        List<Choice> choices,
        @Nullable Long chosen,
        @Nullable String none,
        String typed,
        @Nullable String wrong,
        List<Line> lines) {

    RehearsalsView {
        choices = List.copyOf(choices);
        lines = List.copyOf(lines);
    }

    /** A plan. */
    record Choice(long id, String words) {}

    /**
     * A rehearsal.
     *
     * @param you   the bag; null: it goes on
     * @param plan  the plan's bag; null: not known yet
     * @param again of planning again every hour
     * @param given what choices gave away in all
     */
    @RecordBuilder
    record Line(
            long id,
            String began,
            String of,
            int number,
            String advice,
            boolean over,
            @Nullable String you,
            @Nullable String plan,
            @Nullable String again,
            @Nullable String given) {}
}
