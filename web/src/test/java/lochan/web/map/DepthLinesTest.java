package lochan.web.map;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import lochan.core.lake.structure.DepthGrid;
import lochan.core.quantity.Units;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

@Tag("slow")
class DepthLinesTest {

    private static final double SIZE_M = 18_000;
    private static final int NOISY_SIDE = Boolean.getBoolean("lochan.long") ? 600 : 300;
    private static final LakeMap.Frame FRAME = new LakeMap.Frame(42.76, -117, 81_900);

    private static DepthGrid grid(int side, java.util.function.IntFunction<Float> depth) {
        float[] depths = new float[side * side];
        for (int i = 0; i < depths.length; i++) {
            depths[i] = depth.apply(i);
        }
        return new DepthGrid(side, side, -116.98, 42.58, 0.16 / side, true, depths);
    }

    @Test
    void evenNothingButNoiseIsDrawnWithinBounds() {
        Random random = new Random(3);
        List<LakeMap.Line> lines =
                DepthLines.of(grid(NOISY_SIDE, i -> 20 * random.nextFloat()), FRAME, SIZE_M, Units.USUAL);

        assertThat(lines.stream().mapToInt(l -> l.path().length()).sum())
                .isLessThanOrEqualTo(DepthLines.MOST_CHARACTERS);
    }

    @Test
    void aSlopeHasItsLinesAndWaterOfOneDepthHasNone() {
        List<LakeMap.Line> slope = DepthLines.of(grid(200, i -> i % 200 / 10f), FRAME, SIZE_M, Units.USUAL);

        assertThat(slope)
                .extracting(LakeMap.Line::depth)
                .containsExactly("10 ft", "20 ft", "30 ft", "40 ft", "50 ft", "60 ft");
        assertThat(DepthLines.of(grid(50, i -> 3f), FRAME, SIZE_M, Units.USUAL))
                .as("one step and no line of it")
                .isEmpty();
    }
}
