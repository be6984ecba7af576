package lochan.core.live;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;

/** The bites that practice lets expect of a cell: ∫ m_c·(1 − 0.2·crowdRisk)·lines dt, fewer by ψ for each bite had at its spot before. */
final class ExpectedBites {

    private final DayModel model;
    private final Map<Cell, double[]> means = new HashMap<>();

    ExpectedBites(DayModel model) {
        this.model = model;
    }

    /** d = −ln ψ of a spot. */
    double decay(Spot spot) {
        return spot.stock().decay(model.assumptions().depletion());
    }

    /** Of an undisturbed spot in [from, to). */
    double undisturbed(Cell cell, Instant from, Instant to) {
        double[] mean = means.computeIfAbsent(cell, this::means);
        double[] hours = Outlooks.hours(model.bins(), from, to);
        double sum = 0;
        for (int i = 0; i < hours.length; i++) {
            sum += mean[i] * hours[i];
        }
        double left = 1
                - (1 - model.assumptions().day().crowdedFactor())
                        * model.spot(cell.spotId()).crowdRisk();
        return left * model.event().anglers() * sum;
    }

    private double[] means(Cell cell) {
        double[] means = new double[model.bins().size()];
        for (int bin = 0; bin < means.length; bin++) {
            means[bin] = model.rate(cell, bin).mean() * model.ofTheHour(cell.spotId(), bin);
        }
        return means;
    }

    /** Of an effort of today, each piece after the bites had at its spot by then. */
    double of(Today.Effort effort, List<Today.Bite> bites) {
        Cell cell = effort.cell();
        double decay = decay(model.spot(cell.spotId()));
        int before = 0;
        double sum = 0;
        Instant from = effort.from();
        for (Today.Bite b : bites) {
            if (b.cell().spotId().equals(cell.spotId()) && b.at().isBefore(effort.to())) {
                if (b.at().isAfter(from)) {
                    sum += Math.exp(-decay * before) * undisturbed(cell, from, b.at());
                    from = b.at();
                }
                before++;
            }
        }
        return sum + Math.exp(-decay * before) * undisturbed(cell, from, effort.to());
    }
}
