package lochan.mapfiles;

import java.awt.image.Raster;
import java.awt.image.RenderedImage;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.apache.sis.coverage.grid.GridCoverage;
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

    private static final int MOST_CELLS = 25_000_000;
    private static final int TIFF = 42;
    private static final int BIG_TIFF = 43;
    private static final Logger TOLD = Logger.getLogger("org.apache.sis");

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
    static MapFile read(byte[] file, @Nullable Projection projection) throws MapFileException {
        // What it finds odd in a file it also throws, or it does not matter.
        TOLD.setLevel(Level.SEVERE);
        try (DataStore store = new GeoTiffStoreProvider().open(new StorageConnector(ByteBuffer.wrap(file)))) {
            return cells(first(store).read(null, null), projection);
        } catch (DataStoreException | RuntimeException e) {
            throw new MapFileException("the GeoTIFF cannot be read ("
                    + String.valueOf(e.getMessage()).lines().findFirst().orElse("no reason is told")
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

    private static MapFile cells(GridCoverage coverage, @Nullable Projection said) throws MapFileException {
        GridGeometry geometry = coverage.getGridGeometry();
        if (!geometry.isDefined(GridGeometry.GRID_TO_CRS)) {
            throw new MapFileException("the TIFF does not say where it lies: save it as GeoTIFF, with its coordinates");
        }
        java.awt.geom.AffineTransform place = AffineTransforms2D.castOrCopy(matrix(geometry));
        if (place.getShearX() != 0 || place.getShearY() != 0) {
            throw new MapFileException("the GeoTIFF is turned: save it with north up");
        }
        GridCoverage numbers = coverage.forConvertedValues(true);
        RenderedImage image = numbers.render(null);
        int columns = image.getWidth();
        int rows = image.getHeight();
        if ((long) columns * rows > MOST_CELLS) {
            throw new MapFileException("the GeoTIFF has " + columns + " × " + rows + " cells: at most "
                    + MOST_CELLS / 1_000_000 + " million are read; cut out this lake, or make its cells larger");
        }
        float[] values = new float[columns * rows];
        Raster raster = image.getData();
        raster.getSamples(raster.getMinX(), raster.getMinY(), columns, rows, 0, values);
        return new MapFile.Cells(
                "GeoTIFF",
                said == null ? projection(geometry) : said,
                columns,
                rows,
                new MapFile.Cells.Frame(
                        place.getTranslateX(), place.getTranslateY(), place.getScaleX(), -place.getScaleY()),
                values);
    }

    private static Matrix matrix(GridGeometry geometry) throws MapFileException {
        Matrix matrix = MathTransforms.getMatrix(geometry.getGridToCRS(PixelInCell.CELL_CENTER));
        if (matrix == null) {
            throw new MapFileException("the cells of the GeoTIFF are not square to its coordinates: save it again");
        }
        return matrix;
    }

    /** Null where the file does not tell its coordinates, or in a way that cannot be read. */
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
