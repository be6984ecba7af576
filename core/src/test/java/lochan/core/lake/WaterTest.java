package lochan.core.lake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.Violation;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import lochan.core.practice.Surface;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WaterTest {

    private static final Runs RUNS = Runs.straight(Boat.USUAL, Assumptions.DEFAULTS.planning());

    @Test
    void aDegreeOfLatitudeIsSixtyNauticalMiles() {
        assertThat(new Position(42, -117).metresTo(new Position(43, -117))).isCloseTo(111_195, within(1.0));
    }

    @Test
    void refusesPositionsOffTheGlobe() {
        assertThatThrownBy(() -> new Position(Double.NaN, 0))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("latitude");
        assertThatThrownBy(() -> new Position(0, 181))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("longitude");
    }

    @Test
    void runsALongerWayThanTheStraightLineAtRunningSpeed() {
        Position there = new Position(Sample.LAUNCH.lat() + 0.1, Sample.LAUNCH.lon());
        double straight = Sample.LAUNCH.metresTo(there);

        assertThat(RUNS.between(Sample.LAUNCH, there).orElseThrow().time().toSeconds())
                .isEqualTo((long) (1.25 * straight / 18));
        assertThat(RUNS.runAndSetUp(Sample.LAUNCH, there))
                .contains(
                        RUNS.between(Sample.LAUNCH, there).orElseThrow().time().plusMinutes(4));
    }

    @Test
    void needsNoSetUpWithoutLeavingThePlace() {
        assertThat(RUNS.runAndSetUp(Sample.LAUNCH, Sample.LAUNCH)).contains(Duration.ZERO);
    }

    @Test
    void findsAllThatIsWrongWithASpot() {
        Spot spot = SpotBuilder.builder()
                .id("s")
                .name("")
                .position(Sample.LAUNCH)
                .radiusM(Double.NaN)
                .spotType(" ")
                .zone(Zone.DEEP)
                .depthMinM(5.0)
                .depthMaxM(2.0)
                .crowdRisk(1.5)
                .stock(Stock.SCHOOL)
                .entered(Map.of())
                .build();

        assertThat(SpotCheck.check(spot))
                .extracting(Violation::field)
                .containsExactlyInAnyOrder("name", "spotType", "radiusM", "crowdRisk", "depthMaxM");
        assertThat(SpotCheck.check(Sample.spot("s", "hump", Zone.DEEP, 1))).isEmpty();
    }

    @Test
    void aClassOfPlaceKeepsItsWords() {
        assertThat(SpotType.code(" Grass edge ")).isEqualTo("grass-edge");
        assertThat(SpotType.words(SpotType.code("Grass edge"))).isEqualTo("grass edge");
    }

    @Test
    void whatIsOffLimitsHoldsItsWaterAndNotTheIslandsInIt() {
        Lake.Body area = new Lake.Body(square(0.02), List.of(square(0.005)));
        Lake lake = new Lake(
                List.of(new Lake.Body(square(0.1), List.of())),
                List.of(),
                List.of(new Lake.OffLimits("Dam", List.of(area))));

        assertThat(lake.offLimitsAt(new Position(Sample.LAUNCH.lat() + 0.01, Sample.LAUNCH.lon()))
                        .map(Lake.OffLimits::name))
                .contains("Dam");
        assertThat(lake.offLimitsAt(Sample.LAUNCH)).as("an island in it").isEmpty();
        assertThat(lake.offLimitsAt(new Position(Sample.LAUNCH.lat() + 0.05, Sample.LAUNCH.lon())))
                .isEmpty();
    }

    private static List<Position> square(double half) {
        double lat = Sample.LAUNCH.lat();
        double lon = Sample.LAUNCH.lon();
        return List.of(
                new Position(lat - half, lon - half),
                new Position(lat - half, lon + half),
                new Position(lat + half, lon + half),
                new Position(lat + half, lon - half));
    }

    @ParameterizedTest
    @CsvSource({"0, calm", "3, ripple", "4.5, chop", "12, waves"})
    void theWindMakesTheSurface(double mps, String surface) {
        assertThat(Surface.ofWind(mps).code()).isEqualTo(surface);
        assertThat(Surface.ofWind(null)).isNull();
    }
}
