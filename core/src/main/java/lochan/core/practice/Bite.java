package lochan.core.practice;

import java.time.Instant;
import lochan.core.event.Species;

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
        Instant at, Outcome outcome, String presentationId, Species species, FishSize size, BiteNotes notes) {

    public Bite(Instant at, Outcome outcome, String presentationId, Species species, FishSize size) {
        this(at, outcome, presentationId, species, size, BiteNotes.NONE);
    }

    /** The same on a presentation. */
    public Bite on(String presentation) {
        return new Bite(at, outcome, presentation, species, size, notes);
    }
}
