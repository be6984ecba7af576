package lochan.core.practice;

import java.time.Instant;
import lochan.core.event.Species;

/**
 * One strike.
 *
 * @param at             when; null: some time during its stop
 * @param outcome        what became of it
 * @param presentationId on what; null: not noted
 * @param species        null: unknown
 * @param size           null: unknown
 */
public record Bite(Instant at, Outcome outcome, String presentationId, Species species, FishSize size) { }
