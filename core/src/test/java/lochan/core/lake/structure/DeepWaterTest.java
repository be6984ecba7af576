package lochan.core.lake.structure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import lochan.core.lake.depth.DepthGrid;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DeepWaterTest {

    /** Against every cell there is. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void theNearestDeepWaterIsTheNearestOfAllCells(long seed) {
        Random random = new Random(seed);
        int columns = 20 + random.nextInt(90);
        int rows = 20 + random.nextInt(90);
        float[] depths = new float[columns * rows];
        for (int i = 0; i < depths.length; i++) {
            depths[i] = random.nextInt(5) == 0 ? Float.NaN : random.nextInt(400) == 0 ? 20 : 6 * random.nextFloat();
        }
        DepthGrid grid = new DepthGrid(columns, rows, -116.9, 42.6, 0.0002, true, depths);
        DeepWater deep = new DeepWater(grid);
        for (int n = 0; n < 60; n++) {
            int from = random.nextInt(grid.size());
            double best = Double.POSITIVE_INFINITY;
            for (int i = 0; i < grid.size(); i++) {
                best = grid.depth(i) >= 10 + DeepWater.DEEPER_M ? Math.min(best, grid.metres(from, i)) : best;
            }
            assertThat(deep.metres(from, 10)).isEqualTo(Double.isInfinite(best) ? null : Double.valueOf(best));
        }
    }
}
