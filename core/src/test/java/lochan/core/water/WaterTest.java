package lochan.core.water;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.Violation;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import org.junit.jupiter.api.Test;

class WaterTest {

    private static final Runs RUNS = Runs.straight(Boat.USUAL, Assumptions.DEFAULTS.planning());

    @Test
    void aDegreeOfLatitudeIsSixtyNauticalMiles() {
        assertThat(new Position(42, -117).metresTo(new Position(43, -117))).isCloseTo(111_195, within(1.0));
    }

    @Test
    void refusesPositionsOffTheGlobe() {
        assertThatThrownBy(() -> new Position(Double.NaN, 0)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("latitude");
        assertThatThrownBy(() -> new Position(0, 181)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("longitude");
    }

    @Test
    void runsALongerWayThanTheStraightLineAtRunningSpeed() {
        Position there = new Position(Sample.LAUNCH.lat() + 0.1, Sample.LAUNCH.lon());
        double straight = Sample.LAUNCH.metresTo(there);

        assertThat(RUNS.between(Sample.LAUNCH, there).orElseThrow().time().toSeconds()).isEqualTo((long) (1.25 * straight / 18));
        assertThat(RUNS.runAndSettle(Sample.LAUNCH, there)).contains(RUNS.between(Sample.LAUNCH, there).orElseThrow().time().plusMinutes(4));
    }

    @Test
    void needsNoSettlingWithoutLeavingThePlace() {
        assertThat(RUNS.runAndSettle(Sample.LAUNCH, Sample.LAUNCH)).contains(Duration.ZERO);
    }

    @Test
    void findsAllThatIsWrongWithASpot() {
        Spot spot = new Spot("s", "", Sample.LAUNCH, Double.NaN, " ", Zone.DEEP, 5.0, 2.0, 1.5, Stock.SCHOOL, Map.of());

        assertThat(SpotRules.check(spot)).extracting(Violation::field)
                .containsExactlyInAnyOrder("name", "placeClass", "radiusM", "crowdRisk", "depthMaxM");
        assertThat(SpotRules.check(Sample.spot("s", "hump", Zone.DEEP, 1))).isEmpty();
    }

    @Test
    void aClassOfPlaceKeepsItsWords() {
        assertThat(PlaceClass.code(" Grass edge ")).isEqualTo("grass-edge");
        assertThat(PlaceClass.words(PlaceClass.code("Grass edge"))).isEqualTo("grass edge");
    }
}
