package lochan.core.search;

/**
 * A visit of a tour.
 *
 * @param item what is visited, from 0
 * @param stay how long, steps of time; 0 where staying makes no difference
 */
public record Visit(int item, int stay) { }
