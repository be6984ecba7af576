package lochan.web.guard;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lochan.core.Bounds;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Repeats attacks that worked once and must not work again. */
@ExtendWith(TestServers.class)
class AttackTest {

    @Test
    void coordinateTextOpensNoAddress(RunningApp app) throws IOException {
        AtomicInteger asked = new AtomicInteger();
        HttpServer outside = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        outside.createContext("/", exchange -> {
            asked.incrementAndGet();
            exchange.close();
        });
        outside.start();
        try {
            Visitor angler = app.angler();
            String event = SampleEvents.event(angler, "Coordinates");
            angler.get(event + "/map");
            angler.upload(
                    event + "/map/import",
                    "file",
                    "lake.asc",
                    "ncols 1\nnrows 1\nxllcorner 500000\nyllcorner 4400000\ncellsize 10\n3\n"
                            .getBytes(StandardCharsets.UTF_8));
            String text = "PROJCS[\"x\",GEOGCS[\"g\",DATUM[\"d\",SPHEROID[\"s\",6378137,298]],PRIMEM[\"p\",0],"
                    + "UNIT[\"Degree\",0.0174532925199433]],PROJECTION[\"NTv2\"],"
                    + "PARAMETERFILE[\"Latitude and longitude difference file\",\"http://127.0.0.1:"
                    + outside.getAddress().getPort() + "/x.gsb\"],UNIT[\"Meter\",1]]";
            Visitor.Answer page =
                    angler.get(event + "/map/import?coordinates=" + URLEncoder.encode(text, StandardCharsets.UTF_8));

            assertThat(page.status()).isEqualTo(200);
            assertThat(page.text()).contains("coordinate system can't be read");
            assertThat(asked).hasValue(0);
        } finally {
            outside.stop(0);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"fixes\": [[1e400, 0, 0]]}",
                "{\"fixes\": [[1e18, 1, 1]]}",
                "{\"fixes\": [[1780000000000, 91, 0]]}",
                "{\"fixes\": [[\"x\", 0, 0]]}",
                "{\"fixes\": null}",
                "{\"fixes\": [null]}",
                "{\"fixes\": [{\"at\": 1, \"lat\": 2, \"lon\": 3}]}",
                "{}",
                "[null]",
                "no JSON"
            })
    void aBadFixIsRefusedAndTheTrackPageStays(String body, RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Bad fixes");

        assertThat(angler.postJson(SampleEvents.boat(event) + "/track", body).status())
                .isEqualTo(400);
        assertThat(angler.get(event + "/practice/track").status()).isEqualTo(200);
    }

    @Test
    void spotsGoOutWhereAWaypointHasNoNote(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "No notes");
        angler.post(event + "/spots/waypoints", "code", "w1", "position", "42.62, -116.91");

        assertThat(angler.get(event + "/spots/gpx").body()).contains("<name>waypoint</name>");
        assertThat(angler.get(event + "/spots/kml").body()).contains("<name>waypoint</name>");
    }

    /** Each of these was found by {@code scripts/fuzz}. */
    @Test
    void refusesImpossiblePlacesPlansAndDepths(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Not there");
        angler.get(event + "/map");

        assertThat(angler.post(event + "/map/unhide", "kind", "hump", "lat", "1e999", "lon", "0")
                        .status())
                .isEqualTo(404);
        assertThat(angler.post(event + "/plan/restore?plan=").status()).isEqualTo(404);
        assertThat(angler.post(event + "/plan/delete?plan=").status()).isEqualTo(404);
        assertThat(angler.upload(
                                event + "/map/import",
                                "file",
                                "lake.asc",
                                "ncols 2\nnrows 2\nxllcorner -116.9\nyllcorner 42.6\ncellsize 0.001\n1e39 3\n4 5\n"
                                        .getBytes(StandardCharsets.UTF_8))
                        .text())
                .contains("deeper than 2000 m");
    }

    /** A name that turns the direction of writing, or breaks a line, is plain wherever it goes out. */
    @Test
    void exportedNamesAreOnePlainLine(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Turned \u202e names");
        Map<String, String> spot = new HashMap<>(SampleEvents.spot("Reed \u202egpj.exe\u2066"));
        angler.post(event + "/spots/new", spot);

        for (String file : List.of("/spots/gpx", "/spots/kml", "/spots/geojson", "/export")) {
            assertThat(angler.get(event + file).body()).as(file).doesNotContain("\u202e", "\u2066");
        }
    }

    /** A phone and a laptop, or five taps, in one session: each is answered for what it did. */
    @Test
    void postsOfOneSessionAtOnceAreAllAnswered(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "At once");
        angler.get(event + "/spots");
        List<CompletableFuture<Integer>> posts = IntStream.range(0, 8)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> {
                    Map<String, String> spot = new HashMap<>(SampleEvents.spot("Spot " + i));
                    return angler.post(event + "/spots/new", spot).status();
                }))
                .toList();

        assertThat(posts.stream().map(CompletableFuture::join)).containsOnly(200);
        assertThat(angler.get(event + "/spots").text()).contains("Spot 0", "Spot 7");
    }

    /** Announced sizes are not allocated, and a stranger's file is not read at all. */
    @Test
    void strangersSendShortFormsAlone(RunningApp app) throws IOException {
        assertThat(answer(app, "application/x-www-form-urlencoded", 1_000_000)).contains(" 413 ");
        assertThat(answer(app, "multipart/form-data; boundary=x", 40_000_000)).contains(" 403 ");
        assertThat(app.visitor()
                        .post("/sign-in", "name", "x".repeat(20_000), "password", "y")
                        .status())
                .isEqualTo(413);
    }

    private static String answer(RunningApp app, String type, long length) throws IOException {
        try (Socket socket = new Socket(app.address().getHost(), app.address().getPort())) {
            socket.setSoTimeout(8000);
            socket.getOutputStream()
                    .write(("POST /sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: " + type
                                    + "\r\nContent-Length: " + length + "\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            byte[] start = socket.getInputStream().readNBytes(20);
            return new String(start, StandardCharsets.US_ASCII);
        }
    }

    @Test
    void anotherEntryOfTheSameIdIsNotAcknowledged(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Same id");
        String log = SampleEvents.boat(event) + "/log";
        String one =
                "{\"entries\": [{\"type\": \"catch\", \"id\": \"e1\", \"at\": \"2027-06-05T14:00:00Z\", \"grams\": 1000}]}";

        assertThat(refused(angler.postJson(log, one))).isEmpty();
        assertThat(refused(angler.postJson(log, one))).as("sent again").isEmpty();
        assertThat(refused(angler.postJson(log, one.replace("1000", "2000")))).hasSize(1);
    }

    private static JsonNode refused(Visitor.Answer answer) {
        return JsonMapper.builder().build().readTree(answer.body()).path("refused");
    }

    /** A day sent at once: the log is replayed once for all of it. */
    @Tag("slow")
    @Test
    void aLongLogIsTakenAtOnce(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Long log");
        String log = SampleEvents.boat(event) + "/log";
        for (int part = 0; part < 10; part++) {
            StringBuilder entries = new StringBuilder();
            for (int i = 0; i < 200; i++) {
                entries.append(entries.isEmpty() ? "" : ",")
                        .append("{\"type\": \"bite\", \"outcome\": \"missed\", \"id\": \"e")
                        .append(200 * part + i)
                        .append("\", \"at\": \"2027-06-05T14:00:00Z\"}");
            }
            assertThat(refused(angler.postJson(log, "{\"entries\": [" + entries + "]}")))
                    .isEmpty();
        }
        assertThat(JsonMapper.builder().build().readTree(angler.get(log).body()).path("entries"))
                .hasSize(2000);
    }

    /** Whatever takes something in refuses more than it may be, and what unpacks to far more than it is long. */
    @Tag("slow")
    @Test
    void everyDoorHasItsBounds(RunningApp app) throws IOException {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Doors");
        byte[] bomb = bomb();
        String body = "{\"x\": \"" + "x".repeat((int) Bounds.FORM_BYTES) + "\"}";
        List<Doors.Door> doors = Doors.of(app);
        assertThat(doors).hasSizeGreaterThan(80);
        for (Doors.Door door : doors) {
            String path = door.path().replace("{eventId}", event.replaceAll("\\D", ""));
            angler.get(event + "/spots");
            int status =
                    switch (door.takes()) {
                        case FILE ->
                            angler.upload(path, "file", "bomb.zip", bomb).status();
                        case JSON -> angler.postJson(path, body).status();
                        case FORM -> angler.post(path, "x", body).status();
                    };
            assertThat(status).as(path).isLessThan(500);
            if (door.takes() != Doors.Takes.FILE) {
                assertThat(status).as(path).isEqualTo(413);
            }
        }
        assertThat(angler.get(event + "/spots").status()).isEqualTo(200);
    }

    private static byte[] bomb() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("lake.asc"));
            zip.write("ncols 2\nnrows 2\nxllcorner 0\nyllcorner 0\ncellsize 1\n".getBytes(StandardCharsets.UTF_8));
            byte[] spaces = " ".repeat(1_000_000).getBytes(StandardCharsets.UTF_8);
            for (int i = 0; i < 100; i++) {
                zip.write(spaces);
            }
        }
        return out.toByteArray();
    }
}
