package lochan.core.event;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The rules of an event as this event plays them.
 *
 * @param name        what the event is called
 * @param timeZone    zone of all its local times
 * @param format      what is paid for
 * @param limit       fish that count (k); null only when every fish counts
 * @param anglers     lines in the water on a competition day, 1 or 2
 * @param targetGrams the weight aimed at; null: none
 * @param scaleGrams  resolution of the scale; null: as fine as the weights given
 * @param species     the species that count, each once
 * @param scoring     how fish are kept, measured and ranked
 * @param penalties   what is taken off
 * @param gear        what may be tied on
 * @param practice    days open for practice
 * @param days        competition days in order
 * @param launch      where the day starts
 * @param checkInAt   where it ends
 * @param entered     quantities as they were typed, by field name
 */
public record Brief(String name, ZoneId timeZone, Format format, Integer limit, int anglers, Double targetGrams, Double scaleGrams,
                    List<SpeciesRule> species, Scoring scoring, Penalties penalties, Gear gear, List<LocalDate> practice, List<CompetitionDay> days,
                    Position launch, Position checkInAt, Map<String, String> entered) {

    public Brief {
        species = List.copyOf(species);
        practice = List.copyOf(practice);
        days = List.copyOf(days);
        entered = Map.copyOf(entered);
    }

    /** With the usual scoring. */
    public Brief(String name, ZoneId timeZone, Format format, Integer limit, int anglers, Double targetGrams, Double scaleGrams,
                 List<SpeciesRule> species, Penalties penalties, Gear gear, List<LocalDate> practice, List<CompetitionDay> days, Position launch, Position checkInAt,
                 Map<String, String> entered) {
        this(name, timeZone, format, limit, anglers, targetGrams, scaleGrams, species, Scoring.DEFAULT, penalties, gear, practice, days, launch, checkInAt, entered);
    }

    /** Whether a kept fish may be exchanged for a better one. */
    public boolean culling() {
        return scoring.culling();
    }

    /** Fish that count: the limit, or no end of them. */
    public int countingFish() {
        return format == Format.EVERY_FISH ? Integer.MAX_VALUE : limit;
    }

    /** The same with another target, g. */
    public Brief aimingAt(double grams) {
        return new Brief(name, timeZone, format, limit, anglers, grams, scaleGrams, species, scoring, penalties, gear, practice, days, launch, checkInAt, entered);
    }

    public Optional<SpeciesRule> rule(Species species) {
        return this.species.stream().filter(r -> r.species() == species).findFirst();
    }

    /**
     * A competition day by its number.
     *
     * @param number from 1
     * @throws IllegalArgumentException when the event has no such day
     */
    public CompetitionDay day(int number) {
        if (number < 1 || number > days.size()) {
            throw new IllegalArgumentException("day is " + number + ", the event has days 1 to " + days.size());
        }
        return days.get(number - 1);
    }
}
