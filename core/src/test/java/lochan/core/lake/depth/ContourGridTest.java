package lochan.core.lake.depth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.StructureFinder;
import org.junit.jupiter.api.Test;

/** Round lakes, whose depth between two rings is known: Laplace's equation in a ring gives a + b·ln r. */
class ContourGridTest {

    private static final Position MIDDLE = new Position(42.6, -116.9);

    private static List<Position> ring(double radiusM, double eastM, double northM) {
        List<Position> ring = new ArrayList<>();
        for (int i = 0; i <= 360; i++) {
            double angle = Math.toRadians(i);
            ring.add(at(eastM + radiusM * Math.cos(angle), northM + radiusM * Math.sin(angle)));
        }
        return ring;
    }

    private static Position at(double eastM, double northM) {
        return new Position(
                MIDDLE.lat() + northM / Position.METRES_PER_DEGREE,
                MIDDLE.lon() + eastM / Position.metresPerDegreeEast(MIDDLE.lat()));
    }

    private static Lake lake() {
        return new Lake(List.of(new Lake.Body(ring(1000, 0, 0).subList(0, 360), List.of())), List.of());
    }

    private static double depth(DepthGrid grid, double eastM, double northM) {
        Position p = at(eastM, northM);
        return grid.depth(grid.cellAt(p.lon(), p.lat()));
    }

    @Test
    void betweenShoreAndLineTheDepthIsThatOfLaplacesEquation() throws BadGridException {
        DepthGrid grid = ContourGrid.of(lake(), List.of(new ContourGrid.Line(10, ring(200, 0, 0))));

        for (double r = 250; r < 1000; r += 150) {
            double expected = 10 * Math.log(1000 / r) / Math.log(1000.0 / 200);
            assertThat(depth(grid, r, 0)).as("at %.0f m east", r).isCloseTo(expected, within(0.15));
            assertThat(depth(grid, 0, -r)).as("at %.0f m south", r).isCloseTo(expected, within(0.15));
        }
        assertThat(depth(grid, 0, 0))
                .as("inside the innermost line it is level")
                .isCloseTo(10, within(0.1));
        assertThat(depth(grid, 900, 900)).isNaN();
    }

    @Test
    void theStructureFoundIsThatOfTheLines() throws BadGridException {
        DepthGrid grid = ContourGrid.of(
                lake(),
                List.of(
                        new ContourGrid.Line(12, ring(800, 0, 0)),
                        new ContourGrid.Line(6, ring(120, 300, 0)),
                        new ContourGrid.Line(9, ring(220, 300, 0))));
        List<Candidate> humps = StructureFinder.find(grid, StructureFinder.Filter.USUAL).stream()
                .filter(c -> c.kind() == Candidate.Kind.HUMP)
                .toList();

        assertThat(humps).singleElement().satisfies(h -> {
            assertThat(h.depthM()).isCloseTo(6, within(0.1));
            assertThat(h.prominenceM()).isCloseTo(6, within(0.1));
        });
    }

    @Test
    void linesThatLieElsewhereAreRefused() {
        assertThatThrownBy(() -> ContourGrid.of(
                        lake(), List.of(new ContourGrid.Line(3, List.of(new Position(0, 0), new Position(1, 1))))))
                .isInstanceOf(BadGridException.class)
                .hasMessageContaining("grids.lines-off-lake[1]");
    }
}
