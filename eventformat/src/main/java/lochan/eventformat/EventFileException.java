package lochan.eventformat;

import java.util.List;

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

        @Override
        public String toString() {
            return (pointer.isEmpty() ? "the file" : pointer) + ": " + message;
        }
    }
}
