package lochan.core.event;

import java.util.Map;

/**
 * What the brief says of one species.
 *
 * @param species     the species
 * @param minLengthMm shortest legal total length; null: every length is legal
 * @param bagLimit    most fish of this species that count; null: no limit of its own
 * @param entered     quantities as they were typed, by field name
 */
public record SpeciesRule(Species species, Double minLengthMm, Integer bagLimit, Map<String, String> entered) {

    public SpeciesRule {
        entered = Map.copyOf(entered);
    }

    public SpeciesRule(Species species, Double minLengthMm, Integer bagLimit) {
        this(species, minLengthMm, bagLimit, Map.of());
    }
}
