package lochan.core.model.scenario;

import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.rate.Pattern;
import lochan.core.model.size.SizeModel;
import lochan.core.model.size.SpeciesMix;
import lochan.core.practice.ForecastPeriod;

/**
 * Holds the knowledge of one competition day: rates by bin, landing chances, sizes and species. Scenarios, plans and
 * advice are built on it.
 */
public interface DayModel {

    EventData event();

    /** Its number in the event, from 1. */
    int day();

    Assumptions assumptions();

    List<Bin> bins();

    SpeciesMix mix();

    SizeModel sizes();

    Spot spot(String id);

    /** The class of a cell's spot with its presentation. */
    default Pattern pattern(Cell cell) {
        return new Pattern(spot(cell.spotId()).spotType(), cell.presentationId());
    }

    LandingChance landing(String presentationId);

    /** Returns the distribution of a cell's bite rate in a bin. */
    GammaRate rate(Cell cell, int bin);

    /** Angler-hours of practice that count for a cell in a bin. */
    double effectiveHours(Cell cell, int bin);

    /** By what a pattern's bite rate is multiplied; 1 unless something else is supposed. */
    double strength(Pattern pattern);

    /** Known fish that a plan may visit, the one that promises most first. */
    List<KnownFishChance> knownFish();

    /** Returns the share of a spot's bite rate that the wind leaves in a bin, 0 to 1. */
    double leftByWind(String spotId, int bin);

    /**
     * By what a spot's bite rate in a bin is multiplied for how fish were seen to stand there; 1 without a sighting.
     */
    double standing(String spotId, int bin);

    /** What wind and standing fish make of a spot's bite rate in a bin. */
    default double ofTheHour(String spotId, int bin) {
        return leftByWind(spotId, bin) * standing(spotId, bin);
    }

    /** Whether a spot is open to more wind than the boat can be held in at some time of [from, to). */
    default boolean isBlown(Spot spot, Instant from, Instant to) {
        return IntStream.range(0, bins().size())
                .anyMatch(b -> bins().get(b).start().isBefore(to)
                        && bins().get(b).end().isAfter(from)
                        && leftByWind(spot.id(), b) < 1);
    }

    /** The cells that plans and advice choose among. */
    List<Cell> cells();

    /** Returns the day with lightning at other times. The wind of the forecast must be unchanged. */
    DayModel withLightning(List<ForecastPeriod> forecast);

    /** Whether a cell's spot may be fished by the event's rules. */
    default boolean isOpen(Cell cell) {
        return !event().offLimits(spot(cell.spotId()));
    }
}
