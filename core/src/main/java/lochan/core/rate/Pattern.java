package lochan.core.rate;

/** A presentation on a class of place: "swim jig on grass edge". */
public record Pattern(String placeClass, String presentationId) { }
