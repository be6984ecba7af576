package lochan.web.map;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.GZIPInputStream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(TestServers.class)
class MapPagesTest {

    /** A square of water around the launch and Reed Corner, with a slow zone. */
    private static final String LAKE = """
            {"type": "FeatureCollection", "features": [
             {"type": "Feature", "properties": {"name": "Lake"}, "geometry": {"type": "Polygon", "coordinates":
               [[[-116.93, 42.60], [-116.89, 42.60], [-116.89, 42.65], [-116.93, 42.65], [-116.93, 42.60]]]}},
             {"type": "Feature", "properties": {"name": "Harbour", "mps": 2}, "geometry": {"type": "Polygon", "coordinates":
               [[[-116.905, 42.61], [-116.90, 42.61], [-116.90, 42.615], [-116.905, 42.61]]]}}]}
            """;

    /** Sends a file to be looked at; the answer is what the page makes of it. */
    private static Visitor.Answer look(Visitor angler, String event, String name, String content) {
        angler.get("/settings");
        return angler.upload(event + "/map/import", "file", name, content.getBytes(StandardCharsets.UTF_8));
    }

    /** Sends a file and keeps what comes of it as the page first understands it. */
    private static Visitor.Answer keep(Visitor angler, String event, String name, String content) {
        Visitor.Answer looked = look(angler, event, name, content);
        assertThat(looked.texts(".note.trouble")).isEmpty();
        return angler.post(event + "/map/import/take", looked.form("form[action$=/map/import/take]"));
    }

    /** Keeps the cells of the file that was sent, their values in metres, with one choice more. */
    private static Visitor.Answer take(Visitor angler, String event, String values, String choice, String chosen) {
        return angler.post(
                event + "/map/import/take", "use", "cells", "unit", "metres", "values", values, choice, chosen);
    }

    /** Returns the map of the page, as the browser takes it. */
    private static String marks(Visitor.Answer page) {
        return page.page().selectFirst("[data-marks]").attr("data-marks");
    }

    private static String sheet(Visitor angler, String event) throws IOException {
        try (InputStream in = new GZIPInputStream(new ByteArrayInputStream(angler.bytes(event + "/map/sheet")))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** Depths over the lake, 60 × 60 cells, with one hump of 5 m in 12 m of water. */
    private static String depths() {
        StringBuilder text = new StringBuilder(
                "ncols 60\nnrows 60\nxllcorner -116.935\nyllcorner 42.595\ncellsize 0.001\nNODATA_value -1\n");
        for (int r = 0; r < 60; r++) {
            for (int c = 0; c < 60; c++) {
                boolean land = Math.min(Math.min(r, c), Math.min(59 - r, 59 - c)) < 5;
                text.append(
                                land
                                        ? "-1"
                                        : ""
                                                + (float) (12
                                                        - 7
                                                                * Math.exp(-((c - 30) * (c - 30) + (r - 25) * (r - 25))
                                                                        / 8.0)))
                        .append(' ');
            }
            text.append('\n');
        }
        return text.toString();
    }

    @Test
    void aLakeIsDrawnAndPlansRunOnIt(RunningApp app) throws IOException {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Drawn");
        assertThat(angler.get(event + "/map").text()).contains("No lake yet");

        Visitor.Answer looked = look(angler, event, "lake.geojson", LAKE);
        assertThat(looked.text()).contains("1 piece of water, 0 islands, 1 slow zone");
        assertThat(angler.get(event + "/map").text()).as("not kept yet").contains("No lake yet");

        Visitor.Answer drawn = angler.post(event + "/map/import/take", looked.form("form[action$=/map/import/take]"));

        assertThat(drawn.text()).contains("Lake imported");
        assertThat(sheet(angler, event)).contains("\"water\":[{\"rings\"").contains("\"name\":\"Harbour\"");
        assertThat(marks(drawn)).contains("\"id\":\"reed-corner\"");
        Visitor.Answer run = angler.get(event + "/map/run?from=launch&to=reed-corner");
        assertThat(run.body()).contains("mi on the water").contains("\"way\":[42.");
        assertThat(angler.post(event + "/plan/new", "day", "1").text()).contains("Quickest routes on the water");
        assertThat(angler.get(event + "/export").body())
                .contains("\"slowZones\"")
                .contains("Harbour");
    }

    @Test
    void depthsShowBandsAndWhatNobodyHasMarked(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Deep");
        keep(angler, event, "lake.geojson", LAKE);

        Visitor.Answer taken = keep(angler, event, "depths.asc", depths());

        assertThat(taken.text()).contains("60 × 60 depths imported.");
        assertThat(marks(taken)).contains("\"kind\":\"hump\"");
        assertThat(angler.get(event + "/map/band?from=0&to=30").body()).contains("acres");
        Visitor.Answer humps = angler.get(event + "/map?kind=hump");
        assertThat(humps.texts("tbody tr"))
                .singleElement()
                .asString()
                .contains("hump")
                .contains("16 ft")
                .contains("rises 23 ft");

        assertThat(angler.get(event + "/map?kind=hump&prominence=20+ft")
                        .page()
                        .select("tbody form input")
                        .eachAttr("value"))
                .as("marking asks for what the page showed")
                .contains("20 ft");

        Visitor.Answer marked = angler.post(
                event + "/map/spot",
                "candidate",
                humps.page().selectFirst("tbody input[name=candidate]").val());
        assertThat(marked.text()).contains("“Hump, 16 ft” added as a spot");
        assertThat(angler.get(event + "/map?kind=hump").text())
                .as("not suggested again")
                .contains("No structure of that kind");
        assertThat(angler.get(event + "/spots").text())
                .contains("Hump, 16 ft")
                .contains("mid")
                .contains("13 ft to 20 ft");
        angler.post(marked.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/map?kind=hump").texts("tbody tr")).hasSize(1);

        Visitor.Answer hidden = angler.post(
                event + "/map/hide",
                "candidate",
                humps.page().selectFirst("tbody input[name=candidate]").val());
        assertThat(angler.get(event + "/map?kind=hump").text()).contains("No structure of that kind");
        angler.post(hidden.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/map?kind=hump").texts("tbody tr")).hasSize(1);
    }

    /** Two feet under the reference: shown depths are today's, stored ones are unchanged. */
    @Test
    void theLakesLevelShiftsEveryDepth(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Low water");
        keep(angler, event, "lake.geojson", LAKE);
        Visitor.Answer humps = keep(angler, event, "depths.asc", depths());
        angler.post(
                event + "/map/spot",
                "candidate",
                humps.page().selectFirst("tbody input[name=candidate]").val());
        String today = humps.page().selectFirst("#levelDate").val();

        Visitor.Answer low =
                angler.post(event + "/map/level", "levelDate", today, "level", "610 ft", "reference", "612 ft");

        assertThat(low.text()).contains("2 ft below the reference level");
        assertThat(angler.get(event + "/map/band?from=0&to=30").body()).contains("0 ft to 98 ft");
        assertThat(angler.get(event + "/spots").text()).contains("11 ft to 18 ft");
        assertThat(angler.get(event + "/export").body())
                .contains("\"referenceLevelM\"")
                .contains("\"levels\"");
        angler.post(event + "/map/level/delete", "date", today);
        assertThat(angler.get(event + "/spots").text()).contains("13 ft to 20 ft");
        assertThat(angler.post(event + "/map/level", "levelDate", today, "level", "high")
                        .texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("Enter a level with its date");
    }

    @Test
    void soundingsAreCleanedGriddedAndCanBeTakenBack(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Sounded");
        StringBuilder log = new StringBuilder("lat,lon,depth_ft\n");
        for (int i = 0; i < 900; i++) {
            double depth = i % 100 == 50 ? 90 : 20 + 0.01 * i;
            log.append(42.61 + 0.0002 * (i / 30)).append(',').append(-116.92 + 0.0002 * (i % 30));
            log.append(',').append(depth).append('\n');
        }
        assertThat(look(angler, event, "log.csv", log.toString()).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("need the lake's outline");
        keep(angler, event, "lake.geojson", LAKE);

        Visitor.Answer looked = look(angler, event, "log.csv", log.toString());
        assertThat(looked.text())
                .contains("891 soundings are good. Left out: 9 spikes")
                .contains("is then guessed");
        Visitor.Answer kept = angler.post(event + "/map/import/take", looked.form("form[action$=/map/import/take]"));

        assertThat(kept.text()).contains("891 soundings taken.").contains("log.csv: 891 soundings, 9 left out");
        assertThat(angler.get(event + "/map/band?from=6&to=9").body()).contains("acres");
        angler.post(kept.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/map/band?from=6&to=9").status()).isEqualTo(404);
    }

    /** Out as one zip and into another event; its event file names the depths, and an import in the same account finds them. */
    @Test
    void aLakeGoesOutWithItsDepthsAndComesInAgain(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Out");
        String cover = LAKE.replace("\"mps\": 2", "\"cover\": \"timber\"");
        keep(angler, event, "lake.geojson", cover);
        keep(angler, event, "depths.asc", depths());
        byte[] zip = angler.bytes(event + "/map/lake.zip");

        String other = SampleEvents.event(angler, "In");
        Visitor.Answer looked = angler.upload(other + "/map/import", "file", "lake.zip", zip);
        assertThat(looked.text()).contains("a lake with its depths").contains("60 × 60 cells");
        assertThat(angler.post(other + "/map/import/lake").text()).contains("Lake imported with its depths.");

        assertThat(angler.bytes(other + "/map/lake.zip")).isEqualTo(zip);
        assertThat(angler.get(other + "/map?kind=hump").texts("tbody tr")).hasSize(1);
        String file = angler.get(event + "/export").body();
        assertThat(file).contains("\"depths\"").contains("\"sha256\"").contains("\"timber\"");
        Visitor.Answer again =
                angler.upload("/events/import", "file", "out.event.json", file.getBytes(StandardCharsets.UTF_8));
        String copy = again.path().replaceAll("/rules.*$", "");
        assertThat(angler.get(copy + "/map?kind=hump").texts("tbody tr")).hasSize(1);
    }

    @Test
    void waterLikeASpotIsToldTheLikestFirst(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Alike");
        keep(angler, event, "lake.geojson", LAKE);
        Visitor.Answer humps = keep(angler, event, "depths.asc", depths());
        angler.post(
                event + "/map/spot",
                "candidate",
                humps.page().selectFirst("tbody input[name=candidate]").val());

        assertThat(angler.get(event + "/map/alike?spot=hump-16-ft").body())
                .startsWith("[")
                .doesNotContain("Hump, 16 ft");
        assertThat(angler.get(event + "/map/alike?spot=nowhere").status()).isEqualTo(404);
    }

    /** A square ring of one depth inside the lake, in hundredths of a degree from its middle. */
    private static String ring(double half, String property) {
        double west = -116.91 - half;
        double east = -116.91 + half;
        double south = 42.625 - half;
        double north = 42.625 + half;
        return "{\"type\": \"Feature\", \"properties\": {" + property
                + "}, \"geometry\": {\"type\": \"LineString\", \"coordinates\": [[" + west + "," + south + "],[" + east
                + "," + south + "],[" + east + "," + north + "],[" + west + "," + north + "],[" + west + "," + south
                + "]]}}";
    }

    @Tag("slow")
    @Test
    void linesOfDepthGiveDepthsAndStructure(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Contours");
        String lines = "{\"type\": \"FeatureCollection\", \"features\": [" + ring(0.015, "\"depth\": 40") + ","
                + ring(0.003, "\"depth\": \"15\"") + "]}";
        assertThat(look(angler, event, "lines.geojson", lines).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("need the lake's outline")
                .contains("Import that first");
        keep(angler, event, "lake.geojson", LAKE);
        Visitor.Answer looked = look(angler, event, "lines.geojson", lines);
        assertThat(looked.page().select("#use option").eachText()).first().isEqualTo("lines of one depth");

        Visitor.Answer taken = angler.post(event + "/map/import/take", looked.form("form[action$=/map/import/take]"));

        assertThat(taken.text()).contains("depths imported");
        assertThat(angler.get(event + "/map?kind=hump").texts("tbody tr"))
                .singleElement()
                .asString()
                .contains("15 ft")
                .contains("rises 25 ft");
        for (String wrong :
                new String[] {"[", "{\"type\": \"Line\"}", "{\"type\": \"Point\", \"coordinates\": [500, 3]}"}) {
            assertThat(look(angler, event, "wrong.geojson", wrong).texts(".note.trouble"))
                    .singleElement()
                    .asString()
                    .contains("wrong.geojson")
                    .contains("nothing was changed");
        }
        assertThat(angler.get(event + "/map?kind=hump").texts("tbody tr")).hasSize(1);
    }

    @Test
    @Tag("slow")
    void waterOffLimitsIsSaidToBeSoWhereItMatters(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Closed bay");
        String closed = LAKE.replace("\"mps\": 2", "\"offLimits\": true")
                .replace(
                        "[[[-116.905, 42.61], [-116.90, 42.61], [-116.90, 42.615], [-116.905, 42.61]]]",
                        "[[[-116.92, 42.62], [-116.90, 42.62], [-116.90, 42.64], [-116.92, 42.64], [-116.92, 42.62]]]");

        keep(angler, event, "lake.geojson", closed);
        assertThat(angler.get(event + "/spots").texts(".flag")).containsExactly("off limits by your rules");
        assertThat(angler.get(event + "/export").body()).contains("\"offLimits\"");
        Visitor.Answer plan = angler.post(event + "/plan/new", "day", "1");
        String id = plan.page().selectFirst("input[name=plan]").attr("value");
        assertThat(angler.post(
                                event + "/plan/edit",
                                "plan",
                                id,
                                "op",
                                "add",
                                "add/spot",
                                "reed-corner",
                                "add/presentation",
                                "swim-jig")
                        .text())
                .contains("Off limits by your rules: Reed Corner");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{} | expected points, lines, polygons",
                "[1, 2 | have no latitude, longitude and depth",
                "{\"type\": \"FeatureCollection\", \"features\": [}] | GeoJSON",
                "ncols 20001 | ncols must be a whole number",
                "hello | none of the files read here"
            })
    void whatIsNoLakeIsRefusedAndChangesNothing(String content, String message, RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Refused water");

        Visitor.Answer refused = look(angler, event, "wrong.file", content);

        assertThat(refused.texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("wrong.file")
                .contains(message);
        assertThat(angler.get(event + "/map").text()).contains("No lake yet");
    }

    @Tag("slow")
    @Test
    void filtersThatContradictThemselvesAreSaidToDoSo(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");

        assertThat(angler.get(event + "/map?shallowest=20&deepest=10").text()).contains("exchange them");
        assertThat(angler.get(event + "/map?prominence=much").text()).contains("isn't a depth");
        assertThat(angler.get(event + "/map/run?from=launch&to=nowhere").status())
                .isEqualTo(404);
    }

    /** A grid over the demo-like lake of these tests. */
    private static String grid(String header, String value) {
        return "ncols 3\nnrows 3\nxllcorner -116.915\nyllcorner 42.615\ncellsize 0.005\n" + header + "\n"
                + (value + " ").repeat(9);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "xllcorner -116.915 | xllcorner -200 | outside the longitudes",
                "yllcorner 42.615 | yllcorner 89.99 | outside the longitudes",
                "5 5 5 5 5 5 5 5 5 | -9999 -9999 -9999 -9999 -9999 -9999 -9999 -9999 -9999 | no cell is below the surface",
                "xllcorner -116.915 | xllcorner 10 | none of its depths is inside the lake's outline",
                "cellsize 0.005 | cellsize 1e400 | Found Infinity"
            })
    void plausibleWrongGridsAreRefusedInOneLineAndThePageGoesOn(
            String right, String wrong, String message, RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Wrong grids");
        keep(angler, event, "lake.geojson", LAKE);

        String file = grid("", "5").replaceAll(" +", " ").replace(right, wrong);
        assertThat(file).isNotEqualTo(grid("", "5"));
        assertThat(look(angler, event, "wrong.asc", file).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains(message);
        assertThat(angler.get(event + "/map").page().select("#mapFile")).hasSize(1);
    }

    @Test
    void heightsAreTakenWithTheHeightOfTheSurface(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Heights");
        keep(angler, event, "lake.geojson", LAKE);
        Visitor.Answer looked = look(angler, event, "heights.asc", grid("", "1200"));
        String choices = "use=cells&unit=metres&values=heights";

        assertThat(angler.get(event + "/map/import?" + choices).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("the height of the surface");
        assertThat(angler.get(event + "/map/import?" + choices + "&surface=1212")
                        .text())
                .contains("39 ft at the deepest");
        assertThat(looked.text()).contains("1200.0 to 1200.0");
        assertThat(take(angler, event, "heights", "surface", "1212").text()).contains("3 × 3 depths imported.");
    }

    /** Stored by an older version, or damaged. */
    @Tag("slow")
    @Test
    void aPageDoesNotFailBecauseOfWhatIsStored(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Stored");
        keep(angler, event, "lake.geojson", LAKE);
        keep(angler, event, "depths.asc", grid("", "5"));
        org.jooq.DSLContext db = app.bean(org.jooq.DSLContext.class);
        long id = Long.parseLong(event.replaceAll("\\D", ""));
        db.execute("UPDATE depth_grid SET west = 500, checksum = 'other' WHERE event_id = ?", id);
        Visitor.Answer page = angler.get(event + "/map");
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.texts(".note.trouble")).anyMatch(t -> t.contains("cannot be shown: import the depths again."));
        assertThat(page.page().select("[data-lake-map], #mapFile")).hasSize(2);

        db.execute("UPDATE lake SET geo_json = '{\"lake\": {\"outline\": 7}}' WHERE event_id = ?", id);
        db.execute("UPDATE event SET writes = writes + 1 WHERE id = ?", id);
        for (String path : List.of("/map", "/plan", "/spots", "/practice", "/competition")) {
            assertThat(angler.get(event + path).status()).as(path).isEqualTo(200);
        }
        assertThat(angler.get(event + "/map").texts(".note.trouble"))
                .containsExactly("The lake that is stored cannot be read: import its outline again.");
    }

    /** What no lake is like, or cannot be read back, replaces nothing; what replaces something can be taken back. */
    @Test
    void anImportIsTriedOutBeforeItReplacesALakeAndCanBeUndone(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Kept water");
        keep(angler, event, "lake.geojson", LAKE);
        String before = angler.get(event + "/export").body().replaceAll("(?s).*\"lake\"", "");
        String tiny = "ncols 2\nnrows 2\nxllcorner -116.9\nyllcorner 42.6\ncellsize 1e-12\n3 4\n5 6\n";
        look(angler, event, "tiny.asc", tiny);
        String world =
                "{\"type\": \"Polygon\", \"coordinates\": [[[-180, -90], [180, -90], [180, 90], [-180, 90], [-180, -90]]]}";

        assertThat(take(angler, event, "depths", "shore", "on").text()).contains("imported, and nothing was changed");
        assertThat(keep(angler, event, "world.geojson", world).text()).contains("imported, and nothing was changed");
        assertThat(angler.get(event + "/export").body().replaceAll("(?s).*\"lake\"", ""))
                .isEqualTo(before);

        assertThat(keep(angler, event, "other.geojson", LAKE.replace("42.6", "42.7"))
                        .text())
                .contains("Lake imported");
        assertThat(angler.post(event + "/map/import/undo").text()).contains("Lake restored.");
        assertThat(angler.get(event + "/export").body().replaceAll("(?s).*\"lake\"", ""))
                .isEqualTo(before);
    }
}
