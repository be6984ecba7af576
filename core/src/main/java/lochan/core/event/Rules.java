package lochan.core.event;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The rules of an event, as its sheet has them.
 *
 * @param format      what is paid for
 * @param limit       fish that count (k); null only when every fish counts
 * @param targetGrams the weight aimed at; null: none
 * @param scaleGrams  resolution of the scale; null: as fine as the weights given
 * @param species     the species that count, each once
 * @param scoring     how fish are kept, measured and ranked
 * @param penalties   what is taken off
 * @param gear        what may be tied on
 */
public record Rules(
        Format format,
        @Nullable Integer limit,
        @Nullable Double targetGrams,
        @Nullable Double scaleGrams,
        List<SpeciesRule> species,
        Scoring scoring,
        Penalties penalties,
        Gear gear) {

    public Rules {
        species = List.copyOf(species);
    }

    /** With the usual scoring. */
    public Rules(
            Format format,
            Integer limit,
            Double targetGrams,
            Double scaleGrams,
            List<SpeciesRule> species,
            Penalties penalties,
            Gear gear) {
        this(format, limit, targetGrams, scaleGrams, species, Scoring.DEFAULT, penalties, gear);
    }

    /** Whether a kept fish may be culled for a better one. */
    public boolean culling() {
        return scoring.culling();
    }

    /** Fish that count: the limit, or no end of them. */
    public int countingFish() {
        return format == Format.EVERY_FISH ? Integer.MAX_VALUE : limit;
    }

    /** Returns the rules with another target, g; null: none. */
    public Rules withTarget(Double grams) {
        return new Rules(format, limit, grams, scaleGrams, species, scoring, penalties, gear);
    }

    public Optional<SpeciesRule> rule(@Nullable Species species) {
        return this.species.stream().filter(r -> r.species() == species).findFirst();
    }
}
