package lochan.core.practice;

import lochan.core.Assumptions;
import lochan.core.Coded;

/** What a presentation is hooked with. */
public enum Hooks implements Coded {
    SINGLE("single"),
    TREBLE("treble"),
    /** Several baits on one rig. */
    MULTI("multi");

    private final String code;

    Hooks(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    /** q₀, the landing chance before any evidence. */
    public double priorLanding(Assumptions.Landing landing) {
        return switch (this) {
            case SINGLE -> landing.single();
            case TREBLE -> landing.treble();
            case MULTI -> landing.multi();
        };
    }
}
