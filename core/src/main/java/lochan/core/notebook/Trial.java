package lochan.core.notebook;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Coded;

/**
 * Two ways tried against each other.
 *
 * @param id     unique in its event
 * @param of     what differs
 * @param first  one of them, in the angler's words or a presentation's id
 * @param second the other
 * @param rounds in the order fished
 */
public record Trial(String id, Subject of, String first, String second, List<Round> rounds) {

    public static final int LONGEST_WORDS = 60;

    public Trial {
        rounds = List.copyOf(rounds);
    }

    /** What differs between two ways. */
    public enum Subject implements Coded {
        RETRIEVE,
        COLOUR,
        LURE,
        LEADER;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }

    /**
     * Some time with one of the two.
     *
     * @param ofFirst whether with the first
     * @param minutes how long, one line, more than 0
     * @param bites had, 0 or more
     * @param landed  of them, 0 to bites
     */
    public record Round(Instant at, boolean ofFirst, double minutes, int bites, int landed) {

        public Round {
            if (!(minutes > 0)) {
                throw new IllegalArgumentException("minutes is " + minutes + ", expected more than 0");
            }
            if (bites < 0 || landed < 0 || landed > bites) {
                throw new IllegalArgumentException("bites is " + bites + " with " + landed
                        + " landed, expected 0 or more and no more landed than bites");
            }
        }
    }

    /** Returns the trial with another round. */
    public Trial with(Round round) {
        List<Round> all = new ArrayList<>(rounds);
        all.add(round);
        return new Trial(id, of, first, second, all);
    }
}
