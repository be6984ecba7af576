package lochan.core.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.lake.Zone;
import lochan.core.model.rate.Cell;
import org.junit.jupiter.api.Test;

class JointRatesTest {

    private static final List<JointRates.Kin> CELLS = List.of(
            kin("s1", "p1", "ledge", Zone.MID),
            kin("s1", "p2", "ledge", Zone.MID),
            kin("s2", "p1", "ledge", Zone.MID),
            kin("s2", "p2", "ledge", Zone.MID),
            kin("s3", "p1", "grass-edge", Zone.SHALLOW),
            kin("s3", "p2", "grass-edge", Zone.SHALLOW));

    private static JointRates.Kin kin(String spot, String presentation, String type, Zone zone) {
        return new JointRates.Kin(new Cell(spot, presentation), type, zone);
    }

    private static JointRates prior(List<JointRates.Kin> cells) {
        return JointRates.prior(cells, 0.8, Assumptions.DEFAULTS.together());
    }

    /** Three bites in two angler-hours at the first cell, then none in one at the last; computed outside the program with numpy. */
    @Test
    void aWorkedUpdateOfSixCells() {
        JointRates rates = prior(CELLS);
        rates.learn(0, 3, 2);
        rates.learn(5, 0, 1);
        double[] means = {1.305973, 0.946289, 1.113765, 0.753334, 0.594407, 0.318948};
        double[] variances = {0.251380, 0.887845, 0.847518, 1.071946, 1.056166, 1.092987};
        for (int c = 0; c < means.length; c++) {
            assertThat(rates.mean(c)).isCloseTo(means[c], within(1e-6));
            assertThat(rates.variance(c)).isCloseTo(variances[c], within(1e-6));
        }
    }

    /** Gamma with shape A = 1/(exp S − 1) and mean r: after b bites in e hours A + b and (A + b)/(A/r + e). */
    @Test
    void oneCellAloneFollowsTheGammaRule() {
        JointRates rates = prior(CELLS.subList(0, 1));
        double shape = 1 / Math.expm1(1.1);
        rates.learn(0, 2, 1.5);
        rates.learn(0, 0, 0.5);
        assertThat(rates.mean(0)).isCloseTo((shape + 2) / (shape / 0.8 + 2), within(1e-12));
        assertThat(rates.variance(0)).isCloseTo(Math.log1p(1 / (shape + 2)), within(1e-12));
    }

    @Test
    void aMorningKnowsHowWellButNotWhat() {
        JointRates rates = prior(CELLS);
        rates.learn(0, 3, 2);
        JointRates day = rates.morning(0.2);
        for (int c = 0; c < CELLS.size(); c++) {
            assertThat(day.mean(c)).isCloseTo(1, within(1e-12));
            assertThat(day.variance(c)).isCloseTo(rates.variance(c) + 0.2, within(1e-12));
        }
    }
}
