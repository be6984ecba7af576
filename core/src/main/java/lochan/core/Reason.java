package lochan.core;

import java.util.List;

/**
 * Tells why, or what to do, without words: the module {@code wording} turns it into text.
 *
 * @param code   which message
 * @param values what the message shows, in its order: see {@link ReasonCode#with}
 */
public record Reason(ReasonCode code, List<Object> values) {

    /** @throws IllegalArgumentException when there are more or fewer values than the message takes */
    public Reason {
        values = List.copyOf(values);
        if (values.size() != code.arity()) {
            throw new IllegalArgumentException(
                    code.key() + " has " + values.size() + " values, expected " + code.arity());
        }
    }

    /** Returns the key with the values, for logs and failed tests. */
    @Override
    public String toString() {
        return code.key() + (values.isEmpty() ? "" : values);
    }
}
