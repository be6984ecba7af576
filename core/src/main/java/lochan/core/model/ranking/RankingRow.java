package lochan.core.model.ranking;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import lochan.core.event.Species;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.size.KeeperWeight;
import lochan.core.model.size.SizeModel;
import org.jspecify.annotations.Nullable;

/**
 * A presentation at a spot, as practice ranks it for one bin.
 *
 * @param bites        bites per angler-hour
 * @param landing        mean chance to land a bite
 * @param keepers        share and weight of legal fish
 * @param sizes          ln grams of one new fish by species
 * @param effectiveHours weighted angler-hours behind the row
 * @param stops          finished practice stops there with that presentation
 * @param bitesSeen    bites there with that presentation, unweighted
 * @param sized          how many of those have a size
 * @param daysSince      whole days from the last such stop to the competition day; null: never tried
 */
@RecordBuilder
public record RankingRow(
        Cell cell,
        Pattern pattern,
        Bites bites,
        double landing,
        KeeperWeight keepers,
        Map<Species, SizeModel.Predictive> sizes,
        double effectiveHours,
        int stops,
        int bitesSeen,
        int sized,
        @Nullable Long daysSince) {

    public RankingRow {
        sizes = Map.copyOf(sizes);
    }

    /** Mean and 10–90 % interval, bites per angler-hour. */
    public record Bites(double mean, double p10, double p90) {}

    public boolean isUntried() {
        return stops == 0;
    }

    /** Expected weight of keepers landed in an hour, g: what is ranked by until values are known. */
    public double keeperGramsPerHour() {
        return bites.mean() * landing * keepers.legalShare() * keepers.meanGrams();
    }

    /** Bites enough to matter and not one size: worth a fish on the scale. */
    public boolean isSizeUnknown() {
        return bitesSeen >= 3 && sized == 0;
    }

    /** How much evidence stands behind the row, 1 to 5 stones. */
    public int stones() {
        return BiteRates.stones(effectiveHours);
    }
}
