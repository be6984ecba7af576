package lochan.core.lake.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.LakeLevels;
import lochan.core.lake.Sighting;
import lochan.core.lake.Waypoint;
import lochan.core.lake.WaypointBuilder;
import lochan.core.lake.depth.DepthGrid;
import org.junit.jupiter.api.Test;

class LookAlikesTest {

    private static final double CELL_M = 10;
    private static final int CELLS = 300;

    /** In degrees at the equator, where both sides of a cell are as long; humps at 800, 1600 and 2400 m east, the last one flatter. */
    private static DepthGrid grid() {
        DepthGrid metres = Terrain.of(
                CELLS,
                CELL_M,
                (x, y) -> Terrain.basin(x, y, CELLS * CELL_M, 0.05, 15)
                        - Terrain.bump(x, y, 800, 1500, 9, 120)
                        - Terrain.bump(x, y, 1600, 1500, 9, 120)
                        - Terrain.bump(x, y, 2400, 1500, 5, 120));
        return new DepthGrid(CELLS, CELLS, 0, 0, CELL_M / Position.METRES_PER_DEGREE, true, metres.depths());
    }

    private static Position at(double eastM, double northM) {
        return new Position(northM / Position.METRES_PER_DEGREE, eastM / Position.METRES_PER_DEGREE);
    }

    private static Lake lake(List<Lake.OffLimits> offLimits, List<LakeCover> covers) {
        return new Lake(List.of(square(0, 0, 3000)), List.of(), offLimits, covers, LakeLevels.UNKNOWN, null);
    }

    private static Lake.Body square(double east, double north, double side) {
        return new Lake.Body(
                List.of(at(east, north), at(east + side, north), at(east + side, north + side), at(east, north + side)),
                List.of());
    }

    private static List<LookAlikes.Alike> like(Lake lake, List<Waypoint> waypoints, double east, double north) {
        return LookAlikes.find(grid(), lake, waypoints, at(east, north), 60, 20);
    }

    @Test
    void theTopOfAHumpIsLikeTheTopOfItsTwinAndNotOfALowerOne() {
        List<LookAlikes.Alike> found = like(lake(List.of(), List.of()), List.of(), 800, 1500);

        DepthGrid grid = grid();
        Position first = new Position(
                grid.y(found.getFirst().cell()), grid.x(found.getFirst().cell()));
        assertThat(first.metresTo(at(1600, 1500))).isLessThan(40);
        assertThat(found.getFirst().likeness()).isGreaterThan(0.75);
        assertThat(found.getFirst().depthM()).isCloseTo(6, within(0.3));
        assertThat(found)
                .noneMatch(a -> new Position(grid.y(a.cell()), grid.x(a.cell())).metresTo(at(2400, 1500)) < 60);
        assertThat(found)
                .as("none beside the place itself")
                .noneMatch(a -> new Position(grid.y(a.cell()), grid.x(a.cell())).metresTo(at(800, 1500)) < 149);
    }

    @Test
    void waterOffLimitsIsLeftOutAndAnotherCoverOrBottomCountsHalf() {
        Lake.OffLimits closed = new Lake.OffLimits(null, List.of(square(1500, 1400, 200)));
        LakeCover timber = new LakeCover(LakeCover.Kind.TIMBER, null, List.of(square(1500, 1400, 200)), List.of());
        List<Waypoint> bottoms =
                List.of(bottom(at(800, 1500), Waypoint.Bottom.HARD), bottom(at(1600, 1500), Waypoint.Bottom.SOFT));
        double alike = like(lake(List.of(), List.of()), List.of(), 800, 1500)
                .getFirst()
                .likeness();

        assertThat(like(lake(List.of(closed), List.of()), List.of(), 800, 1500))
                .noneMatch(a -> a.likeness() > 0.9 * alike);
        List<LookAlikes.Alike> inTimber = like(lake(List.of(), List.of(timber)), List.of(), 800, 1500);
        assertThat(inTimber)
                .filteredOn(a -> a.cover() == LakeCover.Kind.TIMBER)
                .allMatch(a -> a.likeness() <= alike / 2);
        assertThat(like(lake(List.of(), List.of()), bottoms, 800, 1500)).noneMatch(a -> a.likeness() > 0.9 * alike);
    }

    private static Waypoint bottom(Position at, Waypoint.Bottom bottom) {
        return WaypointBuilder.builder()
                .id("w" + at.lon())
                .at(Instant.EPOCH)
                .position(at)
                .fish(Sighting.NONE)
                .bottom(bottom)
                .note("")
                .entered(Map.of())
                .build();
    }

    @Test
    void aPlaceOnLandIsLikeNothing() {
        assertThat(like(lake(List.of(), List.of()), List.of(), 5, 5)).isEmpty();
    }
}
