package lochan.core.event;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The rules for one species.
 *
 * @param species     the species
 * @param minLengthMm shortest legal total length; null: every length is legal
 * @param minGrams    least legal weight, g; null: every weight is
 * @param slot        lengths that are protected; null: none
 * @param bagLimit    most fish of this species that count; null: no limit of its own
 * @param entered     quantities as they were typed, by field name
 */
public record SpeciesRule(
        Species species,
        @Nullable Double minLengthMm,
        @Nullable Double minGrams,
        @Nullable Slot slot,
        @Nullable Integer bagLimit,
        Map<String, String> entered) {

    /**
     * Protected lengths.
     *
     * @param fromMm shortest length that may not be kept, mm
     * @param toMm   longest length that may not be kept, mm
     * @param over   most fish longer than that; null: no limit of their own
     */
    public record Slot(double fromMm, double toMm, @Nullable Integer over) {

        /** Whether a fish of a length may not be kept. */
        public boolean holds(double mm) {
            return mm >= fromMm && mm <= toMm;
        }
    }

    public SpeciesRule {
        entered = Map.copyOf(entered);
    }

    public SpeciesRule(Species species, Double minLengthMm, Integer bagLimit) {
        this(species, minLengthMm, bagLimit, Map.of());
    }

    /** With neither a least weight nor a slot. */
    public SpeciesRule(Species species, Double minLengthMm, Integer bagLimit, Map<String, String> entered) {
        this(species, minLengthMm, null, null, bagLimit, entered);
    }
}
