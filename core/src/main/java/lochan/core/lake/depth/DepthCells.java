package lochan.core.lake.depth;

/**
 * Depths as they are drawn: two bytes a cell, the low one first, by rows from the north-west; centimetres below the surface, −1 − cm where
 * guessed, −32768 on land.
 */
public final class DepthCells {

    private static final double CM_PER_M = 100;
    private static final int DEEPEST_CM = Short.MAX_VALUE - 1;

    private DepthCells() {}

    public static byte[] bytes(DepthGrid grid) {
        byte[] bytes = new byte[2 * grid.size()];
        for (int i = 0; i < grid.size(); i++) {
            short cell = cell(grid, i);
            bytes[2 * i] = (byte) cell;
            bytes[2 * i + 1] = (byte) (cell >> Byte.SIZE);
        }
        return bytes;
    }

    private static short cell(DepthGrid grid, int i) {
        if (grid.isLand(i)) {
            return Short.MIN_VALUE;
        }
        int cm = Math.clamp(Math.round(CM_PER_M * grid.depth(i)), 0, DEEPEST_CM);
        return (short) (grid.isGuessed(i) ? -1 - cm : cm);
    }
}
