package lochan.cli;

/** A command that cannot be carried out; the message is the one line to show. */
final class UsageException extends Exception {

    private static final long serialVersionUID = 1L;

    UsageException(String message) {
        super(message);
    }
}
