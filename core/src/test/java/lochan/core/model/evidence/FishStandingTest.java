package lochan.core.model.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.lake.FishPosition;
import lochan.core.lake.FishShape;
import lochan.core.lake.Sighting;
import lochan.core.lake.Waypoint;
import lochan.core.lake.WaypointBuilder;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Signs;
import lochan.core.tackle.Mood;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FishStandingTest {

    private static final Assumptions A = Assumptions.DEFAULTS;
    private static final EventData EVENT = Sample.practiced(5, 1);

    private static Waypoint seen(String at, FishPosition position, Boolean bait) {
        return WaypointBuilder.builder()
                .id(at)
                .at(Sample.at(at))
                .position(Sample.LAUNCH)
                .spotId("grass-1")
                .fish(new Sighting(position, 4.0, bait, null, null))
                .entered(Map.of())
                .build();
    }

    private static EventData with(Waypoint... waypoints) {
        return EVENT.toBuilder().waypoints(List.of(waypoints)).build();
    }

    private static double factor(EventData event, String at) {
        return new FishStanding(event, A).factor("grass-1", Sample.at(at));
    }

    @ParameterizedTest
    @CsvSource({
        "ON_TOP, true, ACTIVE", "ON_TOP, , ACTIVE", "ON_TOP, false, NEUTRAL", "ON_BOTTOM, true, ACTIVE",
        "ON_BOTTOM, , NEUTRAL", "OFF_EDGE, true, INACTIVE", "SUSPENDED, , INACTIVE", ", true, "
    })
    void whereFishStandTellsWhatTheyDo(FishPosition position, Boolean bait, Mood mood) {
        assertThat(new FishStanding.TimedSighting(Instant.EPOCH, new Sighting(position, null, bait, null, null)).mood())
                .isEqualTo(mood);
    }

    @Test
    void aTallStackIsAnotherKindOfFish() {
        Sighting stack = new Sighting(FishPosition.ON_TOP, null, true, null, FishShape.TALL_STACK);
        assertThat(new FishStanding.TimedSighting(Instant.EPOCH, stack).mood()).isNull();
    }

    @Test
    void whatWasSeenTodayLeansTheRateForSomeHoursEitherWay() {
        assertThat(factor(EVENT, "06-05T08:00")).isEqualTo(1);
        EventData feeding = with(seen("06-05T08:00", FishPosition.ON_TOP, true));
        assertThat(factor(feeding, "06-05T08:00")).isCloseTo(1.3, within(1e-12));
        assertThat(factor(feeding, "06-05T10:00")).isCloseTo(Math.sqrt(1.3), within(1e-12));
        assertThat(factor(feeding, "06-05T07:00")).as("not known yet").isEqualTo(1);
        assertThat(factor(with(seen("06-05T08:00", FishPosition.OFF_EDGE, true)), "06-05T08:00"))
                .isCloseTo(1 / 1.3, within(1e-12));
    }

    /** The day before: half of it, and less by its age, 2^(−1/5), at the hour itself. */
    @Test
    void anEarlierDayCountsLessAndOnlyAtItsHour() {
        EventData feeding = with(seen("06-04T08:00", FishPosition.ON_TOP, true));
        assertThat(Math.log(factor(feeding, "06-05T08:00")))
                .isCloseTo(Math.log(1.3) * 0.5 * Math.pow(2, -0.2), within(1e-12));
        assertThat(factor(feeding, "06-05T12:00")).isEqualTo(1);
    }

    @Test
    void todaysSightingGoesBeforeYesterdays() {
        EventData both =
                with(seen("06-04T08:00", FishPosition.ON_TOP, true), seen("06-05T07:30", FishPosition.SUSPENDED, null));
        assertThat(factor(both, "06-05T08:00")).isLessThan(1);
    }

    /** Six stops each way: 24 bites in 6 h where fish fed, 2 in 6 h where not; computed by hand from the Javadoc's formula. */
    @Test
    void theAnglersOwnStopsSetItsSize() {
        List<PracticeStop> stops = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            stops.add(stop("a" + i, 6 + i, FishPosition.ON_TOP, 4));
            stops.add(stop("b" + i, 6 + i, FishPosition.SUSPENDED, i < 2 ? 1 : 0));
        }
        FishStanding standing = new FishStanding(EVENT.inPractice(stops), A);
        double d = Math.log(24.5 / 2.5) / 2;
        double v = (1 / 24.5 + 1 / 2.5) / 4;
        assertThat(standing.beta())
                .isCloseTo((Math.log(1.3) * 16 + d / v) / (16 + 1 / v), within(1e-12))
                .isGreaterThan(new FishStanding(EVENT, A).beta());
    }

    private static PracticeStop stop(String id, int hour, FishPosition position, int bites) {
        PracticeStop stop = Sample.stop(
                id,
                "grass-1",
                String.format("06-03T%02d:00", hour),
                String.format("06-03T%02d:00", hour + 1),
                List.of("walker"),
                Stream.generate(() -> Sample.bite(null, Outcome.SHAKEN, null))
                        .limit(bites)
                        .toArray(Bite[]::new));
        Signs signs = new Signs(
                null, null, null, null, null, null, null, null, new Sighting(position, null, null, null, null));
        return stop.withConditions(new Conditions(null, null, null, null, null, signs, Map.of()));
    }

    @Test
    void theDaysModelCarriesItAndSoDoItsNumbers() {
        EventData feeding = with(seen("06-05T06:00", FishPosition.ON_TOP, true));
        FittedDayModel model = new FittedDayModel(feeding, 1, A);
        double first = model.standing("grass-1", 0);
        assertThat(first).isGreaterThan(1.1);
        assertThat(model.standing("grass-1", model.bins().size() - 1)).isBetween(1.0, 1.05);
        assertThat(model.standing("grass-2", 0)).isEqualTo(1);
        assertThat(model.numbers().standing()).containsOnlyKeys("grass-1");
        assertThat(model.ofTheHour("grass-1", 0)).isEqualTo(first);
    }
}
