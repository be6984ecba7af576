package lochan.core;

/** Something given cannot be used. The reason says why; its text stands in the module {@code wording}. */
public abstract class ReasonException extends Exception {

    private static final long serialVersionUID = 1L;

    private final transient Reason reason;

    protected ReasonException(Reason reason) {
        super(reason.toString());
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
