package lochan.core.notebook;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Coded;
import lochan.core.event.Species;
import lochan.core.quantity.Instants;
import org.jspecify.annotations.Nullable;

/**
 * A single fish that was seen and may be caught: on a bed, under a dock.
 *
 * @param id          unique in its event
 * @param spotId      at which spot
 * @param where       where there, in the angler's words
 * @param kind        what holds it there
 * @param species     null: unknown
 * @param guessGrams  its guessed weight, g, more than 0
 * @param from        time of day from which light and sun are right; null: any time
 * @param to          until when; null: any time
 * @param maxWindMps wind above which it cannot be seen or fished, m/s; null: any
 * @param nextVisit   when to come back; null: not settled
 * @param gone        whether it was caught, or is no longer there
 * @param note        null: none
 * @param tries       in the order made
 * @param entered     quantities as they were typed, by field name
 */
@RecordBuilder
public record KnownFish(
        String id,
        String spotId,
        String where,
        Kind kind,
        @Nullable Species species,
        double guessGrams,
        @Nullable LocalTime from,
        @Nullable LocalTime to,
        @Nullable Double maxWindMps,
        @Nullable Instant nextVisit,
        boolean gone,
        @Nullable String note,
        List<Try> tries,
        Map<String, String> entered) {

    public static final int LONGEST_WORDS = 120;

    public KnownFish {
        if (!(guessGrams > 0)) {
            throw new IllegalArgumentException("guessGrams is " + guessGrams + ", expected more than 0");
        }
        if (from != null && to != null && !from.isBefore(to)) {
            throw new IllegalArgumentException(
                    "its window runs from " + from + " to " + to + ", expected the earlier first");
        }
        tries = List.copyOf(tries);
        entered = Map.copyOf(entered);
    }

    /** What holds a fish where it is. */
    public enum Kind implements Coded {
        BED,
        DOCK,
        COVER,
        ROAMING,
        /** Many that were not feeding when they were seen: to be looked at again, not planned for as one fish. */
        SCHOOL;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }

    /** What a fish did when it was tried. */
    public enum Reaction implements Coded {
        IGNORED,
        SPOOKED,
        LOOKED,
        BIT,
        CAUGHT;

        @Override
        public String code() {
            return Coded.spelt(this);
        }
    }

    /**
     * A try for it.
     *
     * @param presentationId on what; null: not noted
     */
    public record Try(
            Instant at, Reaction reaction, @Nullable String presentationId) {}

    /**
     * Chance that it is caught in a visit: the prior and each try so far, (2·0.35 + Σ r)/(2 + n), with r 1 for a bite or a catch, 0.3 for a look, else 0.
     */
    public double chancePerVisit(Assumptions.Notes a) {
        double taken = tries.stream()
                .mapToDouble(t -> switch (t.reaction()) {
                    case BIT, CAUGHT -> 1;
                    case LOOKED -> a.fishLook();
                    case IGNORED, SPOOKED -> 0;
                })
                .sum();
        return (a.fishVisits() * a.fishChance() + taken) / (a.fishVisits() + tries.size());
    }

    /** Whether sun and light are right at some time of [arrive, leave) that is long enough for a visit. */
    public boolean isOpen(Instant arrive, Instant leave, int leastMinutes, ZoneId zone) {
        Instant opens = from == null
                ? arrive
                : Instants.later(
                        arrive,
                        from.atDate(arrive.atZone(zone).toLocalDate())
                                .atZone(zone)
                                .toInstant());
        Instant closes = to == null
                ? leave
                : Instants.earlier(
                        leave,
                        to.atDate(arrive.atZone(zone).toLocalDate())
                                .atZone(zone)
                                .toInstant());
        return !opens.plusSeconds(60L * leastMinutes).isAfter(closes);
    }

    /** Whether it is time to come back. */
    public boolean isDue(Instant now) {
        return !gone && nextVisit != null && !nextVisit.isAfter(now);
    }

    /** Returns the fish after another try; a fish caught in practice was released and stays. */
    public KnownFish tried(Try another, @Nullable Instant next) {
        List<Try> all = new java.util.ArrayList<>(tries);
        all.add(another);
        return KnownFishBuilder.builder(this).nextVisit(next).tries(all).build();
    }

    /** Returns the fish, gone or back. */
    public KnownFish gone(boolean isGone) {
        return KnownFishBuilder.builder(this).gone(isGone).build();
    }
}
