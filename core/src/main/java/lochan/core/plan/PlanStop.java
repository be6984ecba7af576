package lochan.core.plan;

import java.time.Instant;

/** A stop of a plan: fishing one spot with one presentation in [arrive, leave). */
public record PlanStop(String spotId, String presentationId, Instant arrive, Instant leave) { }
