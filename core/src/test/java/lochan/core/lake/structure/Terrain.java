package lochan.core.lake.structure;

import java.util.function.DoubleBinaryOperator;
import lochan.core.lake.depth.DepthGrid;

/** Made-up bottoms: depth as a function of metres east and north; what is not below the surface is land. */
final class Terrain {

    private Terrain() {}

    static DepthGrid of(int cells, double cellM, DoubleBinaryOperator depth) {
        float[] depths = new float[cells * cells];
        for (int r = 0; r < cells; r++) {
            for (int c = 0; c < cells; c++) {
                double d = depth.applyAsDouble((c + 0.5) * cellM, (cells - r - 0.5) * cellM);
                depths[r * cells + c] = d > 0 ? (float) d : Float.NaN;
            }
        }
        return new DepthGrid(cells, cells, 0, 0, cellM, false, depths);
    }

    /** A basin with its shore all around, falling evenly to a level floor. */
    static double basin(double x, double y, double sideM, double slope, double floorM) {
        double toEdge = Math.min(Math.min(x, sideM - x), Math.min(y, sideM - y)) - 100;
        return Math.min(floorM, toEdge * slope);
    }

    /** A round rise of the bottom. */
    static double bump(double x, double y, double atX, double atY, double heightM, double radiusM) {
        double d2 = (x - atX) * (x - atX) + (y - atY) * (y - atY);
        return heightM * Math.exp(-d2 / (radiusM * radiusM));
    }

    /** A ridge from the south shore northwards, ending at a place. */
    static double ridge(double x, double y, double atX, double tipY, double heightM, double halfWidthM) {
        double beyond = Math.max(0, y - tipY);
        double d2 = (x - atX) * (x - atX) + beyond * beyond;
        return heightM * Math.exp(-d2 / (halfWidthM * halfWidthM));
    }
}
