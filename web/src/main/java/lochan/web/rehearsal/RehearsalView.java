package lochan.web.rehearsal;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.rehearsal.Outcome;
import lochan.web.modelling.BackgroundComputation;
import org.jspecify.annotations.Nullable;

/**
 * A rehearsed day that is over.
 *
 * @param id      of the rehearsal
 * @param played   as "Day 1, balanced"
 * @param number  of the drawn day
 * @param you     the bag, in words
 * @param back    when the boat was back, in words
 * @param advice  whether the move advice was seen, in words
 * @param work    of letting the others play; null: they have
 * @param bars    the bags; empty while they are computed
 * @param summary what the bags say; null while they are computed
 * @param caught  lightning on the water, in words
 * @param costs   choices that cost most, in words
 * @param given   what all choices gave away; null: nothing
 * @param places  what was true
 * @param log     what was logged, in words
 */
@RecordBuilder
record RehearsalView(
        long id,
        String played,
        int number,
        String you,
        String back,
        String advice,
        BackgroundComputation.@Nullable State<Outcome> work,
        List<Bar> bars,
        @Nullable String summary,
        List<String> caught,
        List<String> costs,
        @Nullable String given,
        List<Place> places,
        List<Logged> log) {

    /** Width of the longest bar. */
    static final double BAR_WIDTH = 200;

    RehearsalView {
        bars = List.copyOf(bars);
        caught = List.copyOf(caught);
        costs = List.copyOf(costs);
        places = List.copyOf(places);
        log = List.copyOf(log);
    }

    /**
     * A bag.
     *
     * @param note when it was back, and how late
     */
    record Bar(String name, String weight, String fish, String note, double width, boolean you) {}

    /**
     * The truth about a spot and lure.
     *
     * @param said whether it was better or worse than expected, in words
     */
    record Place(String place, String bites, String expected, String said, boolean fished) {}

    record Logged(String time, String what, String brought) {}
}
