package lochan.core.lake.depth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import org.junit.jupiter.api.Test;

class DepthCellsTest {

    private static short[] cells(double above) {
        BitSet guessed = new BitSet();
        guessed.set(2);
        DepthGrid grid =
                new DepthGrid(4, 1, 0, 0, 1, false, new float[] {Float.NaN, 0.5f, 3, 12.34f}).withGuessed(guessed);
        byte[] bytes = new DepthCells(grid, above).bytes();
        short[] cells = new short[4];
        for (int i = 0; i < 4; i++) {
            cells[i] = (short) (Byte.toUnsignedInt(bytes[2 * i]) | bytes[2 * i + 1] << 8);
        }
        return cells;
    }

    @Test
    void depthsAreThoseOfTheDayAndWhatFellDryIsNoLand() {
        assertThat(cells(0)).containsExactly(-32768, 50, -301, 1234);
        assertThat(cells(-0.6)).containsExactly(-32768, -32767, -241, 1174);
        assertThat(cells(0.25)).containsExactly(-32768, 75, -326, 1259);
    }
}
