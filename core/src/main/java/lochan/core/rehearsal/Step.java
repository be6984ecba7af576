package lochan.core.rehearsal;

import lochan.core.model.rate.Cell;

/** A decision in a rehearsed day, one step at a time. */
public sealed interface Step {

    /** Runs to a spot and sets up there, or changes the lure where the boat is. */
    record Go(Cell cell) implements Step {}

    /** Fishes where the boat is. */
    record Fish(int minutes) implements Step {}

    /**
     * Goes ashore, and waits there while there is lightning.
     *
     * @param shelter its id
     */
    record Ashore(String shelter) implements Step {}

    /** Waits where the boat is. */
    record Wait(int minutes) implements Step {}

    /** Runs to check-in. */
    record Home() implements Step {}
}
