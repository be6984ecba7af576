package lochan.core;

import java.util.List;

/**
 * Names one message. Each feature lists its messages in an enum; the text of a message stands in the module {@code
 * wording}.
 */
public interface ReasonCode {

    /** Returns the name of the enum constant. */
    String name();

    /** Returns the name of the message file without its ending. */
    String file();

    /** Returns how many values the message takes; most take none. */
    default int arity() {
        return 0;
    }

    /**
     * Returns the key of the message: {@code SLOT_ORDER} of the file {@code rules} has the key {@code
     * rules.slot-order}.
     */
    default String key() {
        return file() + "." + Coded.spelt(name());
    }

    /**
     * Returns a reason with the values its message shows.
     *
     * @param values text, whole numbers, {@link lochan.core.Measure}s, {@link Coded} choices or other reasons, in the
     *               message's order
     * @throws IllegalArgumentException when there are more or fewer values than the message takes
     */
    default Reason with(Object... values) {
        return new Reason(this, List.of(values));
    }
}
