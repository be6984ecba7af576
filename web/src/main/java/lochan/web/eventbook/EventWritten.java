package lochan.web.eventbook;

/** Something of an event was written and is safe. */
public record EventWritten(EventKey key) {}
