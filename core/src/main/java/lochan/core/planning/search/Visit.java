package lochan.core.planning.search;

/**
 * A visit of a tour.
 *
 * @param item what is visited, from 0
 * @param stay how long, steps of time; 0 where staying makes no difference
 */
public record Visit(int item, int stay) {

    /** Written out: tours are looked up by it all the time. */
    @Override
    public int hashCode() {
        return 1021 * item + stay;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Visit v && v.item == item && v.stay == stay;
    }
}
