package lochan.core.model.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import org.junit.jupiter.api.Test;

class SizeSharesTest {

    private static final DayModel MODEL = new FittedDayModel(Sample.practiced(5, 3), 1, Assumptions.DEFAULTS);
    private static final Pattern PATTERN = new Pattern("grass-edge", "swim-jig");

    private static double[] shares(double... borders) {
        EventData event = MODEL.event();
        return KeeperWeight.shares(
                event, MODEL.sizes(), MODEL.mix(), PATTERN, "grass-1", Assumptions.DEFAULTS.size(), borders);
    }

    @Test
    void sharesAddUpToTheLegalShareAndAgreeWithTheQuantiles() {
        KeeperWeight keepers = KeeperWeight.of(
                MODEL.event(), MODEL.sizes(), MODEL.mix(), PATTERN, "grass-1", Assumptions.DEFAULTS.size());

        double[] byTenths = shares(keepers.p10Grams(), keepers.p90Grams());

        assertThat(Arrays.stream(byTenths).sum()).isCloseTo(keepers.legalShare(), within(1e-4));
        assertThat(byTenths[0]).isCloseTo(0.1 * keepers.legalShare(), within(2e-3));
        assertThat(byTenths[2]).isCloseTo(0.1 * keepers.legalShare(), within(2e-3));
        assertThat(shares()).hasSize(1);
    }

    /** Of fish that weigh what one of the middle of the slot does, hardly any may be kept; far under and far over it all. */
    @Test
    void aSlotTakesItsWeightsOutOfWhatIsLegal() {
        Assumptions.Size a = Assumptions.DEFAULTS.size();
        SpeciesRule rule = new SpeciesRule(
                Species.LARGEMOUTH, 250.0, null, new SpeciesRule.Slot(350, 450, 1), null, java.util.Map.of());
        LegalShare share = LegalShare.of(rule, a);
        assertThat(share.given(StandardWeight.lnGrams(Species.LARGEMOUTH, 400, a)))
                .isLessThan(0.01);
        assertThat(share.given(StandardWeight.lnGrams(Species.LARGEMOUTH, 300, a)))
                .isGreaterThan(0.99);
        assertThat(share.given(StandardWeight.lnGrams(Species.LARGEMOUTH, 500, a)))
                .isGreaterThan(0.99);
        assertThat(share.given(StandardWeight.lnGrams(Species.LARGEMOUTH, 350, a)))
                .isCloseTo(0.5, within(0.01));
        LegalShare heavy =
                LegalShare.of(new SpeciesRule(Species.LARGEMOUTH, 250.0, 900.0, null, null, java.util.Map.of()), a);
        assertThat(heavy.lnMinGrams()).isEqualTo(Math.log(900));
    }
}
