package lochan.core.quantity;

/** A quantity that cannot be read; the message says what was found, what was expected and an example. */
public final class BadQuantityException extends Exception {

    private static final long serialVersionUID = 1L;

    BadQuantityException(String message) {
        super(message);
    }
}
