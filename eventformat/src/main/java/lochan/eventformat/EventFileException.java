package lochan.eventformat;

import java.util.List;
import lochan.core.Violation;
import lochan.core.quantity.Units;
import lochan.wording.Wording;

/** A file that is no event file, with everything wrong in it. Nothing of it is taken. */
public final class EventFileException extends Exception {

    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    EventFileException(List<Problem> problems) {
        super(problems.getFirst().toString());
        this.problems = List.copyOf(problems);
    }

    public List<Problem> problems() {
        return problems;
    }

    /**
     * One thing wrong.
     *
     * @param pointer JSON pointer to it
     * @param message what was found and what was expected
     */
    public record Problem(String pointer, String message) {

        /** Returns a violation found below a pointer, in the units of files. */
        static Problem of(String pointer, Violation violation) {
            return new Problem(pointer + violation.field(), Wording.text(violation.reason(), Units.METRIC));
        }

        @Override
        public String toString() {
            return (pointer.isEmpty() ? "the file" : pointer) + ": " + message;
        }
    }
}
