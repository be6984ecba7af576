package lochan.core.model.rate;

import lochan.core.plan.PlanStop;

/** A presentation at a spot: what is fished, planned and ranked. */
public record Cell(String spotId, String presentationId) {

    /** What a stop of a plan fishes. */
    public static Cell of(PlanStop stop) {
        return new Cell(stop.spotId(), stop.presentationId());
    }
}
