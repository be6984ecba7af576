package lochan.core.lake.structure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.LakeLevels;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Zone;
import lochan.core.lake.depth.DepthGrid;
import org.junit.jupiter.api.Test;

/** Water 2 km by 2 km, 8 m deep in its west and 2 m in its east, with a hump marked in the middle of it. */
class MapPlaceTest {

    private static final int CELLS = 200;
    private static final DepthGrid GRID = new DepthGrid(
            CELLS,
            CELLS,
            0,
            0,
            10 / Position.METRES_PER_DEGREE,
            true,
            Terrain.of(CELLS, 10, (x, y) -> y < 100 ? -1 : x < 1000 ? 8 : 2).depths());
    private static final List<Candidate> HUMP = List.of(new Candidate(
            Candidate.Kind.HUMP,
            CELLS / 2 * CELLS + CELLS / 2,
            2,
            6.0,
            null,
            900,
            null,
            StructureReason.BLUFF.with(1)));

    private static Position at(double eastM, double northM) {
        return new Position(northM / Position.METRES_PER_DEGREE, eastM / Position.METRES_PER_DEGREE);
    }

    private static MapPlace place(double eastM, double northM) {
        return MapPlace.of(at(eastM, northM), GRID, HUMP, null);
    }

    @Test
    void depthAndTheNearestStructureAreTold() {
        assertThat(place(1040, 1000)).isEqualTo(new MapPlace(2.0, "hump"));
        assertThat(place(1200, 1000)).as("200 m off the hump").isEqualTo(new MapPlace(2.0, null));
        assertThat(place(500, 50)).as("on land").isEqualTo(new MapPlace(null, null));
        assertThat(place(-500, 500)).as("off the map").isEqualTo(new MapPlace(null, null));
        assertThat(MapPlace.of(at(500, 500), null, List.of(), null)).isEqualTo(new MapPlace(null, null));
    }

    @Test
    void coverIsToldBeforeTheShapeOfTheBottom() {
        LakeCover timber = new LakeCover(LakeCover.Kind.TIMBER, null, List.of(), List.of(List.of(at(1020, 1000))));
        Lake lake = new Lake(
                List.of(new Lake.Body(List.of(at(0, 0), at(2000, 0), at(2000, 2000), at(0, 2000)), List.of())),
                List.of(),
                List.of(),
                List.of(timber),
                LakeLevels.UNKNOWN,
                null);

        assertThat(MapPlace.of(at(1040, 1000), GRID, HUMP, lake).spotType()).isEqualTo("standing-timber");
    }

    @Test
    void whatTheAnglerSaidIsKept() {
        Spot marked = Spot.fresh("a", "Bar", at(500, 500), "dock-row");
        Spot filled = new MapPlace(8.0, "hump").fill(marked, true);

        assertThat(filled.depthMinM()).isEqualTo(7);
        assertThat(filled.depthMaxM()).isEqualTo(9);
        assertThat(filled.zone()).isEqualTo(Zone.DEEP);
        assertThat(filled.spotType()).isEqualTo("dock-row");
        assertThat(new MapPlace(8.0, "hump").fill(marked, false).spotType()).isEqualTo("hump");
        assertThat(new MapPlace(0.4, null).fill(marked, true).depthMinM())
                .as("not above the surface")
                .isZero();

        Spot measured =
                SpotBuilder.builder(marked).depthMinM(3.0).zone(Zone.MID).build();
        assertThat(new MapPlace(8.0, null).fill(measured, true)).isEqualTo(measured);
    }
}
