package lochan.web.map;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
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

    private static Visitor.Answer send(Visitor angler, String path, String name, String content) {
        angler.get("/settings");
        return angler.upload(path, "file", name, content.getBytes(StandardCharsets.UTF_8));
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
    void aLakeIsDrawnAndPlansRunOnIt(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Drawn");
        assertThat(angler.get(event + "/map").text()).contains("No lake yet");

        Visitor.Answer drawn = send(angler, event + "/map/lake", "lake.geojson", LAKE);

        assertThat(drawn.text()).contains("Lake imported");
        assertThat(drawn.page().select("svg .water")).hasSize(1);
        assertThat(drawn.texts("svg .slow title")).containsExactly("Harbour, 4 mph at most");
        assertThat(drawn.page().select("svg [data-spot=reed-corner]")).hasSize(1);
        Visitor.Answer run = angler.get(event + "/map/run?from=launch&to=reed-corner");
        assertThat(run.body()).contains("mi on the water").contains("\"path\":\"M");
        assertThat(angler.post(event + "/plan/new", "day", "1").text()).contains("Quickest routes on the water");
        assertThat(angler.get(event + "/export").body())
                .contains("\"slowZones\"")
                .contains("Harbour");
    }

    @Test
    void depthsShowBandsAndWhatNobodyHasMarked(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Deep");
        send(angler, event + "/map/lake", "lake.geojson", LAKE);

        Visitor.Answer taken = send(angler, event + "/map/depths", "depths.asc", depths());

        assertThat(taken.text()).contains("60 × 60 depths taken.");
        assertThat(taken.page().select("svg .depth-line")).isNotEmpty();
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
                .contains("hump", "20 ft");

        Visitor.Answer marked = angler.post(event + "/map/spot", "cell", humps.value("cell"), "kind", "hump");
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
                + ring(0.003, "\"depthFt\": \"15\"") + "]}";
        assertThat(send(angler, event + "/map/contours", "lines.geojson", lines).text())
                .contains("outline is missing")
                .contains("import it first");
        send(angler, event + "/map/lake", "lake.geojson", LAKE);

        Visitor.Answer taken = send(angler, event + "/map/contours", "lines.geojson", lines);

        assertThat(taken.text()).contains("2 lines of depth taken");
        assertThat(angler.get(event + "/map?kind=hump").texts("tbody tr"))
                .singleElement()
                .asString()
                .contains("15 ft")
                .contains("rises 25 ft");
        for (String wrong : new String[] {
            "{\"type\": \"Point\"}",
            "[",
            "{\"type\": \"FeatureCollection\", \"features\": []}",
            lines.replace("40", "\"deep\""),
            lines.replace("LineString", "Point")
        }) {
            assertThat(send(angler, event + "/map/contours", "wrong.geojson", wrong)
                            .texts(".note.trouble"))
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

        assertThat(send(angler, event + "/map/lake", "lake.geojson", closed).texts("svg .closed title"))
                .containsExactly("Harbour: off limits by your rules");
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
                "lake | {} | expected text",
                "lake | [1, 2 | is no JSON",
                "lake | {\"type\": \"Point\", \"coordinates\": [1, 2]} | expected a GeoJSON Polygon",
                "lake | {\"type\": \"FeatureCollection\", \"features\": []} | has no water in it",
                "depths | {\"type\": 1} | ncols",
                "depths | ncols 2001 | ncols is 2001.0",
                "depths | ncols 1;nrows 1;xllcorner 0;yllcorner 0;cellsize 10;5 | write the grid in longitude and latitude"
            })
    void whatIsNoLakeIsRefusedAndChangesNothing(String what, String content, String message, RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Refused water");

        Visitor.Answer refused = send(angler, event + "/map/" + what, "wrong.file", content.replace(';', '\n'));

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
        assertThat(angler.get(event + "/map?prominence=much").text()).contains("is no depth");
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
                "xllcorner -116.915 | xllcorner -200 | expected longitudes from -180 to 180",
                        "yllcorner 42.615 | yllcorner 89.99 | latitudes from -90 to 90",
                "5 5 5 | -5 -5 -5 | depths are negative: if the values are heights, say so",
                        "5 5 5 5 5 5 5 5 5 | -9999 -9999 -9999 -9999 -9999 -9999 -9999 -9999 -9999 | there is no water in it",
                "xllcorner -116.915 | xllcorner 10 | no depth of it lies within the lake's outline",
                        "cellsize 0.005 | cellsize 1e400 | cellsize is Infinity"
            })
    void plausibleWrongGridsAreRefusedInOneLineAndThePageGoesOn(
            String right, String wrong, String message, RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Wrong grids");
        send(angler, event + "/map/lake", "lake.geojson", LAKE);

        String file = grid("", "5").replaceAll(" +", " ").replace(right, wrong);
        assertThat(file).isNotEqualTo(grid("", "5"));
        assertThat(send(angler, event + "/map/depths", "wrong.asc", file).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains(message);
        assertThat(angler.get(event + "/map").page().select("#depthFile")).hasSize(1);
    }

    @Test
    void heightsAreTakenWithTheHeightOfTheSurface(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Heights");
        send(angler, event + "/map/lake", "lake.geojson", LAKE);
        byte[] heights = grid("", "1200").getBytes(StandardCharsets.UTF_8);

        assertThat(angler.upload(event + "/map/depths?values=heights", "file", "heights.asc", heights)
                        .text())
                .contains("the height of the lake's surface is missing");
        assertThat(angler.upload(event + "/map/depths?values=heights&surface=1212", "file", "heights.asc", heights)
                        .text())
                .contains("3 × 3 depths taken.");
        assertThat(angler.get(event + "/map").text()).as("12 m").contains("To, ft");
    }

    /** Stored by an older version, or damaged. */
    @Tag("slow")
    @Test
    void aPageDoesNotFailBecauseOfWhatIsStored(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Stored");
        send(angler, event + "/map/lake", "lake.geojson", LAKE);
        send(angler, event + "/map/depths", "depths.asc", grid("", "5"));
        org.jooq.DSLContext db = app.bean(org.jooq.DSLContext.class);
        long id = Long.parseLong(event.replaceAll("\\D", ""));
        db.execute("UPDATE depth_grid SET west = 500, checksum = 'other' WHERE event_id = ?", id);
        Visitor.Answer page = angler.get(event + "/map");
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.texts(".note.trouble")).anyMatch(t -> t.contains("cannot be shown: import the depths again."));
        assertThat(page.page().select("svg .water, #depthFile")).hasSize(2);

        db.execute("UPDATE lake SET geo_json = '{\"lake\": {\"outline\": 7}}' WHERE event_id = ?", id);
        db.execute("UPDATE event SET writes = writes + 1 WHERE id = ?", id);
        for (String path : List.of("/map", "/plan", "/spots", "/practice", "/competition")) {
            assertThat(angler.get(event + path).status()).as(path).isEqualTo(200);
        }
        assertThat(angler.get(event + "/map").texts(".note.trouble"))
                .containsExactly("The lake that is stored cannot be read: import its outline again.");
    }
}
