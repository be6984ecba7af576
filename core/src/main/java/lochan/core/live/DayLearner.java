package lochan.core.live;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.Lookup;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.size.Keepers;
import lochan.core.model.size.Survival;

/**
 * Learns the bite rates and sizes of some cells together as the day goes ({@code model.md} §10). The practice half is
 * computed once. Not safe for several threads.
 */
final class DayLearner {

    /** Shifts of size for which q·K(x) is tabulated, and between which it is interpolated. */
    private static final double SHIFT_STEP = 0.05;

    private static final int MOST_STEPS = 20;

    private final DayModel model;
    private final List<Cell> cells;
    private final Map<Cell, Integer> index = new HashMap<>();
    private final ExpectedBites expected;
    private final JointRates morning;
    private final JointSizes practice;
    private final Keepers keepers;
    /** q·K(x) by cell and shift; null where it was not asked for yet. */
    private final double[][][] landed;

    DayLearner(DayModel model, List<Cell> cells, ExpectedBites expected) {
        this.model = model;
        this.cells = cells;
        this.expected = expected;
        for (Cell cell : cells) {
            index.put(cell, index.size());
        }
        this.morning = afterPractice().morning(model.assumptions().together().ofDay());
        this.practice = JointSizes.of(model, cells);
        this.keepers = new Keepers(
                model.event().rules(),
                model.sizes(),
                model.mix(),
                model.assumptions().size());
        this.landed = new double[cells.size()][2 * MOST_STEPS + 1][];
    }

    boolean knows(Cell cell) {
        return index.containsKey(cell);
    }

    /** The cells in the order of what was fished there, with the evidence of the middle of the day: only how they vary together is kept. */
    private JointRates afterPractice() {
        JointRates rates = JointRates.prior(
                cells.stream()
                        .map(c -> {
                            Spot spot = model.spot(c.spotId());
                            return new JointRates.Kin(c, spot.spotType(), spot.zone());
                        })
                        .toList(),
                model.assumptions().biteRate().lakeMean(),
                model.assumptions().together());
        int bins = model.bins().size();
        double[] hours = cells.stream()
                .mapToDouble(c -> IntStream.range(0, bins)
                        .mapToDouble(b -> model.effectiveHours(c, b))
                        .sum())
                .toArray();
        IntStream.range(0, hours.length)
                .filter(c -> hours[c] > 0)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer c) -> hours[c]).reversed())
                .forEach(c -> {
                    Cell cell = cells.get(c);
                    double bites = model.rate(cell, bins / 2).shape()
                            - model.assumptions().biteRate().spotShape();
                    rates.learn(c, bites, model.effectiveHours(cell, bins / 2));
                });
        return rates;
    }

    /** What a day has taught so far. */
    Beliefs of(Today today) {
        JointRates rates = morning.copy();
        int[] efforts = new int[today.bites().size()];
        for (int b = 0; b < efforts.length; b++) {
            efforts[b] = effort(today.bites().get(b), today.efforts());
        }
        for (int e = 0; e < today.efforts().size(); e++) {
            Today.Effort effort = today.efforts().get(e);
            int number = e;
            long bites = IntStream.of(efforts).filter(b -> b == number).count();
            rates.learn(at(effort.cell()), (double) bites, expected.of(effort, today.bites()));
        }
        JointSizes sizes = null;
        for (int b = 0; b < efforts.length; b++) {
            Today.Bite bite = today.bites().get(b);
            if (efforts[b] < 0 && knows(bite.cell())) {
                rates.learn(at(bite.cell()), 1, 0);
            }
            if (bite.landed() != null && knows(bite.cell())) {
                sizes = sizes == null ? practice.copy() : sizes;
                sizes.learn(
                        at(bite.cell()), bite.landed().species(), bite.landed().grams());
            }
        }
        return new Beliefs(today, rates, sizes == null ? practice : sizes, new double[cells.size()][]);
    }

    private int at(Cell cell) {
        return Lookup.of(index, cell);
    }

    /** Which effort a bite was had in: the last that began at its cell by then, or else the first there; −1: none there. */
    private static int effort(Today.Bite bite, List<Today.Effort> efforts) {
        int found = -1;
        for (int e = 0; e < efforts.size(); e++) {
            if (efforts.get(e).cell().equals(bite.cell())
                    && (found < 0 || !efforts.get(e).from().isAfter(bite.at()))) {
                found = e;
            }
        }
        return found;
    }

    /** Rates and sizes as they are believed now. */
    final class Beliefs {

        private final Today today;
        private final JointRates rates;
        private final JointSizes sizes;

        /** By cell; null where it was not asked for yet. */
        private final double[][] landed;

        private Beliefs(Today today, JointRates rates, JointSizes sizes, double[][] landed) {
            this.today = today;
            this.rates = rates;
            this.sizes = sizes;
            this.landed = landed;
        }

        /** Returns the beliefs after fishing a cell from the end of today without another bite, over and over. */
        Beliefs fishedOn(Cell cell, Instant from, Instant to) {
            Today.Effort more = new Today.Effort(cell, from, to);
            JointRates after = rates.copy();
            after.learn(at(cell), 0, expected.of(more, today.bites()));
            return new Beliefs(today, after, sizes, landed);
        }

        /** By what practice's bite rate of a cell is multiplied. */
        double rate(Cell cell) {
            return rates.mean(at(cell));
        }

        /** By what the mean ln grams of a cell's fish is more than practice said. */
        double shift(Cell cell) {
            return sizes.shift(at(cell));
        }

        /** q·K(x): of one bite the landed legal fish heavier than each x. */
        double[] landed(Cell cell) {
            int at = at(cell);
            if (landed[at] == null) {
                landed[at] = DayLearner.this.landed(cell, shift(cell));
            }
            return landed[at];
        }

        /** Returns the landed bites with sizes as in practice. */
        double[] landedByPractice(Cell cell) {
            return DayLearner.this.landed(cell, 0);
        }

        /** Returns Δn: bites of an hour, or the rest of it, at a cell with so many times the bites of practice. */
        double bites(Cell cell, Instant from, Instant to, double rate) {
            double decay = expected.decay(model.spot(cell.spotId()));
            double undiminished = rate * expected.undisturbed(cell, from, to);
            return Math.log1p(decay * Math.exp(-decay * today.bitesAt(cell.spotId(), from)) * undiminished) / decay;
        }
    }

    /** q·K(x) as practice says, but for a shift of sizes. */
    private double[] landed(Cell cell, double shift) {
        double steps = Math.clamp(shift / SHIFT_STEP, -MOST_STEPS, MOST_STEPS) + MOST_STEPS;
        int low = Math.min((int) steps, 2 * MOST_STEPS - 1);
        double high = steps - low;
        double[] below = tabulated(cell, low);
        if (high == 0) {
            return below;
        }
        double[] above = tabulated(cell, low + 1);
        double[] between = new double[Survival.weights()];
        for (int i = 0; i < between.length; i++) {
            between[i] = (1 - high) * below[i] + high * above[i];
        }
        return between;
    }

    private double[] tabulated(Cell cell, int step) {
        double[][] of = landed[at(cell)];
        if (of[step] == null) {
            double[] heavier = keepers.heavier(model.pattern(cell), cell.spotId(), (step - MOST_STEPS) * SHIFT_STEP);
            double q = model.landing(cell.presentationId()).mean();
            for (int i = 0; i < heavier.length; i++) {
                heavier[i] *= q;
            }
            of[step] = heavier;
        }
        return of[step];
    }
}
