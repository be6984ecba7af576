package lochan.core.competition;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import lochan.core.event.Species;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import org.jspecify.annotations.Nullable;

/**
 * One entry of the competition's append-only log. Entries are never changed: a mistake is corrected by a later entry.
 */
public sealed interface Entry {

    /** Made where the entry was written; unique in the log. */
    String id();

    Instant at();

    /** The id of the earlier entry that this one is about, whose competition day it belongs to; null: it stands for itself. */
    default @Nullable String about() {
        return null;
    }

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
     * @param entered        the size as typed; null: none
     */
    @RecordBuilder
    record Catch(
            String id,
            Instant at,
            @Nullable Species species,
            @Nullable Double grams,
            @Nullable Double mm,
            @Nullable String spotId,
            @Nullable String presentationId,
            boolean alive,
            @Nullable String tag,
            @Nullable String entered)
            implements Entry {}

    /** Two fish on the balance beam. */
    record Balance(String id, Instant at, String heavier, String lighter) implements Entry {

        @Override
        public String about() {
            return heavier;
        }
    }

    /** A fish of the livewell died. */
    record Died(String id, Instant at, String catchId) implements Entry {

        @Override
        public String about() {
            return catchId;
        }
    }

    /** A fish was measured again; null keeps that measure. */
    record Correct(
            String id,
            Instant at,
            String catchId,
            @Nullable Double grams,
            @Nullable Double mm,
            @Nullable String entered)
            implements Entry {

        @Override
        public String about() {
            return catchId;
        }
    }

    /** An entry that should not be there. */
    record Void(String id, Instant at, String entryId) implements Entry {

        @Override
        public String about() {
            return entryId;
        }
    }

    /**
     * Records the result of the weigh-in.
     *
     * @param grams        the weight on the scale, before penalties; null: not told
     * @param mm           in a length event, the total length before penalties; null: not told
     * @param deadFish     fish brought in dead; null: none
     * @param lateMinutes  minutes after check-in; null: in time
     * @param shortFish    fish under their minimum brought in; null: none
     * @param overLimit    fish brought in above the limit; null: none
     * @param place        place after this day; null: not told
     * @param biggestGrams the heaviest fish; null: not told
     */
    @RecordBuilder
    record Official(
            String id,
            Instant at,
            @Nullable Double grams,
            @Nullable Double mm,
            @Nullable Integer deadFish,
            @Nullable Double lateMinutes,
            @Nullable Integer shortFish,
            @Nullable Integer overLimit,
            @Nullable Integer place,
            @Nullable Double biggestGrams)
            implements Entry {

        public Official(String id, Instant at, Double grams, Integer deadFish) {
            this(id, at, grams, null, deadFish, null, null, null, null, null);
        }
    }

    /** The scale was tried with a known weight. */
    record ScaleCheck(String id, Instant at, double knownGrams, double readGrams) implements Entry {

        /** Returns how much the scale shows too much, g. */
        public double offsetGrams() {
            return readGrams - knownGrams;
        }
    }

    /** The livewell was looked at: the temperature of its water. */
    record LivewellReading(String id, Instant at, double celsius) implements Entry {}

    /**
     * A bite that was not landed.
     *
     * @param lossWay how it was lost; null: not noted
     */
    record Bite(
            String id,
            Instant at,
            @Nullable String spotId,
            @Nullable String presentationId,
            @Nullable Outcome outcome,
            @Nullable LossWay lossWay)
            implements Entry {

        public Bite(
                String id,
                Instant at,
                @Nullable String spotId,
                @Nullable String presentationId,
                @Nullable Outcome outcome) {
            this(id, at, spotId, presentationId, outcome, null);
        }
    }

    /** Says how the fish of an earlier {@link Bite} was lost: the bite counts once, with this way. */
    record Loss(String id, Instant at, String entryId, LossWay way) implements Entry {

        @Override
        public String about() {
            return entryId;
        }
    }

    /** Records what is fished from then on; both null: nothing, the boat is under way. */
    record Fishing(
            String id,
            Instant at,
            @Nullable String spotId,
            @Nullable String presentationId) implements Entry {}
}
