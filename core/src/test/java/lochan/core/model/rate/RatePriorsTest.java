package lochan.core.model.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.notebook.CarriedRate;
import lochan.core.notebook.Notebook;
import lochan.core.tackle.SampleTackle;
import org.junit.jupiter.api.Test;

/** Checks the priors that adjust a rate besides the event's own practice, and by how little. */
class RatePriorsTest {

    private static final EventData EVENT = Sample.practiced(5, 2);
    private static final Pattern TRIED = new Pattern("grass-edge", "swim-jig");
    private static final Pattern NEVER_TRIED = new Pattern("rock-point", "swim-jig");

    private static FittedDayModel model(boolean advice, boolean history) {
        Notebook.Priors priors = new Notebook.Priors(advice, history, List.of(), SampleTackle.ALL, Map.of());
        return new FittedDayModel(
                EVENT.withNotebook(new Notebook(
                        List.of(), List.of(), List.of(), List.of(new CarriedRate("swim-jig", 1.8, 20, 30)), priors)),
                1,
                Assumptions.DEFAULTS);
    }

    @Test
    void nothingLeansUnlessTheAnglerWantsIt() {
        assertThat(model(false, false).rates(0).patternMean(NEVER_TRIED))
                .isEqualTo(new FittedDayModel(EVENT, 1, Assumptions.DEFAULTS)
                        .rates(0)
                        .patternMean(NEVER_TRIED));
        assertThat(model(false, false).cells()).isEqualTo(new FittedDayModel(EVENT, 1, Assumptions.DEFAULTS).cells());
    }

    @Test
    void adviceMovesOnlyThePriorOfPairsNeverTried() {
        BiteRates plain = model(false, false).rates(0);
        FittedDayModel advised = model(true, false);
        double suitability = advised.suitability(NEVER_TRIED, 0);
        assertThat(suitability).isBetween(0.6, 1.5).isNotEqualTo(1);
        assertThat(advised.rates(0).patternMean(NEVER_TRIED))
                .isCloseTo(plain.patternMean(NEVER_TRIED) * suitability, within(1e-12));
        assertThat(advised.rates(0).patternMean(TRIED)).isEqualTo(plain.patternMean(TRIED));
    }

    @Test
    void adviceBringsPairsNeverTriedIntoThePlan() {
        FittedDayModel advised = model(true, false);
        assertThat(advised.cells()).containsAll(model(false, false).cells());
        assertThat(advised.cells().contains(new Cell("point-1", "swim-jig")))
                .isEqualTo(advised.suitability(NEVER_TRIED, 0) > 1);
    }

    @Test
    void earlierSeasonsCountForOneAnglerHourOfTheirPresentation() {
        BiteRates plain = model(false, false).rates(0);
        BiteRates seasoned = model(false, true).rates(0);
        assertThat(seasoned.lakeMean()).isEqualTo(plain.lakeMean());
        assertThat(seasoned.presentationMean("drop-shot")).isEqualTo(plain.lakeMean());
        double mean = plain.presentationMean("swim-jig");
        double withSeasons = seasoned.presentationMean("swim-jig");
        assertThat(withSeasons).isGreaterThan(Math.min(mean, 1.8 * plain.lakeMean()));
        assertThat(Math.abs(withSeasons - 1.8 * plain.lakeMean())).isLessThan(Math.abs(mean - 1.8 * plain.lakeMean()));
        assertThat(seasoned.presentationMean("walker")).isEqualTo(plain.presentationMean("walker"));
    }
}
