package lochan.core.rate;

/** A presentation at a spot: what is fished, planned and ranked. */
public record Cell(String spotId, String presentationId) { }
