package lochan.mapfiles;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import net.sf.marineapi.nmea.sentence.Checksum;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Small files that unpack to much, and large ones that are genuine, in less memory than the application has. */
class HostileFilesTest {

    private static Source zipped(String name, String head, String repeated, int times) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] block = repeated.repeat(10_000).getBytes(US_ASCII);
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(head.getBytes(US_ASCII));
            for (int i = 0; i < times / 10_000; i++) {
                zip.write(block);
            }
        }
        return Source.of("map.zip", out.toByteArray());
    }

    @Test
    void refusesAZipThatUnpacksToFarMoreThanItIsLong() throws IOException {
        String head = "ncols 2\nnrows 2\nxllcorner 500000\nyllcorner 4400000\ncellsize 10\n";
        Source spaces = zipped("lake.asc", head, " ", 150_000_000);

        assertThatThrownBy(() -> MapFiles.read(spaces, null)).hasMessageContaining("far more than it is long");
    }

    @Test
    void refusesAKmlWithMorePlacesThanFit() throws IOException {
        String head = "<kml><Placemark><LineString><coordinates>";
        Source places = zipped("lake.kml", head, "1,1 ", 11_000_000);

        assertThatThrownBy(() -> MapFiles.read(places, null)).isInstanceOf(MapFileException.class);
        byte[] plain = (head + "1,1 ".repeat(11_000_000)).getBytes(US_ASCII);
        assertThatThrownBy(() -> MapFiles.read(Source.of("lake.kml", plain), null))
                .hasMessageContaining("more than fits into memory");
    }

    @Test
    void refusesATableOfRowsWithoutLength() {
        ByteBuffer dbf = ByteBuffer.allocate(65).order(ByteOrder.LITTLE_ENDIAN);
        dbf.putInt(4, Integer.MAX_VALUE).putShort(8, (short) 65).putShort(10, (short) 0);
        Map<String, byte[]> files = MapFilesTest.shapefile();
        files.put("lines.dbf", dbf.array());

        assertThatThrownBy(() -> MapFiles.read(Source.of("lines.zip", MapFilesTest.zip(files)), null))
                .hasMessageContaining("the table (.dbf) of the shapefile");
    }

    /** Nine million cells, deflated: a genuine survey. */
    @Test
    void averagesTheCellsOfALargeGeoTiff() throws MapFileException {
        MapFile.Cells cells = (MapFile.Cells) MapFiles.read(Source.of("lake.tif", Tiff.deflated(3000, 3000, 5)), null);

        assertThat(cells.format()).isEqualTo("GeoTIFF, 2 × 2 cells averaged to one");
        assertThat(cells.columns()).isEqualTo(1500);
        assertThat(cells.values()).containsOnly(5);
        assertThat(cells.frame().across()).isEqualTo(2);
        assertThat(cells.frame().west()).isEqualTo(500_001);
    }

    @Test
    void refusesAGeoTiffWhosePartsDoNotFit() {
        byte[] strip = Tiff.deflated(9000, 9000, 5);
        byte[] sides = Tiff.deflated(10, 10, 5);
        ByteBuffer.wrap(sides).order(ByteOrder.LITTLE_ENDIAN).putInt(10 + 8, 2_000_000_000);

        assertThatThrownBy(() -> MapFiles.read(Source.of("lake.tif", strip), null))
                .hasMessageContaining("tiles of 256 × 256");
        assertThatThrownBy(() -> MapFiles.read(Source.of("lake.tif", sides), null))
                .hasMessageContaining("cut out this lake");
        assertThatThrownBy(() -> MapFiles.read(Source.of("lake.tif", Arrays.copyOf(sides, 60)), null))
                .hasMessageContaining("GeoTIFF");
    }

    @Test
    void averagesTheCellsOfALargeEsriGrid() throws MapFileException {
        String row = "1 ".repeat(2999) + "-9999\n";
        String grid = "ncols 3000\nnrows 3000\nxllcorner 500000\nyllcorner 4400000\ncellsize 10\n" + row.repeat(3000);

        MapFile.Cells cells = (MapFile.Cells) MapFiles.read(Source.of("lake.asc", grid.getBytes(US_ASCII)), null);

        assertThat(cells.format()).isEqualTo("Esri ASCII grid, 2 × 2 cells averaged to one");
        assertThat(cells.columns()).isEqualTo(1500);
        assertThat(cells.frame().north()).isEqualTo(4_400_000 + 30_000 - 10);
        assertThat(cells.values()[1499]).isEqualTo(1);
    }

    /** 1.9 million soundings: as many as fit, from all over the file. */
    @Test
    void thinsSoundingsToWhatFits() throws MapFileException {
        ByteArrayOutputStream table = new ByteArrayOutputStream();
        table.writeBytes("lat,lon,depth\n".getBytes(US_ASCII));
        for (int i = 0; i < 1_900_000; i++) {
            table.writeBytes(
                    String.format(Locale.ROOT, "4.%06d,1,%d\n", i / 2, i % 7).getBytes(US_ASCII));
        }

        MapFile.Readings readings = (MapFile.Readings) MapFiles.read(Source.of("log.csv", table.toByteArray()), null);

        assertThat(readings.format()).matches("table of soundings, every \\d+th reading");
        assertThat(readings.readings()).hasSizeBetween(50_000, 400_000);
        assertThat(readings.readings().getFirst().position().lat()).isEqualTo(4);
        assertThat(readings.readings().getLast().position().lat()).isGreaterThan(4.9);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "PROJECTION[\"NTv2\"],PARAMETERFILE[\"Latitude and longitude difference file\",\"http://127.0.0.1:9977/x.gsb\"]",
                "PROJECTION[\"NTv2\"],PARAMETER[\"Latitude and longitude difference file\",\"file:///etc/passwd\"]",
                "PROJECTION[\"Transverse_Mercator\"],PARAMETER[\"False_Easting\",\"file:///etc/passwd\"]",
                "PROJECTION[\"Transverse_Mercator\"],EXTENSION[\"PROJ4\",\"+nadgrids=http://127.0.0.1/x\"]",
                "PARAM_MT[\"NTv2\"]",
                "PROJECTION[\"Lies\nforged log line\"]"
            })
    void refusesCoordinatesThatNameAFile(String part) {
        String text = MapFilesTest.utm15().replace("PROJECTION[\"Transverse_Mercator\"]", part);

        assertThatThrownBy(() -> Projection.ofText(text))
                .isInstanceOf(MapFileException.class)
                .hasMessageContaining("can't be read")
                .hasMessageNotContaining("\n");
    }

    /** A sentence whose sum is right and whose fields are too few is passed over. */
    @Test
    void aSentenceCutShortIsPassedOver() throws MapFileException {
        String log = Checksum.add("$GPGGA,070000,4237.2,N,11654.0,W,1,8,1,0,M,0,M,,") + "\n"
                + Checksum.add("$SDDBT,13.7") + "\n" + Checksum.add("$SDDPT,4.2,0.3") + "\n";

        assertThat(MapFiles.read(Source.of("log.nmea", log.getBytes(US_ASCII)), null))
                .isInstanceOfSatisfying(
                        MapFile.Readings.class, r -> assertThat(r.readings()).hasSize(1));
    }

    @Test
    void aProjectionsNameIsOnePlainLine() throws MapFileException {
        String text = MapFilesTest.utm15().replace("WGS_1984_UTM_Zone_15N", "Evil\u202e\n2026 ERROR forged");

        assertThat(Projection.ofText(text).name()).doesNotContain("\n", "\u202e");
    }
}
