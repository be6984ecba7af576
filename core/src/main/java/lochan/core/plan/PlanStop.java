package lochan.core.plan;

import java.time.Instant;

/**
 * A stop of a plan: fishing one spot with one presentation in [arrive, leave).
 *
 * @param locked whether a search leaves it unchanged
 */
public record PlanStop(String spotId, String presentationId, Instant arrive, Instant leave, boolean locked) {

    /** One that a search may change. */
    public PlanStop(String spotId, String presentationId, Instant arrive, Instant leave) {
        this(spotId, presentationId, arrive, leave, false);
    }

    /** Returns the stop at another time. */
    public PlanStop during(Instant otherArrive, Instant otherLeave) {
        return new PlanStop(spotId, presentationId, otherArrive, otherLeave, locked);
    }

    /** Returns the stop, locked or free to change. */
    public PlanStop locked(boolean lock) {
        return new PlanStop(spotId, presentationId, arrive, leave, lock);
    }
}
