package lochan.core.lake;

import lochan.core.Assumptions;
import lochan.core.Coded;

/** How many fish stand behind a spot, and so how fast it is fished down. */
public enum Stock implements Coded {
    /** A school. */
    SCHOOL("school"),
    /** Fish spread over the spot. */
    GENERAL("general"),
    /** One piece of isolated cover. */
    SINGLE("single");

    private final String code;

    Stock(String code) {
        this.code = code;
    }

    @Override
    public String code() {
        return code;
    }

    /** d = −ln ψ, the decay of the bite rate for each bite had. */
    public double decay(Assumptions.Depletion depletion) {
        return -Math.log(
                switch (this) {
                    case SCHOOL -> depletion.school();
                    case GENERAL -> depletion.general();
                    case SINGLE -> depletion.single();
                });
    }
}
