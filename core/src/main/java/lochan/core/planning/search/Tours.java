package lochan.core.planning.search;

import java.util.ArrayList;
import java.util.List;

/** A problem of choosing what to visit, in which order and how long, within a budget of time. */
public interface Tours {

    /** Number of items; visits name them from 0. */
    int items();

    /** Lengths of stay to put an item in with, steps, at least one; {0} where staying makes no difference. */
    int[] stays(int item);

    /** The shortest stay an item may be cut to, steps. */
    int shortestStay(int item);

    /** Whether the item's visit is a given: it is neither taken out nor changed. */
    boolean isFixed(int item);

    /** How often an item may be visited in a tour. */
    int mostVisits(int item);

    /**
     * Returns the rest of the budget, in steps of time or parts of them; below 0 for a tour that breaks it or any rule.
     */
    double slack(List<Visit> tour);

    /**
     * Returns the rest of the budget with one more visit.
     *
     * @param slack what is left of the tour
     * @param at    before which of its visits
     */
    default double slackWith(List<Visit> tour, double slack, int at, Visit visit) {
        List<Visit> with = new ArrayList<>(tour);
        with.add(at, visit);
        return slack(with);
    }

    /** What a tour within the budget is worth; more is better. */
    double value(List<Visit> tour);

    /** Whether a value is so dear to compute that it is kept, to be looked up when its tour comes up again. */
    default boolean isDear() {
        return true;
    }

    /** A tour of a round that lies farther below the best than this share of it is not improved: less than 1 where a value is dear to compute. */
    default double near() {
        return 1;
    }

    /** A rough guess of an item's worth, above 0: items are drawn by it. */
    double promise(int item);
}
