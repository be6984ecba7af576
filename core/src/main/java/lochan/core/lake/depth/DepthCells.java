package lochan.core.lake.depth;

/**
 * Depths as they are drawn on a day: two bytes a cell, the low one first, by rows from the north-west; centimetres below that day's surface,
 * −1 − cm where guessed, −32767 where the water has fallen from the bottom, −32768 on land.
 *
 * @param grid            at the lake's reference level
 * @param aboveReferenceM by which the water stands above it, m; below 0: under it
 */
public record DepthCells(DepthGrid grid, double aboveReferenceM) {

    private static final double CM_PER_M = 100;
    private static final int DEEPEST_CM = Short.MAX_VALUE - 2;
    private static final short LAND = Short.MIN_VALUE;
    private static final short DRY = Short.MIN_VALUE + 1;

    public byte[] bytes() {
        byte[] bytes = new byte[2 * grid.size()];
        for (int i = 0; i < grid.size(); i++) {
            short cell = cell(i);
            bytes[2 * i] = (byte) cell;
            bytes[2 * i + 1] = (byte) (cell >> Byte.SIZE);
        }
        return bytes;
    }

    private short cell(int i) {
        if (grid.isLand(i)) {
            return LAND;
        }
        double depth = grid.depth(i) + aboveReferenceM;
        if (!(depth > 0)) {
            return DRY;
        }
        int cm = Math.clamp(Math.round(CM_PER_M * depth), 0, DEEPEST_CM);
        return (short) (grid.isGuessed(i) ? -1 - cm : cm);
    }
}
