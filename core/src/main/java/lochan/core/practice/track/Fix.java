package lochan.core.practice.track;

import java.time.Instant;
import lochan.core.event.Position;

/** Where the boat was at a time. */
public record Fix(Instant at, Position position) {}
