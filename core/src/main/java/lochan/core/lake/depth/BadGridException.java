package lochan.core.lake.depth;

/** A text that is no grid of depths; the message says where and what was expected. */
public final class BadGridException extends Exception {

    private static final long serialVersionUID = 1L;

    public BadGridException(String message) {
        super(message);
    }
}
