package lochan.core.planning.valuation;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import org.junit.jupiter.api.Test;

class CalibrationTest {

    private static Calibration after(Calibration.Result... results) {
        return Calibration.of(List.of(results), Assumptions.DEFAULTS.projection());
    }

    @Test
    void beginsAtFourFifthsAndMovesToWhatTheAnglersDaysSay() {
        assertThat(after().factor()).isCloseTo(0.8, within(1e-12));
        assertThat(after(new Calibration.Result(5000, 5000)).factor()).isCloseTo(Math.pow(0.8, 0.8), within(1e-12));
        Calibration.Result half = new Calibration.Result(3000, 6000);
        assertThat(Calibration.of(Collections.nCopies(400, half), Assumptions.DEFAULTS.projection())
                        .factor())
                .isCloseTo(0.5, within(0.005));
    }

    @Test
    void aProjectionScalesEveryWeightAndTheChanceOfTheTarget() {
        EventData event = Sample.practiced(5, 3);
        PlanValuer valuer = new PlanValuer(new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), 400, 7));
        List<PlanStop> stops = List.of(new PlanStop("grass-1", "swim-jig", at("06-05T08:00"), at("06-05T12:00")));
        PlanValue value = valuer.value(stops, 20_000);
        PlanValue projection = valuer.projection(stops, 20_000, after());

        assertThat(projection.formulaGrams()).isCloseTo(0.8 * value.formulaGrams(), within(1e-6));
        assertThat(projection.p90()).isCloseTo(0.8 * value.p90(), within(1e-6));
        assertThat(projection.chanceOfLimit()).isEqualTo(value.chanceOfLimit());
        assertThat(projection.chanceOfTarget()).isLessThanOrEqualTo(value.chanceOfTarget());
    }

    @Test
    void refusesResultsThatAreNone() {
        assertThatThrownBy(() -> new Calibration.Result(0, 5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Calibration.Result(5, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }
}
