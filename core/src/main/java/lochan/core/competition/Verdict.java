package lochan.core.competition;

import org.jspecify.annotations.Nullable;

/**
 * A decision on a fish in hand, and why.
 *
 * @param reason   the rule that decided
 * @param released the fish that goes back; null: none, or not settled
 * @param first    with {@link Decision#BALANCE} one fish to weigh, else null
 * @param second   with {@link Decision#BALANCE} the other, else null
 */
public record Verdict(
        Decision decision,
        Reason reason,
        @Nullable String released,
        @Nullable String first,
        @Nullable String second) {

    /** The rule that decided. */
    public enum Reason {
        ROOM,
        SHORT,
        LIGHT,
        IN_SLOT,
        HEAVIER,
        TOO_LIGHT,
        SPECIES_FULL,
        OVER_FULL,
        NO_CULLING,
        NOTHING_TO_CULL,
        TOO_CLOSE
    }

    static Verdict keep() {
        return new Verdict(Decision.KEEP, Reason.ROOM, null, null, null);
    }

    static Verdict release(Reason reason, String fish) {
        return new Verdict(Decision.RELEASE, reason, fish, null, null);
    }

    static Verdict cull(String fish) {
        return new Verdict(Decision.CULL, Reason.HEAVIER, fish, null, null);
    }

    static Verdict balance(String first, String second) {
        return new Verdict(Decision.BALANCE, Reason.TOO_CLOSE, null, first, second);
    }
}
