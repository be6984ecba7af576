package lochan.mapfiles;

import java.util.function.DoubleUnaryOperator;
import lochan.core.event.Position;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.core.lake.depth.GridProblem;

/**
 * Cells in a file's coordinates as square cells in longitude and latitude, about as large as they were. Between four cells of water a depth is
 * bilinear; at a shore it is the nearest cell's.
 */
public final class GridToDegrees {

    /** Places along each edge by which the extent is found. */
    private static final int EDGE_STEPS = 20;

    private final MapFile.Cells cells;
    private final Projection projection;
    private final DoubleUnaryOperator depth;
    private double west = Double.POSITIVE_INFINITY;
    private double east = Double.NEGATIVE_INFINITY;
    private double south = Double.POSITIVE_INFINITY;
    private double north = Double.NEGATIVE_INFINITY;

    private GridToDegrees(MapFile.Cells cells, Projection projection, DoubleUnaryOperator depth) {
        this.cells = cells;
        this.projection = projection;
        this.depth = depth;
    }

    /**
     * @param depth from a value of the file to metres below the surface; what is not above 0 is land
     * @throws MapFileException when the coordinates are unknown or lie nowhere
     * @throws BadGridException when no cell is water
     */
    public static DepthGrid of(MapFile.Cells cells, DoubleUnaryOperator depth)
            throws MapFileException, BadGridException {
        if (cells.projection() == null) {
            throw new MapFileException("the coordinate system of the cells is not known: choose it");
        }
        GridToDegrees grid = new GridToDegrees(cells, cells.projection(), depth);
        grid.findExtent();
        return grid.made();
    }

    private void findExtent() throws MapFileException {
        double left = cells.frame().west() - cells.frame().across() / 2;
        double top = cells.frame().north() + cells.frame().down() / 2;
        double width = cells.columns() * cells.frame().across();
        double height = cells.rows() * cells.frame().down();
        for (int i = 0; i <= EDGE_STEPS; i++) {
            double share = (double) i / EDGE_STEPS;
            include(left + share * width, top);
            include(left + share * width, top - height);
            include(left, top - share * height);
            include(left + width, top - share * height);
        }
    }

    private void include(double x, double y) throws MapFileException {
        Position p = projection.position(x, y);
        west = Math.min(west, p.lon());
        east = Math.max(east, p.lon());
        south = Math.min(south, p.lat());
        north = Math.max(north, p.lat());
    }

    private DepthGrid made() throws BadGridException {
        double cell = Math.max(
                (north - south) / cells.rows(), Math.max(north - south, east - west) / EsriGrid.MOST_CELLS_PER_SIDE);
        int columns = Math.max(1, (int) Math.ceil((east - west) / cell - 1e-6));
        int rows = Math.max(1, (int) Math.ceil((north - south) / cell - 1e-6));
        if (columns > EsriGrid.MOST_CELLS_PER_SIDE) {
            cell = (east - west) / EsriGrid.MOST_CELLS_PER_SIDE;
            columns = EsriGrid.MOST_CELLS_PER_SIDE;
            rows = Math.max(1, (int) Math.ceil((north - south) / cell - 1e-6));
        }
        float[] depths = new float[columns * rows];
        boolean water = false;
        for (int i = 0; i < depths.length; i++) {
            int row = i / columns;
            double lat = north - (row + 0.5) * cell;
            double lon = west + (i % columns + 0.5) * cell;
            double metres = Math.abs(lat) <= 90 ? at(new Position(lat, lon)) : Double.NaN;
            depths[i] = metres > 0 ? (float) metres : Float.NaN;
            water |= metres > 0;
        }
        if (!water) {
            throw new BadGridException(GridProblem.NO_WATER_IN_CELLS);
        }
        return new DepthGrid(columns, rows, west, north - rows * cell, cell, true, depths);
    }

    private double at(Position p) {
        double[] place = projection.coordinates(p);
        double column = (place[0] - cells.frame().west()) / cells.frame().across();
        double row = (cells.frame().north() - place[1]) / cells.frame().down();
        if (!(column > -0.5 && row > -0.5 && column < cells.columns() - 0.5 && row < cells.rows() - 0.5)) {
            return Double.NaN;
        }
        int c = (int) Math.floor(column);
        int r = (int) Math.floor(row);
        double fc = column - c;
        double fr = row - r;
        double between = (1 - fr) * ((1 - fc) * value(c, r) + fc * value(c + 1, r))
                + fr * ((1 - fc) * value(c, r + 1) + fc * value(c + 1, r + 1));
        return Double.isNaN(between) ? value((int) Math.round(column), (int) Math.round(row)) : between;
    }

    /** Metres; NaN on land. */
    private double value(int column, int row) {
        int c = Math.clamp(column, 0, cells.columns() - 1);
        int r = Math.clamp(row, 0, cells.rows() - 1);
        double metres = depth.applyAsDouble(cells.values()[r * cells.columns() + c]);
        return metres > 0 ? metres : Double.NaN;
    }
}
