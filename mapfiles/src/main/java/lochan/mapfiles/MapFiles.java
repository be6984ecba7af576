package lochan.mapfiles;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import lochan.core.Bounds;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.core.quantity.Units;
import lochan.eventformat.BoundedLines;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/** Reads a file by what it looks like. */
public final class MapFiles {

    private static final int LOOKED_AT = 4096;
    private static final int LONGEST_PROJECTION = 20_000;

    /** Ends of the names of files that a zip may hold alone; a shapefile comes with others. */
    public static final List<String> ENDINGS =
            List.of("asc", "txt", "tif", "tiff", "geojson", "json", "kml", "gpx", "csv", "nmea", "log");

    private MapFiles() {}

    /**
     * Reads a file that holds depths, a shore or soundings: an Esri ASCII grid, a GeoTIFF, a shapefile in a zip, GeoJSON, KML, GPX, a table or
     * an NMEA 0183 log. A zip may hold one of the others instead. What it takes of the memory is bounded before it is allocated; grids and
     * soundings beyond that are thinned, which their format says.
     *
     * @param projection what the angler said its coordinates are; null: as the file tells
     * @throws MapFileException in one line
     */
    public static MapFile read(Source file, @Nullable Projection projection) throws MapFileException {
        if (file.size() == 0) {
            throw new MapFileException("the file is empty: choose another");
        }
        byte[] start = start(file);
        if (Zip.isZip(start)) {
            return unpacked(Zip.of(file), projection);
        }
        if (GeoTiff.isTiff(start)) {
            return onDisk(file, projection);
        }
        return text(file, new String(start, StandardCharsets.UTF_8), projection);
    }

    private static MapFile text(Source file, String start, @Nullable Projection projection) throws MapFileException {
        String head = start.replace("\uFEFF", "").stripLeading();
        String lower = head.substring(0, Math.min(head.length(), 200)).toLowerCase(Locale.ROOT);
        if (head.startsWith("{")) {
            return GeoJsonFile.read(file);
        }
        if (head.startsWith("<")) {
            return XmlDrawing.read(file);
        }
        if (lower.startsWith("ncols") || lower.startsWith("nrows") || lower.startsWith("xll")) {
            return cells(file, projection);
        }
        if (NmeaLog.looksLikeOne(head)) {
            return NmeaLog.read(file);
        }
        if (file.name().toLowerCase(Locale.ROOT).endsWith(".shp")) {
            throw new MapFileException(
                    "a .shp alone has no coordinate system: put .shp, .dbf, .shx and .prj into one zip");
        }
        if (lower.matches("(?s).*[,;\\t].*")) {
            return SoundingsCsv.read(file);
        }
        throw new MapFileException(
                "it is none of the files read here: Esri ASCII grid, GeoTIFF, shapefile in a zip, GeoJSON, KML, GPX, a table with lat, lon, depth, or an NMEA 0183 log");
    }

    private static byte[] start(Source file) throws MapFileException {
        try (InputStream in = file.open()) {
            return in.readNBytes(LOOKED_AT);
        } catch (IOException e) {
            throw gone();
        }
    }

    static MapFileException gone() {
        return new MapFileException("the file cannot be read any more: choose it again");
    }

    /** The lines of a text, one at a time. */
    static Reader reader(Source file) throws MapFileException {
        try {
            BufferedReader reader =
                    new BufferedReader(new InputStreamReader(file.open(), StandardCharsets.UTF_8), 1 << 16);
            reader.mark(1);
            if (reader.read() != '\uFEFF') {
                reader.reset();
            }
            return reader;
        } catch (IOException e) {
            throw gone();
        }
    }

    private static MapFile unpacked(Zip zip, @Nullable Projection projection) throws MapFileException {
        for (String name : zip.names()) {
            if (name.endsWith(".shp")) {
                return Shapefile.read(zip, name, projection);
            }
        }
        for (String name : zip.names()) {
            if (ENDINGS.contains(name.substring(name.lastIndexOf('.') + 1))) {
                Projection told = projection == null ? projection(zip, name) : projection;
                return withCopy(copy -> {
                    zip.unpack(name, copy);
                    return read(Source.of(name, copy), told);
                });
            }
        }
        throw new MapFileException(
                "the zip holds no map: expected a .shp with its .dbf and .prj, or one file of another kind");
    }

    /** Returns the .prj beside a file; null: there is none. */
    static @Nullable Projection projection(Zip zip, String name) throws MapFileException {
        byte[] prj = zip.bytes(Set.of(name.replaceFirst("\\.[^.]*$", ".prj")), LONGEST_PROJECTION).values().stream()
                .findFirst()
                .orElse(null);
        return prj == null ? null : Projection.ofText(new String(prj, StandardCharsets.UTF_8));
    }

    /** A GeoTIFF is read from a file, part by part. */
    private static MapFile onDisk(Source file, @Nullable Projection projection) throws MapFileException {
        if (file instanceof Source.OnDisk there) {
            return GeoTiff.read(there.file(), projection);
        }
        return withCopy(copy -> {
            try (InputStream in = file.open()) {
                Files.write(copy, in.readNBytes((int) Bounds.UPLOAD_BYTES));
            }
            return GeoTiff.read(copy, projection);
        });
    }

    private interface OfCopy {

        MapFile read(Path copy) throws IOException, MapFileException;
    }

    private static MapFile withCopy(OfCopy how) throws MapFileException {
        Path copy = null;
        try {
            copy = Files.createTempFile("lochan-map", ".part");
            return how.read(copy);
        } catch (IOException e) {
            throw new MapFileException("the file cannot be unpacked, for the disk is full or not to be written to");
        } finally {
            if (copy != null) {
                copy.toFile().delete();
            }
        }
    }

    private static MapFile cells(Source file, @Nullable Projection projection) throws MapFileException {
        try (Reader reader = reader(file)) {
            EsriGrid.Thinned thinned = EsriGrid.readThinned(
                    new BoundedLines(reader), projection == null ? null : (Boolean) projection.isDegrees());
            DepthGrid grid = thinned.grid();
            Projection told = projection;
            if (told == null && grid.degrees()) {
                told = Projection.DEGREES;
            }
            return new MapFile.Cells(
                    "Esri ASCII grid" + averaged(thinned.by()),
                    told,
                    grid.columns(),
                    grid.rows(),
                    new MapFile.Cells.Frame(grid.xAt(0), grid.yAt(0), grid.cellSize(), grid.cellSize()),
                    grid.depths());
        } catch (BadGridException e) {
            throw new MapFileException(Wording.text(e.reason(), Units.METRIC));
        } catch (UncheckedIOException | IOException e) {
            throw new MapFileException(String.valueOf(e.getMessage()));
        }
    }

    /** Returns the note about a grid whose cells were averaged. */
    static String averaged(int by) {
        return by == 1 ? "" : ", " + by + " × " + by + " cells averaged to one";
    }
}
