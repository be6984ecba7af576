package lochan.mapfiles;

import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.awt.image.Raster;
import java.awt.image.RenderedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import lochan.core.lake.depth.CellMeans;
import lochan.core.lake.depth.EsriGrid;
import org.apache.sis.coverage.grid.GridCoverage;
import org.apache.sis.coverage.grid.GridExtent;
import org.apache.sis.coverage.grid.GridGeometry;
import org.apache.sis.coverage.grid.PixelInCell;
import org.apache.sis.referencing.operation.matrix.AffineTransforms2D;
import org.apache.sis.referencing.operation.transform.MathTransforms;
import org.apache.sis.storage.Aggregate;
import org.apache.sis.storage.DataStore;
import org.apache.sis.storage.DataStoreException;
import org.apache.sis.storage.GridCoverageResource;
import org.apache.sis.storage.Resource;
import org.apache.sis.storage.StorageConnector;
import org.apache.sis.storage.geotiff.GeoTiffStoreProvider;
import org.jspecify.annotations.Nullable;
import org.opengis.referencing.operation.Matrix;
import org.opengis.util.FactoryException;

/** Depths or heights from a GeoTIFF, its first image and first band. */
final class GeoTiff {

    /** Cells that are decoded at once. */
    private static final int CELLS_AT_ONCE = 1_000_000;

    private static final int TIFF = 42;
    private static final int BIG_TIFF = 43;

    private GeoTiff() {}

    static boolean isTiff(byte[] bytes) {
        if (bytes.length < 4) {
            return false;
        }
        String order = new String(bytes, 0, 2, StandardCharsets.US_ASCII);
        int magic = bytes[2] + bytes[3];
        return (order.equals("II") || order.equals("MM")) && (magic == TIFF || magic == BIG_TIFF);
    }

    /** @param projection said by hand; null: as the file tells */
    static MapFile read(Path file, @Nullable Projection projection) throws MapFileException {
        Projection.quiet();
        try {
            TiffHeader header = TiffHeader.read(file);
            try (DataStore store = new GeoTiffStoreProvider().open(new StorageConnector(file))) {
                return cells(first(store), header, projection);
            }
        } catch (IOException e) {
            throw MapFiles.gone();
        } catch (DataStoreException | RuntimeException e) {
            throw new MapFileException("the GeoTIFF cannot be read ("
                    + String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason given")
                    + "): save it as GeoTIFF with one band of numbers, or as an Esri ASCII grid");
        }
    }

    private static GridCoverageResource first(Resource resource) throws DataStoreException, MapFileException {
        if (resource instanceof GridCoverageResource grid) {
            return grid;
        }
        if (resource instanceof Aggregate many) {
            for (Resource one : many.components()) {
                return first(one);
            }
        }
        throw new MapFileException("the GeoTIFF has no image: save it again");
    }

    private static MapFile cells(GridCoverageResource resource, TiffHeader header, @Nullable Projection said)
            throws MapFileException, DataStoreException {
        GridGeometry geometry = resource.getGridGeometry();
        if (!geometry.isDefined(GridGeometry.GRID_TO_CRS)) {
            throw new MapFileException("the TIFF does not say where it lies: save it as GeoTIFF, with its coordinates");
        }
        AffineTransform place = AffineTransforms2D.castOrCopy(matrix(geometry));
        if (place.getShearX() != 0 || place.getShearY() != 0) {
            throw new MapFileException("the GeoTIFF is turned: save it with north up");
        }
        CellMeans means = CellMeans.of((int) header.columns(), (int) header.rows(), EsriGrid.MOST_CELLS_PER_SIDE);
        // A part that is packed together is unpacked once, not once for each of its rows.
        long atOnce = Math.max(1, CELLS_AT_ONCE / header.columns());
        long rows = Math.ceilDiv(atOnce, header.chunkRows()) * header.chunkRows();
        for (long from = 0; from < header.rows(); from += rows) {
            long to = Math.min(header.rows(), from + rows) - 1;
            read(resource, geometry, from, to, means);
        }
        return new MapFile.Cells(
                "GeoTIFF" + MapFiles.averaged(means.by()),
                said == null ? projection(geometry) : said,
                means.columns(),
                means.rows(),
                frame(place, means.by()),
                means.values());
    }

    private static void read(GridCoverageResource resource, GridGeometry geometry, long from, long to, CellMeans means)
            throws DataStoreException {
        GridExtent all = geometry.getExtent();
        long[] low = {all.getLow(0), all.getLow(1) + from};
        long[] high = {all.getHigh(0), all.getLow(1) + to};
        GridGeometry wanted =
                geometry.derive().subgrid(new GridExtent(null, low, high, true)).build();
        GridCoverage numbers = resource.read(wanted, 0).forConvertedValues(true);
        RenderedImage image = numbers.render(new GridExtent(null, low, high, true));
        int columns = image.getWidth();
        float[] row = new float[columns];
        int tileRows = Math.max(1, image.getTileHeight());
        for (int y = 0; y < image.getHeight(); y += tileRows) {
            int high1 = Math.min(image.getHeight(), y + tileRows);
            Raster raster = image.getData(new Rectangle(image.getMinX(), image.getMinY() + y, columns, high1 - y));
            for (int r = 0; r < raster.getHeight(); r++) {
                raster.getSamples(raster.getMinX(), raster.getMinY() + r, columns, 1, 0, row);
                for (float value : row) {
                    means.add(value);
                }
            }
        }
    }

    /** The middle of the first averaged cell lies between the middles of its cells. */
    private static MapFile.Cells.Frame frame(AffineTransform place, int by) {
        double across = place.getScaleX();
        double down = -place.getScaleY();
        return new MapFile.Cells.Frame(
                place.getTranslateX() + (by - 1) / 2.0 * across,
                place.getTranslateY() - (by - 1) / 2.0 * down,
                by * across,
                by * down);
    }

    private static Matrix matrix(GridGeometry geometry) throws MapFileException {
        Matrix matrix = MathTransforms.getMatrix(geometry.getGridToCRS(PixelInCell.CELL_CENTER));
        if (matrix == null) {
            throw new MapFileException("the cells of the GeoTIFF are not square to its coordinates: save it again");
        }
        return matrix;
    }

    /** Null when the file doesn't give its coordinates, or they cannot be read. */
    private static @Nullable Projection projection(GridGeometry geometry) {
        if (!geometry.isDefined(GridGeometry.CRS)) {
            return null;
        }
        try {
            return Projection.of(geometry.getCoordinateReferenceSystem());
        } catch (FactoryException e) {
            return null;
        }
    }
}
