package lochan.core.model.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class BiteRatesTest {

    private static final Pattern ON_GRASS = new Pattern("grass-edge", "swim-jig");
    private static final Cell FISHED = new Cell("grass-1", "swim-jig");

    static IntStream seeds() {
        return IntStream.range(0, 30);
    }

    private static BiteRates rates(EventData event) {
        return new FittedDayModel(event, 1, Assumptions.DEFAULTS).rates(4);
    }

    private static EventData with(EventData event, PracticeStop more) {
        List<PracticeStop> stops = new ArrayList<>(event.stops());
        stops.add(more);
        return Sample.event(event.event(), event.spots(), stops);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void anHourWithoutABiteLowersASpotAndItsPattern(int seed) {
        EventData event = Sample.practiced(5, seed);
        BiteRates before = rates(event);
        BiteRates after =
                rates(with(event, Sample.stop("more", "grass-1", "06-04T08:00", "06-04T09:00", List.of("swim-jig"))));

        assertThat(after.rate(FISHED, ON_GRASS).mean())
                .isLessThan(before.rate(FISHED, ON_GRASS).mean());
        assertThat(after.patternMean(ON_GRASS)).isLessThan(before.patternMean(ON_GRASS));
        assertThat(after.evidence(FISHED).anglerHours())
                .isGreaterThan(before.evidence(FISHED).anglerHours());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void evidenceNarrowsTheIntervalAndAnUnfishedLookAlikeKeepsTheWidestOne(int seed) {
        EventData event = Sample.practiced(5, seed);
        GammaRate lookAlike = rates(event).rate(new Cell("never", "swim-jig"), ON_GRASS);

        assertThat(lookAlike.mean()).isCloseTo(rates(event).patternMean(ON_GRASS), within(1e-12));
        assertThat(lookAlike.shape()).isEqualTo(Assumptions.DEFAULTS.biteRate().spotShape());
        assertThat(spread(lookAlike)).isGreaterThanOrEqualTo(spread(rates(event).rate(FISHED, ON_GRASS)) - 1e-9);
    }

    private static double spread(GammaRate rate) {
        return (rate.quantile(0.9) - rate.quantile(0.1)) / rate.mean();
    }

    @Test
    void withoutAnyPracticeEverythingIsTheLake() {
        BiteRates rates = rates(Sample.event(
                Sample.tournament(5, List.of(Sample.LARGEMOUTH)),
                Sample.practiced(5, 1).spots(),
                List.of()));

        assertThat(rates.rate(FISHED, ON_GRASS).mean()).isCloseTo(0.8, within(1e-12));
    }

    @Test
    void anUnknownPatternFallsBackToItsPresentation() {
        BiteRates rates = rates(Sample.practiced(5, 3));

        assertThat(rates.patternMean(new Pattern("bluff", "swim-jig"))).isEqualTo(rates.presentationMean("swim-jig"));
        assertThat(rates.presentationMean("spoon")).isEqualTo(rates.lakeMean());
    }

    @Test
    void shakenFishSayNothingOfLanding() {
        PracticeStop stop = Sample.stop(
                "p",
                "grass-1",
                "06-03T08:00",
                "06-03T09:00",
                List.of("swim-jig"),
                Sample.bite(null, Outcome.LANDED, null),
                Sample.bite(null, Outcome.MISSED, null),
                Sample.bite(null, Outcome.SHAKEN, null));

        LandingChance chance =
                LandingChance.of(Sample.PRESENTATIONS.getFirst(), List.of(stop), Assumptions.DEFAULTS.landing());

        assertThat(chance.alpha()).isCloseTo(8 * 0.8 + 1, within(1e-12));
        assertThat(chance.beta()).isCloseTo(8 * 0.2 + 1, within(1e-12));
    }

    @Test
    void aRateNeedsShapeAndRateAboveZero() {
        assertThatThrownBy(() -> new GammaRate(Double.NaN, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new GammaRate(1, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
