package lochan.core.lake.depth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import org.junit.jupiter.api.Test;

class GridShoreTest {

    @Test
    void theShoreHoldsTheWaterOfTheGridAndNotItsIsland() {
        int side = 40;
        float[] depths = new float[side * side];
        Arrays.fill(depths, 5);
        for (int r = 10; r < 20; r++) {
            Arrays.fill(depths, r * side + 15, r * side + 25, Float.NaN);
        }
        DepthGrid grid = new DepthGrid(side, side, 10, 50, 0.001, true, depths);

        List<Lake.Body> bodies = GridShore.of(grid);

        assertThat(bodies).hasSize(1);
        assertThat(bodies.getFirst().islands()).hasSize(1);
        for (int i = 0; i < grid.size(); i++) {
            Position p = new Position(grid.y(i), grid.x(i));
            assertThat(bodies.getFirst().holds(p)).as("cell %d", i).isEqualTo(!grid.isLand(i));
        }
    }
}
