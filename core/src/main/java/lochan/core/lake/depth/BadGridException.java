package lochan.core.lake.depth;

import lochan.core.Reason;
import lochan.core.ReasonCode;
import lochan.core.ReasonException;

/** Depths cannot be read, or would be impossible. */
public final class BadGridException extends ReasonException {

    private static final long serialVersionUID = 1L;

    public BadGridException(ReasonCode code, Object... values) {
        super(code.with(values));
    }

    public BadGridException(Reason reason) {
        super(reason);
    }
}
