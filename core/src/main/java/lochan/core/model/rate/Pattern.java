package lochan.core.model.rate;

/** A presentation on a spot type: "swim jig on grass edge". */
public record Pattern(String spotType, String presentationId) {}
