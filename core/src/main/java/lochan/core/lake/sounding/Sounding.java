package lochan.core.lake.sounding;

import lochan.core.event.Position;

/**
 * One depth at one place.
 *
 * @param depthM below the surface, m
 */
public record Sounding(Position position, double depthM) {}
