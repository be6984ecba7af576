package lochan.core.lake.depth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class DepthGridTest {

    private static final float LAND = Float.NaN;

    @Test
    void aThinnedGridLiesInTheSamePlaceWithTheMeanOfItsWater() {
        DepthGrid grid = new DepthGrid(3, 3, 10, 20, 1, false, new float[] {1, 3, 5, LAND, 5, 7, 2, LAND, LAND});

        DepthGrid thin = grid.thinned(2);

        assertThat(new int[] {thin.columns(), thin.rows()}).containsExactly(2, 2);
        assertThat(thin.depth(0)).as("1, 3, 5 of four").isEqualTo(3);
        assertThat(thin.depth(1)).isEqualTo(6);
        assertThat(thin.depth(2)).as("half of it is water").isEqualTo(2);
        assertThat(thin.isLand(3)).isTrue();
        assertThat(thin.west()).isEqualTo(10);
        assertThat(thin.south() + thin.rows() * thin.cellSize())
                .as("the north edge stays")
                .isCloseTo(23, within(1e-9));
        assertThat(grid.thinned(3)).isSameAs(grid);
    }
}
