package lochan.core.model.splits;

/**
 * A piece of practice with its answer to a question.
 *
 * @param answer   in words, as "blown"
 * @param hours    angler-hours
 * @param bites    had in them
 * @param expected bites, by the pattern's rate: what lures and spot types explain is no split
 */
public record Piece(Question question, String answer, double hours, double bites, double expected) {}
