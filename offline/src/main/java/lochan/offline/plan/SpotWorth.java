package lochan.offline.plan;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Predicate;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.KeeperWeight;

/** What spots are worth in a part of a day, and how much is known of them, as maps show it. */
public final class SpotWorth {

    private SpotWorth() {}

    /**
     * The best a spot has.
     *
     * @param grams keepers of an hour there
     */
    public record Best(Cell cell, double bites, double grams, double keeperGrams) {}

    /**
     * By spot; those without any pattern that was fished are left out.
     *
     * @param allowed which cells count
     */
    public static Map<String, Best> best(EventData event, DayModel of, int bin, Predicate<Cell> allowed) {
        Map<String, Best> best = new HashMap<>();
        for (Cell cell : of.cells()) {
            if (allowed.test(cell)) {
                best.merge(cell.spotId(), best(event, of, bin, cell), (x, y) -> x.grams() >= y.grams() ? x : y);
            }
        }
        return best;
    }

    private static Best best(EventData event, DayModel of, int bin, Cell cell) {
        double bites = of.rate(cell, bin).mean() * of.ofTheHour(cell.spotId(), bin);
        KeeperWeight keeper = KeeperWeight.of(
                event,
                of.sizes(),
                of.mix(),
                of.pattern(cell),
                cell.spotId(),
                of.assumptions().size());
        double grams = keeper.legalShare() > 0
                ? bites * of.landing(cell.presentationId()).mean() * keeper.legalShare() * keeper.meanGrams()
                : 0;
        return new Best(cell, bites, grams, keeper.meanGrams());
    }

    /** How much evidence there is of a spot, by all lures that count, 1 to 5 stones. */
    public static int stones(String spotId, DayModel of, int bin, Predicate<Cell> allowed) {
        return BiteRates.stones(of.cells().stream()
                .filter(c -> c.spotId().equals(spotId))
                .filter(allowed)
                .mapToDouble(c -> of.effectiveHours(c, bin))
                .sum());
    }
}
