package lochan.core.competition;

import lochan.core.event.Species;

/**
 * A fish as the log knows it now.
 *
 * @param id    the id of its {@code catch}
 * @param grams latest weight; null: not weighed
 * @param mm    latest length; null: not measured
 * @param tag   tag it wears in the well; null: none
 */
public record Fish(String id, Species species, Double grams, Double mm, boolean alive, String tag) { }
