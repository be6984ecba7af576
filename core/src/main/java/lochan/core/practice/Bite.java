package lochan.core.practice;

import java.time.Instant;
import lochan.core.event.Species;
import org.jspecify.annotations.Nullable;

/**
 * One bite.
 *
 * @param at             when; null: some time during its stop
 * @param outcome        what became of it
 * @param presentationId on what; null: not noted
 * @param species        null: unknown
 * @param size           null: unknown
 * @param notes          how it came about
 */
public record Bite(
        @Nullable Instant at,
        Outcome outcome,
        @Nullable String presentationId,
        @Nullable Species species,
        @Nullable FishSize size,
        BiteNotes notes) {

    public Bite(
            @Nullable Instant at,
            Outcome outcome,
            String presentationId,
            @Nullable Species species,
            @Nullable FishSize size) {
        this(at, outcome, presentationId, species, size, BiteNotes.NONE);
    }

    /** Returns the bite on a presentation. */
    public Bite on(@Nullable String presentation) {
        return new Bite(at, outcome, presentation, species, size, notes);
    }
}
