package lochan.core.lake.depth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;

/** The water of a lake that lies open to a wind: where it comes over so much open water that waves build. */
public final class OpenWater {

    private static final int CELLS = 240;
    private static final double SMALLEST_CELL_M = 25;

    private OpenWater() {}

    /**
     * @param fromDeg direction the wind comes from, degrees from north
     * @param fetchM  open water upwind, m
     * @return its parts; outlines are those of cells of 25 m or 1/{@value #CELLS} of the lake, made straight within one
     */
    public static List<Lake.Body> of(Lake lake, double fromDeg, double fetchM) {
        LakeRaster raster = LakeRaster.of(lake, CELLS, SMALLEST_CELL_M);
        float[] open = new float[raster.size()];
        Arrays.fill(open, Float.NaN);
        double up = -Math.cos(Math.toRadians(fromDeg));
        double right = Math.sin(Math.toRadians(fromDeg)) / raster.narrowing();
        int steps = (int) Math.ceil(fetchM / raster.heightM());
        for (int i = 0; i < open.length; i++) {
            if (raster.isWater(i) && isOpen(raster, i, right, up, steps)) {
                open[i] = 1;
            }
        }
        return GridShore.of(raster.grid(open)).stream()
                .map(b -> new Lake.Body(
                        straightened(b.shore(), raster.heightM()),
                        b.islands().stream()
                                .map(ring -> straightened(ring, raster.heightM()))
                                .toList()))
                .toList();
    }

    private static boolean isOpen(LakeRaster raster, int from, double right, double up, int steps) {
        double column = from % raster.columns() + 0.5;
        int rowsAbove = from / raster.columns();
        double row = rowsAbove + 0.5;
        for (int k = 1; k <= steps; k++) {
            int at = raster.cell((int) Math.floor(column + k * right), (int) Math.floor(row + k * up));
            if (at < 0 || !raster.isWater(at)) {
                return false;
            }
        }
        return true;
    }

    /** A ring without the corners that lie within a distance of the rest (Douglas and Peucker 1973). */
    static List<Position> straightened(List<Position> ring, double withinM) {
        boolean[] kept = new boolean[ring.size() + 1];
        List<Position> line = new ArrayList<>(ring);
        line.add(ring.getFirst());
        int far = 0;
        for (int i = 1; i < ring.size(); i++) {
            far = ring.getFirst().metresTo(ring.get(i)) > ring.getFirst().metresTo(ring.get(far)) ? i : far;
        }
        kept[0] = true;
        kept[far] = true;
        keep(line, 0, far, withinM, kept);
        keep(line, far, ring.size(), withinM, kept);
        List<Position> left = new ArrayList<>();
        for (int i = 0; i < ring.size(); i++) {
            if (kept[i]) {
                left.add(ring.get(i));
            }
        }
        return left.size() < 3 ? ring : left;
    }

    private static void keep(List<Position> line, int from, int to, double withinM, boolean[] kept) {
        Position a = line.get(from);
        Position b = line.get(to);
        double east = Position.metresPerDegreeEast(a.lat());
        double x = (b.lon() - a.lon()) * east;
        double y = (b.lat() - a.lat()) * Position.METRES_PER_DEGREE;
        double length = Math.hypot(x, y);
        int farthest = -1;
        double most = withinM;
        for (int i = from + 1; i < to; i++) {
            double px = (line.get(i).lon() - a.lon()) * east;
            double py = (line.get(i).lat() - a.lat()) * Position.METRES_PER_DEGREE;
            double off = length == 0 ? Math.hypot(px, py) : Math.abs(x * py - y * px) / length;
            if (off > most) {
                most = off;
                farthest = i;
            }
        }
        if (farthest > 0) {
            kept[farthest] = true;
            keep(line, from, farthest, withinM, kept);
            keep(line, farthest, to, withinM, kept);
        }
    }
}
