package lochan.core;

/**
 * One thing wrong with what a person or a file gave, and how to correct it.
 *
 * @param field   where: the field's name, or a path of names and positions from 0 with '/' between them ({@code days/0/checkIn})
 * @param message what was found, what was expected and the remedy, in one sentence
 */
public record Violation(String field, String message) {

    /** The same violation seen from one level further up. */
    public Violation under(String parent) {
        return new Violation(parent + "/" + field, message);
    }
}
