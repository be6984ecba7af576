package lochan.core.live;

/**
 * How much is computed for advice while a day is fished.
 *
 * @param outlook   scenarios of each set that outlooks are drawn in
 * @param weighed   scenarios weighed by what was seen before the rest of a day is planned
 * @param scenarios likely ones of them that plans are compared in
 * @param rounds    of the search for the rest of a day
 * @param seed      of all that is drawn
 */
public record Effort(int outlook, int weighed, int scenarios, int rounds, long seed) {}
