package lochan.mapfiles;

import java.io.BufferedReader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.depth.EsriGrid;
import lochan.eventformat.BoundedLines;
import org.jspecify.annotations.Nullable;

/** Reads a file by what it looks like. */
public final class MapFiles {

    private MapFiles() {}

    /**
     * Reads a file that holds depths, a shore or soundings: an Esri ASCII grid, a GeoTIFF, a shapefile in a zip, GeoJSON, KML, GPX, a table or
     * an NMEA 0183 log. A zip may hold one of the others instead.
     *
     * @param projection what the angler said its coordinates are; null: as the file tells
     * @throws MapFileException in one line
     */
    public static MapFile read(String name, byte[] file, @Nullable Projection projection) throws MapFileException {
        if (file.length == 0) {
            throw new MapFileException("the file is empty: choose another");
        }
        if (Zip.isZip(file)) {
            return unpacked(Zip.files(file), projection);
        }
        if (GeoTiff.isTiff(file)) {
            return GeoTiff.read(file, projection);
        }
        String text = new String(file, StandardCharsets.UTF_8).replace("\uFEFF", "");
        String start = text.stripLeading();
        String lower = start.substring(0, Math.min(start.length(), 200)).toLowerCase(Locale.ROOT);
        if (start.startsWith("{")) {
            return GeoJsonFile.read(text);
        }
        if (start.startsWith("<")) {
            return XmlDrawing.read(file);
        }
        if (lower.startsWith("ncols") || lower.startsWith("nrows") || lower.startsWith("xll")) {
            return cells(text, projection);
        }
        if (NmeaLog.looksLikeOne(text)) {
            return NmeaLog.read(text);
        }
        if (name.toLowerCase(Locale.ROOT).endsWith(".shp")) {
            throw new MapFileException(
                    "a .shp alone does not tell where it lies: put .shp, .dbf, .shx and .prj into one zip");
        }
        if (lower.matches("(?s).*[,;\\t].*")) {
            return SoundingsCsv.read(text);
        }
        throw new MapFileException(
                "it is none of the files read here: Esri ASCII grid, GeoTIFF, shapefile in a zip, GeoJSON, KML, GPX, a table with lat, lon, depth, or an NMEA 0183 log");
    }

    private static MapFile unpacked(Map<String, byte[]> files, @Nullable Projection projection)
            throws MapFileException {
        for (String name : files.keySet()) {
            if (name.endsWith(".shp")) {
                return Shapefile.read(files, name, projection);
            }
        }
        for (Map.Entry<String, byte[]> f : files.entrySet()) {
            if (f.getKey().matches(".*\\.(asc|txt|tif|tiff|geojson|json|kml|gpx|csv|nmea|log)")) {
                byte[] prj = files.get(f.getKey().replaceFirst("\\.[^.]*$", ".prj"));
                Projection told = projection == null && prj != null
                        ? Projection.ofText(new String(prj, StandardCharsets.UTF_8))
                        : projection;
                return read(f.getKey(), f.getValue(), told);
            }
        }
        throw new MapFileException(
                "the zip holds no map: expected a .shp with its .dbf and .prj, or one file of another kind");
    }

    private static MapFile cells(String text, @Nullable Projection projection) throws MapFileException {
        try {
            DepthGrid grid = EsriGrid.read(
                    new BoundedLines(new BufferedReader(new StringReader(text))),
                    projection == null ? null : (Boolean) projection.isDegrees(),
                    new EsriGrid.Values.AsTheyStand());
            Projection told = projection;
            if (told == null && grid.degrees()) {
                told = Projection.DEGREES;
            }
            return new MapFile.Cells(
                    "Esri ASCII grid",
                    told,
                    grid.columns(),
                    grid.rows(),
                    new MapFile.Cells.Frame(grid.xAt(0), grid.yAt(0), grid.cellSize(), grid.cellSize()),
                    grid.depths());
        } catch (BadGridException | UncheckedIOException e) {
            throw new MapFileException(String.valueOf(e.getMessage()));
        }
    }
}
