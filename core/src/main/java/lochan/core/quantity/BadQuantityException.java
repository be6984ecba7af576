package lochan.core.quantity;

import lochan.core.Reason;
import lochan.core.ReasonException;

/** A quantity cannot be read; the reason shows what was typed and an example. */
public final class BadQuantityException extends ReasonException {

    private static final long serialVersionUID = 1L;

    BadQuantityException(Reason reason) {
        super(reason);
    }
}
