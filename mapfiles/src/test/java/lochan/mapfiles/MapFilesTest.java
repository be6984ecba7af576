package lochan.mapfiles;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lochan.core.event.Position;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each kind of file: what it holds, and what is said where it is broken. */
class MapFilesTest {

    private static MapFile read(String name, String text) throws MapFileException {
        return MapFiles.read(Source.of(name, text.getBytes(UTF_8)), null);
    }

    static byte[] zip(Map<String, byte[]> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> f : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(f.getKey()));
                zip.write(f.getValue());
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    /** A grid of 3 × 2 cells of 10 m in UTM 15N, its values feet above the sea, 500 the surface. */
    @Test
    void aGridInMetresIsTakenToLongitudeAndLatitude() throws MapFileException, BadGridException {
        String grid = "ncols 3\nnrows 2\nxllcorner 500000\nyllcorner 4400000\ncellsize 10\nNODATA_value -9999\n"
                + "490 480 -9999\n470 460 505\n";
        MapFile.Cells cells = (MapFile.Cells) MapFiles.read(
                Source.of(
                        "lake.asc", zip(Map.of("lake.asc", grid.getBytes(UTF_8), "lake.prj", utm15().getBytes(UTF_8)))),
                null);

        DepthGrid depths = GridToDegrees.of(cells, v -> (500 - v) * MapFile.Unit.FEET.metres());

        Position corner = Projection.typed("UTM 15N").position(500_005, 4_400_015);
        assertThat(depths.depth(depths.cellAt(corner.lon(), corner.lat()))).isCloseTo(3.05f, within(0.8f));
        assertThat(depths.widthM()).isCloseTo(7.7, within(0.3));
        assertThat(depths.deepest()).isCloseTo(12.19f, within(0.3f));
        Position land = Projection.typed("UTM 15N").position(500_025, 4_400_005);
        assertThat(depths.isLand(depths.cellAt(land.lon(), land.lat())))
                .as("505 ft is above the surface")
                .isTrue();
    }

    @Test
    void aGridInMetresWithoutCoordinatesIsAskedAbout() throws MapFileException {
        MapFile.Cells cells = (MapFile.Cells)
                read("lake.asc", "ncols 1\nnrows 1\nxllcorner 500000\nyllcorner 4400000\ncellsize 10\n3\n");

        assertThat(cells.coordinates()).isNull();
        assertThatThrownBy(() -> GridToDegrees.of(cells, v -> v)).hasMessageContaining("choose it");
    }

    static String utm15() {
        return "PROJCS[\"WGS_1984_UTM_Zone_15N\",GEOGCS[\"GCS_WGS_1984\",DATUM[\"D_WGS_1984\",SPHEROID[\"WGS_1984\",6378137,298.257223563]],"
                + "PRIMEM[\"Greenwich\",0],UNIT[\"Degree\",0.0174532925199433]],PROJECTION[\"Transverse_Mercator\"],"
                + "PARAMETER[\"False_Easting\",500000],PARAMETER[\"False_Northing\",0],PARAMETER[\"Central_Meridian\",-93],"
                + "PARAMETER[\"Scale_Factor\",0.9996],PARAMETER[\"Latitude_Of_Origin\",0],UNIT[\"Meter\",1]]";
    }

    @Test
    void aGeoTiffHasItsValuesAndItsPlace() throws MapFileException, BadGridException {
        MapFile.Cells cells = (MapFile.Cells) MapFiles.read(
                Source.of("lake.tif", Tiff.of(2, 2, new float[] {1, 2, 3, -9999}, 500_000, 4_400_000, 30, 32615)),
                null);

        assertThat(cells.format()).isEqualTo("GeoTIFF");
        assertThat(cells.values()).containsExactly(1, 2, 3, Float.NaN);
        assertThat(cells.frame().west()).isEqualTo(500_015);
        assertThat(cells.frame().north()).isEqualTo(4_399_985);
        DepthGrid depths = GridToDegrees.of(cells, v -> v);
        Position southWest = Projection.typed("UTM 15N").position(500_015, 4_399_955);
        assertThat(depths.depth(depths.cellAt(southWest.lon(), southWest.lat())))
                .isCloseTo(3, within(0.3f));
    }

    @Test
    void aShapefileInFeetComesWithItsTable() throws MapFileException {
        MapFile.Drawing drawing = (MapFile.Drawing) MapFiles.read(Source.of("lines.zip", zip(shapefile())), null);

        assertThat(drawing.shapes()).hasSize(1);
        MapFile.Shape line = drawing.shapes().getFirst();
        assertThat(line.kind()).isEqualTo(MapFile.Shape.Kind.LINE);
        assertThat(line.properties()).containsEntry("DEPTH", "12.5");
        Position first = Projection.typed("UTM 15N").position(500_000, 4_400_000);
        assertThat(line.parts().getFirst().getFirst().metresTo(first)).isLessThan(0.01);
        assertThat(line.parts().getFirst()).hasSize(2);
    }

    @Test
    void aShapefileThatDoesNotTellItsCoordinatesIsAskedAbout() throws MapFileException {
        Map<String, byte[]> files = shapefile();
        files.remove("lines.prj");

        MapFile untold = MapFiles.read(Source.of("lines.zip", zip(files)), null);
        MapFile told = MapFiles.read(Source.of("lines.zip", zip(files)), Projection.typed("UTM 15N"));

        assertThat(untold.coordinates()).isNull();
        assertThat(((MapFile.Drawing) told).shapes()).hasSize(1);
    }

    static Map<String, byte[]> shapefile() {
        ByteBuffer shp = ByteBuffer.allocate(100 + 8 + 44 + 4 + 32);
        shp.putInt(0, 9994).putInt(24, shp.capacity() / 2);
        shp.order(ByteOrder.LITTLE_ENDIAN).putInt(28, 1000).putInt(32, 3);
        shp.putDouble(36, 500_000)
                .putDouble(44, 4_400_000)
                .putDouble(52, 500_100)
                .putDouble(60, 4_400_000);
        shp.order(ByteOrder.BIG_ENDIAN).putInt(100, 1).putInt(104, (44 + 4 + 32) / 2);
        shp.order(ByteOrder.LITTLE_ENDIAN)
                .putInt(108, 3)
                .putInt(144, 1)
                .putInt(148, 2)
                .putInt(152, 0);
        shp.putDouble(156, 500_000)
                .putDouble(164, 4_400_000)
                .putDouble(172, 500_100)
                .putDouble(180, 4_400_000);
        ByteBuffer dbf = ByteBuffer.allocate(32 + 32 + 1 + 9).order(ByteOrder.LITTLE_ENDIAN);
        dbf.put(0, (byte) 3).putInt(4, 1).putShort(8, (short) 65).putShort(10, (short) 9);
        dbf.position(32).put("DEPTH".getBytes(UTF_8));
        dbf.put(43, (byte) 'N').put(48, (byte) 8).put(64, (byte) 0x0D);
        dbf.position(65).put("     12.5".getBytes(UTF_8));
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("lines.shp", shp.array());
        files.put("lines.dbf", dbf.array());
        files.put("lines.prj", utm15().getBytes(UTF_8));
        return files;
    }

    @Test
    void kmlGivesItsAreasWithIslandsAndTheirData() throws MapFileException {
        MapFile.Drawing drawing = (MapFile.Drawing) read("lake.kml", """
                <kml xmlns="http://www.opengis.net/kml/2.2"><Document><Placemark><name>Lake</name>
                <ExtendedData><SchemaData><SimpleData name="depth">7</SimpleData></SchemaData></ExtendedData>
                <Polygon><outerBoundaryIs><LinearRing><coordinates>-99,40,0 -98.9,40,0 -98.9,40.1,0 -99,40,0</coordinates></LinearRing></outerBoundaryIs>
                <innerBoundaryIs><LinearRing><coordinates>-98.95,40.01 -98.94,40.01 -98.94,40.02 -98.95,40.01</coordinates></LinearRing></innerBoundaryIs>
                </Polygon></Placemark></Document></kml>
                """);

        assertThat(drawing.shapes()).hasSize(1);
        assertThat(drawing.shapes().getFirst().parts()).hasSize(2);
        assertThat(drawing.shapes().getFirst().properties())
                .containsEntry("name", "Lake")
                .containsEntry("depth", "7");
    }

    @Test
    void aGpxTrackWithDepthsIsSoundings() throws MapFileException {
        MapFile.Readings readings = (MapFile.Readings) read("track.gpx", """
                <gpx version="1.1"><trk><trkseg>
                <trkpt lat="40" lon="-99"><time>2026-05-01T12:00:00Z</time><extensions><depth>3.2</depth></extensions></trkpt>
                <trkpt lat="40.0001" lon="-99"><time>2026-05-01T12:00:05Z</time></trkpt>
                </trkseg></trk></gpx>
                """);

        assertThat(readings.readings()).hasSize(1);
        assertThat(readings.readings().getFirst().depth()).isEqualTo(3.2);
        assertThat(readings.readings().getFirst().at()).hasToString("2026-05-01T12:00:00Z");
    }

    @Test
    void aTableTellsItsUnitInItsHeader() throws MapFileException {
        MapFile.Readings readings =
                (MapFile.Readings) read("log.csv", "Longitude;Latitude;Depth (ft)\n-99,5;40,25;12,5\n-99,4;40,26;13\n");

        assertThat(readings.unit()).isEqualTo(MapFile.Unit.FEET);
        assertThat(readings.readings().getFirst())
                .isEqualTo(new MapFile.Reading(new Position(40.25, -99.5), 12.5, null));
    }

    @Test
    void aLogOfSentencesPlacesEachDepthAtItsFix() throws MapFileException {
        MapFile.Readings readings = (MapFile.Readings) read(
                "log.nmea",
                sentence("GPRMC,120000,A,4030.000,N,09930.000,W,4.1,90,010526,,")
                        + sentence("SDDPT,6.4,0.3")
                        + "$SDDPT,99.9,0.3*00\n"
                        + sentence("GPGGA,120001,4030.010,N,09930.000,W,1,8,1,240,M,,,,")
                        + sentence("SDDBT,23.0,f,7.0,M,3.8,F"));

        assertThat(readings.readings()).extracting(MapFile.Reading::depth).containsExactly(6.4, 7.0);
        assertThat(readings.readings().getFirst().position().metresTo(new Position(40.5, -99.5)))
                .isLessThan(0.1);
        assertThat(readings.readings().getFirst().at()).hasToString("2026-05-01T12:00:00Z");
    }

    private static String sentence(String body) {
        int sum = body.chars().reduce(0, (a, b) -> a ^ b);
        return "$" + body + "*" + String.format("%02X", sum) + "\n";
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "hello",
                "ncols 2\nnrows 2\nxllcorner 0\nyllcorner 0\ncellsize 0.001\n1 2 3\n",
                "{\"type\":\"Point\",\"coordinates\":[500000,4400000]}",
                "{\"type\":",
                "<kml><Placemark><Point><coordinates>500000,4400000</coordinates></Point></Placemark></kml>",
                "<!DOCTYPE kml [<!ENTITY a SYSTEM \"file:///etc/passwd\">]><kml>&a;</kml>",
                "<svg/>",
                "lat,lon,depth\n400,5,1\n",
                "name,colour\na,b\n",
                "II*\0not a tiff at all",
                "PK\3\4 not a zip at all"
            })
    void whatCannotBeReadIsSaidInOneLine(String text) {
        assertThatThrownBy(() -> read("file", text))
                .isInstanceOf(MapFileException.class)
                .extracting(Throwable::getMessage)
                .satisfies(m -> assertThat(m.lines().toList()).hasSize(1))
                .satisfies(m -> assertThat(List.of(m.split(" "))).hasSizeGreaterThan(4));
    }
}
