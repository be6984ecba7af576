package lochan.core;

/**
 * One thing wrong with what a person or a file gave.
 *
 * @param field  where: the field's name, or a path of names and positions from 0 with '/' between them ({@code
 *               days/0/checkIn})
 * @param reason what is wrong and what to do about it
 */
public record Violation(String field, Reason reason) {

    public Violation(String field, ReasonCode code, Object... values) {
        this(field, code.with(values));
    }

    /** Returns the violation as seen from one level further up. */
    public Violation under(String parent) {
        return at(parent + "/" + field);
    }

    /** Returns the violation at another field. */
    public Violation at(String otherField) {
        return new Violation(otherField, reason);
    }
}
