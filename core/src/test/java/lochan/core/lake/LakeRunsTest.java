package lochan.core.lake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lochan.core.Sample;
import lochan.core.Violation;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LakeRunsTest {

    private static final LocalPlane PLANE = new LocalPlane(Sample.LAUNCH);
    /** Runs are measured along geodesics and pass corners half a metre off: two metres in a kilometre. */
    private static final double EXACT = 0.002;

    private static final double MPS = Boat.USUAL.runMps();

    private static Position at(double eastM, double northM) {
        return PLANE.position(new LocalPlane.Point(eastM, northM));
    }

    private static List<Position> box(double west, double south, double east, double north) {
        return List.of(at(west, south), at(east, south), at(east, north), at(west, north));
    }

    private static Lake lake(List<List<Position>> islands, Lake.SlowZone... zones) {
        return new Lake(List.of(new Lake.Body(box(-5000, -5000, 5000, 5000), islands)), List.of(zones));
    }

    private static Lake.SlowZone zone(double mps, List<Position> ring) {
        return new Lake.SlowZone("zone", mps, List.of(new Lake.Body(ring, List.of())));
    }

    private static double metres(Lake lake, Position from, Position to) {
        return new LakeRuns(lake, Boat.USUAL).between(from, to).orElseThrow().metres();
    }

    private static double seconds(Lake lake, Position from, Position to) {
        return new LakeRuns(lake, Boat.USUAL)
                        .between(from, to)
                        .orElseThrow()
                        .time()
                        .toMillis()
                / 1000.0;
    }

    @Test
    void openWaterIsRunStraight() {
        assertThat(metres(lake(List.of()), at(-3000, 0), at(0, 4000))).isCloseTo(5000, within(5000 * EXACT));
        assertThat(seconds(lake(List.of()), at(-3000, 0), at(0, 4000)))
                .isCloseTo(5000 / MPS, within(5000 / MPS * EXACT));
    }

    @Test
    void anIslandIsPassedByItsNearerSide() {
        Lake lake = lake(List.of(box(-500, -1000, 500, 300)));

        assertThat(metres(lake, at(-2000, 0), at(2000, 0)))
                .isCloseTo(2 * Math.hypot(1500, 300) + 1000, within(4000 * EXACT));
    }

    @Test
    void aHeadlandIsRounded() {
        List<Position> bay = List.of(
                at(-3000, -3000),
                at(3000, -3000),
                at(3000, 3000),
                at(100, 3000),
                at(100, 0),
                at(-100, 0),
                at(-100, 3000),
                at(-3000, 3000));
        Lake lake = new Lake(List.of(new Lake.Body(bay, List.of())), List.of());

        assertThat(metres(lake, at(-1100, 2000), at(1100, 2000)))
                .isCloseTo(2 * Math.hypot(1000, 2000) + 200, within(5000 * EXACT));
    }

    @Test
    void aSlowZoneIsLeftOrPassedWhicheverIsQuicker() {
        Lake.SlowZone wide = zone(2, box(-500, -3000, 500, 3000));
        double through = (3000 - 1000) / MPS + 1000 / 2.0;
        double around = (2 * Math.hypot(1000, 3000) + 1000) / MPS;
        assertThat(around).isLessThan(through);
        assertThat(seconds(lake(List.of(), wide), at(-1500, 0), at(1500, 0))).isCloseTo(around, within(0.01 * around));

        Lake.SlowZone mild = zone(12, box(-500, -3000, 500, 3000));
        assertThat(seconds(lake(List.of(), mild), at(-1500, 0), at(1500, 0)))
                .isCloseTo(2000 / MPS + 1000 / 12.0, within(1.0));
    }

    @Test
    void outOfASlowZoneTheShortWayIsTakenFirst() {
        Lake.SlowZone harbour = zone(2, box(-200, -1000, 200, 1000));
        double straight = 200 / 2.0 * Math.hypot(1, 900.0 / 2000) + 1800 / MPS * Math.hypot(1, 900.0 / 2000);
        double found = seconds(lake(List.of(), harbour), at(0, 0), at(2000, 900));

        assertThat(found).isLessThan(straight).isGreaterThan(200 / 2.0 + 1800 / MPS);
    }

    @Test
    void aZoneFasterThanTheBoatChangesNothing() {
        assertThat(seconds(lake(List.of(), zone(50, box(-500, -500, 500, 500))), at(-1500, 0), at(1500, 0)))
                .isCloseTo(3000 / MPS, within(3000 / MPS * EXACT));
    }

    @Test
    void aPlaceOnLandNearTheWaterStartsThereAndOneFarFromItNowhere() {
        Lake lake = lake(List.of());
        LakeRuns runs = new LakeRuns(lake, Boat.USUAL);

        assertThat(runs.between(at(0, 5080), at(0, 0)).orElseThrow().metres()).isCloseTo(5000, within(10.0));
        assertThat(runs.between(at(0, 5120), at(0, 0))).isEmpty();
    }

    @Test
    void watersThatDoNotTouchAreNoWayFromEachOther() {
        Lake two = new Lake(
                List.of(
                        new Lake.Body(box(0, 0, 1000, 1000), List.of()),
                        new Lake.Body(box(2000, 0, 3000, 1000), List.of())),
                List.of());
        LakeRuns runs = new LakeRuns(two, Boat.USUAL);

        assertThat(runs.between(at(500, 500), at(2500, 500))).isEmpty();
        assertThat(runs.runAndSetUp(at(500, 500), at(2500, 500))).isEmpty();
        assertThat(runs.runAndSetUp(at(2500, 500), at(2500, 500))).contains(java.time.Duration.ZERO);
    }

    static IntStream seeds() {
        return IntStream.range(0, 25);
    }

    /** A lake with a ragged shore and a few ragged islands. */
    private static Lake ragged(Random random) {
        List<List<Position>> islands = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            islands.add(ragged(random, -1500 + 1000 * i, random.nextInt(1600) - 800, 150, 420));
        }
        return new Lake(List.of(new Lake.Body(ragged(random, 0, 0, 2600, 4200), islands)), List.of());
    }

    private static List<Position> ragged(Random random, double x, double y, double least, double most) {
        int corners = 30;
        return IntStream.range(0, corners)
                .mapToObj(i -> {
                    double r = least + (most - least) * random.nextDouble();
                    return at(x + r * Math.cos(2 * Math.PI * i / corners), y + r * Math.sin(2 * Math.PI * i / corners));
                })
                .toList();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void noRunCrossesLandNoneIsShorterThanTheLineAndNoDetourIsShorter(int seed) {
        Random random = new Random(seed);
        Lake lake = ragged(random);
        LakeRuns runs = new LakeRuns(lake, Boat.USUAL);
        Edges shores = new Edges(lake.bodies().getFirst().rings().stream()
                .map(r -> r.stream().map(PLANE::point).toList())
                .toList());
        List<Position> places = Stream.generate(() -> at(random.nextInt(4000) - 2000, random.nextInt(4000) - 2000))
                .filter(p -> shores.holds(PLANE.point(p)))
                .limit(6)
                .toList();
        for (Position from : places) {
            for (Position to : places) {
                List<Position> route = runs.route(from, to).orElseThrow();
                for (int i = 1; i < route.size(); i++) {
                    assertThat(shores.meets(PLANE.point(route.get(i - 1)), PLANE.point(route.get(i))))
                            .as("a leg of the route meets the shore")
                            .isFalse();
                }
                double metres = runs.between(from, to).orElseThrow().metres();
                assertThat(metres).isGreaterThanOrEqualTo(0.998 * from.metresTo(to));
                assertThat(metres)
                        .isCloseTo(runs.between(to, from).orElseThrow().metres(), within(0.01));
                for (Position via : places) {
                    assertThat(metres)
                            .isLessThanOrEqualTo(runs.between(from, via)
                                            .orElseThrow()
                                            .metres()
                                    + runs.between(via, to).orElseThrow().metres()
                                    + 0.01);
                }
            }
        }
    }

    @Test
    void findsWhatIsWrongWithALake() {
        Lake lake = new Lake(
                List.of(new Lake.Body(List.of(at(0, 0), at(1, 1)), List.of())), List.of(zone(0, box(0, 0, 1, 1))));

        assertThat(lake.check())
                .extracting(Violation::field)
                .containsExactly("outline", "slowZones/features/0/properties/mps");
        assertThat(new Lake(List.of(), List.of()).check()).hasSize(1);
    }
}
