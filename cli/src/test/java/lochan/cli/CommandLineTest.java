package lochan.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CommandLineTest {

    private static final String TINY = "../eventformat/src/test/resources/cases/rank-tiny.event.json";
    private static final String PLANNED = "../eventformat/src/test/resources/cases/value-simple.event.json";

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    private int run(String... arguments) {
        out.reset();
        err.reset();
        return Main.run(
                java.io.InputStream.nullInputStream(),
                new PrintStream(out, true),
                new PrintStream(err, true),
                arguments);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "rank | Missing required parameter: 'FILE'",
                "rank nowhere.json | nowhere.json: there is no such file",
                "rank a.json b.json | Unmatched argument at index 2: 'b.json'",
                "rank TINY --day 9 | --day is 9: expected a whole number from 1 to 1",
                "rank TINY --at noon | --at is noon: expected a time as 07:30",
                "rank TINY --at 03:00 | expected a time of the competition day",
                "rank TINY --seed x | Invalid value for option '--seed'",
                "rank TINY --scenarios 0 | --scenarios is 0",
                "rank TINY --scenarios | Missing required parameter for option '--scenarios'",
                "rank TINY --fast | Unknown option: '--fast'",
                "value TINY | has no plan",
                "value PLANNED --plan 7 | --plan is 7",
                "bag pom.xml | pom.xml: the file: is no JSON at line 1, column 1",
                "plan TINY --strategy bold | --strategy is bold: expected one of balanced, safe-limit, big-fish, target",
                "plan TINY --seconds x | Invalid value for option '--seconds'",
                "route pom.xml | pom.xml: line 1 is",
                "route nowhere.txt | nowhere.txt: cannot be read"
            })
    void badFilesAndOptionsEndWithTwoAndOneLine(String line, String message) {
        assertThat(run(line.replace("TINY", TINY).replace("PLANNED", PLANNED).split(" ")))
                .isEqualTo(2);
        assertThat(err.toString()).startsWith("lochan: ").contains(message).hasLineCount(1);
        assertThat(out.toString()).isEmpty();
    }

    @Test
    void aWrongValueIsNamedByItsPointer(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("wrong.json");
        Files.writeString(file, Files.readString(Path.of(TINY)).replace("\"single\"", "\"quadruple\""));

        assertThat(run("rank", file.toString())).isEqualTo(2);
        assertThat(err.toString())
                .contains("/presentations/0/hooks: found \"quadruple\", expected one of single, treble, multi");
    }

    @Test
    void theSameSeedGivesTheSameAnswer() {
        run("value", PLANNED, "--scenarios", "300", "--seed", "4");
        String first = out.toString();
        run("value", PLANNED, "--scenarios", "300", "--seed", "4");
        assertThat(out.toString()).isEqualTo(first);
        run("value", PLANNED, "--scenarios", "300", "--seed", "5");
        assertThat(out.toString()).isNotEqualTo(first);
    }

    @Test
    void theBagSoFarIsPartOfTheValue(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("bag.json");
        Files.writeString(
                file,
                Files.readString(Path.of(PLANNED))
                        .replace(
                                "\"competition\": []",
                                ""
                                        + "\"competition\": [{\"type\": \"catch\", \"id\": \"c1\", \"at\": \"2027-06-05T07:00:00-06:00\", \"species\": \"largemouth\","
                                        + " \"grams\": 3000, \"mm\": null, \"alive\": true}]"));

        run("value", file.toString(), "--scenarios", "300");
        double without = grams();
        run("value", file.toString(), "--scenarios", "300", "--bag");
        assertThat(grams()).isBetween(without + 500, without + 3000);
    }

    @Test
    void runsAreTheQuickestWaysOnTheWater(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("lake.json");
        Files.writeString(file, """
                {"lochan": 2, "event": {"name": "Lake", "timeZone": "America/Boise", "format": "limit-weight", "limit": 5,
                 "species": [{"code": "largemouth"}], "days": [{"date": "2027-05-29", "start": "2027-05-29T06:00:00-06:00", "checkIn": "2027-05-29T15:00:00-06:00"}],
                 "launch": {"lat": 42.61, "lon": -116.95}},
                 "boat": {"runMps": 20, "roughMps": 12, "setUpMinutes": 4},
                 "lake": {"outline": {"type": "MultiPolygon", "coordinates": [[[[-117, 42.6], [-116.9, 42.6], [-116.9, 42.62], [-117, 42.62], [-117, 42.6]]],
                  [[[-116.8, 42.6], [-116.7, 42.6], [-116.7, 42.62], [-116.8, 42.6]]]]}},
                 "spots": [{"id": "a", "name": "A", "lat": 42.61, "lon": -116.96, "type": "hump", "zone": "deep", "stock": "general"},
                           {"id": "b", "name": "B", "lat": 42.601, "lon": -116.75, "type": "hump", "zone": "deep", "stock": "general"}]}
                """);

        assertThat(run("runs", file.toString())).as(err.toString()).isZero();
        var answer = tools.jackson.databind.json.JsonMapper.builder().build().readTree(out.toByteArray());
        assertThat(answer.get("places").toString()).isEqualTo("[\"launch\",\"checkIn\",\"a\",\"b\"]");
        assertThat(answer.get("metres").get(0).get(2).asDouble())
                .isCloseTo(820.6, org.assertj.core.api.Assertions.within(2.0));
        assertThat(answer.get("minutes").get(0).get(2).asDouble())
                .isCloseTo(820.6 / 20 / 60, org.assertj.core.api.Assertions.within(0.01));
        assertThat(answer.get("metres").get(0).get(3).isNull())
                .as("another water")
                .isTrue();
        assertThat(answer.get("metres").get(1).get(1).asDouble()).isZero();
    }

    @Test
    void structureIsGeoJsonInTheGridsOwnCoordinates(@TempDir Path folder) throws Exception {
        StringBuilder rows =
                new StringBuilder("ncols 40\nnrows 40\nxllcorner 1000\nyllcorner 2000\ncellsize 10\nNODATA_value -9\n");
        for (int r = 0; r < 40; r++) {
            for (int c = 0; c < 40; c++) {
                boolean land = Math.min(Math.min(r, c), Math.min(39 - r, 39 - c)) < 2;
                rows.append(land ? -9 : 10 - 5 * Math.exp(-((c - 20) * (c - 20) + (r - 15) * (r - 15)) / 20.0))
                        .append(' ');
            }
            rows.append('\n');
        }
        Path file = Files.writeString(folder.resolve("grid.asc"), rows);

        assertThat(run("structure", file.toString())).as(err.toString()).isZero();
        assertThat(out.toString()).contains("\"hump\"").containsPattern("\\[ 1205\\.0, 2245\\.0 \\]");
        assertThat(run("structure", file.toString(), "--band", "8", "4")).isEqualTo(2);
        assertThat(err.toString()).contains("give the shallower end first");
        assertThat(run("structure", file.toString(), "--crs", "moon")).isEqualTo(2);
        assertThat(run("structure", TINY)).isEqualTo(2);
        assertThat(err.toString()).contains("the header has no ncols").hasLineCount(1);
    }

    @Test
    void aTrackIsTakenApart(@TempDir Path folder) throws Exception {
        StringBuilder gpx = new StringBuilder("<gpx version=\"1.1\"><trk><trkseg>\n");
        for (int s = 0; s < 1200; s += 5) {
            double lat = 42.6 + (s < 600 ? 0 : (s - 600) * 1e-4);
            gpx.append("<trkpt lat=\"")
                    .append(lat)
                    .append("\" lon=\"-116.9\"><time>")
                    .append(java.time.Instant.parse("2027-06-03T12:00:00Z").plusSeconds(s))
                    .append("</time></trkpt>\n");
        }
        Path file = Files.writeString(folder.resolve("day.gpx"), gpx + "</trkseg></trk></gpx>");

        assertThat(run("track", file.toString(), "--event", TINY))
                .as(err.toString())
                .isZero();
        assertThat(out.toString())
                .contains("\"stops\"")
                .contains("2027-06-03T0")
                .contains("\"spot\" : null")
                .contains("\"mps\" : 11.");
        Path hostile = Files.writeString(
                folder.resolve("hostile.gpx"),
                "<!DOCTYPE gpx [<!ENTITY e SYSTEM \"file:///etc/passwd\">]>" + gpx + "</trkseg></trk></gpx>");
        assertThat(run("track", hostile.toString())).isEqualTo(2);
        assertThat(out.toString()).isEmpty();
        assertThat(err.toString()).contains("DOCTYPE").hasLineCount(1);
    }

    private double grams() {
        return Double.parseDouble(out.toString().replaceAll("(?s).*\"formulaGrams\" : ([0-9.]+).*", "$1"));
    }

    /** Every command that reads a file refuses what no file is like, in one line. */
    @ParameterizedTest
    @ValueSource(strings = {"rank", "value", "plan", "bag", "advise", "route", "runs", "track", "lures", "structure"})
    void everyReaderHasItsBounds(String command, @TempDir Path folder) throws Exception {
        Map<String, byte[]> hostile = Map.of(
                "nested", "[".repeat(100_000).getBytes(StandardCharsets.US_ASCII),
                "long", " ".repeat(25_000_000).getBytes(StandardCharsets.US_ASCII),
                "number", ("{\"lochan\": " + "9".repeat(100_000) + "}").getBytes(StandardCharsets.US_ASCII),
                "binary", new byte[1_000_000],
                "grid",
                        "ncols 1999999999\nnrows 1999999999\nxllcorner 0\nyllcorner 0\ncellsize 1\n1"
                                .getBytes(StandardCharsets.US_ASCII));
        for (Map.Entry<String, byte[]> h : hostile.entrySet()) {
            Path file = Files.write(folder.resolve(h.getKey()), h.getValue());

            assertThat(run(command, file.toString())).as(h.getKey()).isEqualTo(2);
            assertThat(err.toString()).as(h.getKey()).startsWith("lochan: ").hasLineCount(1);
            assertThat(err.size()).as(h.getKey()).isLessThan(2000);
        }
    }
}
