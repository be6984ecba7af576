package lochan.core.competition;

import java.time.Instant;
import lochan.core.event.Species;
import lochan.core.practice.Outcome;

/**
 * One entry of the competition's append-only log. Entries are never changed: a mistake is mended by a later entry.
 */
public sealed interface Entry {

    /** Made by whoever wrote the entry; unique in the log. */
    String id();

    Instant at();

    /**
     * A landed fish.
     *
     * @param species        null: unknown
     * @param grams          null: not weighed
     * @param mm             total length; null: not measured, taken as long enough
     * @param spotId         null: not noted
     * @param presentationId null: not noted
     * @param alive          whether it was alive when logged
     * @param tag            the tag wished for; null: the next free one
     * @param entered        the size as it was typed; null: nothing was
     */
    record Catch(String id, Instant at, Species species, Double grams, Double mm, String spotId, String presentationId,
                 boolean alive, String tag, String entered) implements Entry { }

    /** Two fish on the balance beam. */
    record Balance(String id, Instant at, String heavier, String lighter) implements Entry { }

    /** A fish of the well died. */
    record Died(String id, Instant at, String catchId) implements Entry { }

    /** A fish was measured again; null leaves that measure as it was. */
    record Correct(String id, Instant at, String catchId, Double grams, Double mm, String entered) implements Entry { }

    /** An entry that should not be there. */
    record Void(String id, Instant at, String entryId) implements Entry { }

    /** What the weigh-in said. */
    record Official(String id, Instant at, Double grams, Integer deadFish) implements Entry { }

    /** A strike that was not landed. */
    record Strike(String id, Instant at, String spotId, String presentationId, Outcome outcome) implements Entry { }

    /** What is fished from then on; both null: nothing, the boat is under way. */
    record Fishing(String id, Instant at, String spotId, String presentationId) implements Entry { }
}
