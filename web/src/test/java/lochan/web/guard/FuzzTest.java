package lochan.web.guard;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lochan.mapfiles.MapFiles;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Spoilt files, entries and forms, from a seed: whatever comes in, no answer is a failure, shows the program's inside or takes long, what is
 * refused changes nothing, and what is taken breaks no page of its event. {@code -Dlochan.fuzz=10000} tries so many, {@code -Dlochan.fuzz.seed=2}
 * others.
 */
@Tag("slow")
class FuzzTest {

    private static final int INPUTS = Integer.getInteger("lochan.fuzz", Boolean.getBoolean("lochan.long") ? 1000 : 150);
    private static final long SEED = Long.getLong("lochan.fuzz.seed", 11);
    private static final long LONGEST_PAGE_NANOS = 5_000_000_000L;
    /** A sent file is read, tried and kept, and the page after it is drawn. */
    private static final long LONGEST_SENT_NANOS = 15_000_000_000L;
    /** Pages opened after an input was accepted; all of them when an event ends. */
    private static final int PAGES = 4;
    /** An event is replaced after so many inputs: what it has accepted would make each answer slower. */
    private static final int INPUTS_PER_EVENT = 300;

    private static final String LAKE =
            "{\"type\": \"FeatureCollection\", \"features\": [{\"type\": \"Feature\", \"properties\": {}, \"geometry\": {\"type\": \"Polygon\", \"coordinates\": "
                    + "[[[-116.93, 42.60], [-116.88, 42.60], [-116.88, 42.65], [-116.93, 42.65], [-116.93, 42.60]]]}}]}";
    private static final String LINES =
            "{\"type\": \"FeatureCollection\", \"features\": [{\"type\": \"Feature\", \"properties\": {\"depthM\": 4}, \"geometry\": {\"type\": \"LineString\", \"coordinates\": "
                    + "[[-116.92, 42.61], [-116.89, 42.61], [-116.89, 42.64], [-116.92, 42.64], [-116.92, 42.61]]}}]}";
    private static final String GRID =
            "ncols 6\nnrows 5\nxllcorner -116.92\nyllcorner 42.61\ncellsize 0.005\nNODATA_value -9999\n"
                    + "1 2 3 3 2 1\n2 4 6 6 4 2\n3 6 -9999 9 6 3\n2 4 6 6 4 2\n1 2 3 3 2 1\n";
    private static final String WAYPOINTS =
            "<?xml version=\"1.0\"?><gpx version=\"1.1\"><wpt lat=\"42.62\" lon=\"-116.9\"><name>Hump</name><type>hump</type></wpt><wpt lat=\"42.63\" lon=\"-116.91\"><name>Reed</name></wpt></gpx>";
    private static final String SHEET =
            "date,start,end,spot,lure,outcome,size,time\n2027-06-03,07:00,08:30,Reed Corner,Swim jig,landed,3-4,07:20\n2027-06-03,07:00,08:30,Reed Corner,Swim jig,missed,,07:40\n";
    private static final String ENTRIES =
            "{\"entries\": [{\"type\": \"catch\", \"id\": \"c1\", \"at\": \"2027-06-05T07:00:00-06:00\", \"species\": \"largemouth\", \"grams\": 1020, \"mm\": 400, \"spot\": \"reed-corner\", "
                    + "\"presentation\": \"swim-jig\", \"alive\": true, \"tag\": \"Red\"}, {\"type\": \"fishing\", \"id\": \"f1\", \"at\": \"2027-06-05T07:05:00-06:00\", \"spot\": \"reed-corner\", \"presentation\": \"swim-jig\"}, "
                    + "{\"type\": \"died\", \"id\": \"d1\", \"at\": \"2027-06-05T07:10:00-06:00\", \"catch\": \"c1\"}, {\"type\": \"void\", \"id\": \"v1\", \"at\": \"2027-06-05T07:11:00-06:00\", \"entry\": \"d1\"}]}";

    private final Random random = new Random(SEED);
    private final Mutations mutations = new Mutations(random);
    private final Map<String, Integer> taken = new LinkedHashMap<>();
    private final List<String> harm = new ArrayList<>();
    private RunningApp app;
    private Visitor angler;
    private String event;
    private String eventFile;
    private List<String> pages;
    private List<Doors.Door> doors;

    @Test
    void spoiltInputHarmsNothing() {
        try (RunningApp running = TestServers.start(false, Map.of(), OutputStream.nullOutputStream())) {
            app = running;
            angler = running.angler();
            pages = app.bean(RequestMappingHandlerMapping.class).getHandlerMethods().keySet().stream()
                    .filter(i -> i.getMethodsCondition().getMethods().stream()
                            .anyMatch(m -> m.name().equals("GET")))
                    .flatMap(i -> i.getPatternValues().stream())
                    .filter(p -> p.startsWith("/events/{eventId}") && !p.endsWith("/changes"))
                    .sorted()
                    .toList();
            assertThat(pages).hasSizeGreaterThan(25);
            List<Runnable> kinds = List.of(
                    this::eventFile,
                    this::lake,
                    this::grid,
                    this::lines,
                    this::waypoints,
                    this::track,
                    this::sheet,
                    this::entries,
                    this::form);
            doors = Doors.of(app);
            assertThat(files().keySet()).as("a sample of each kind of file").containsAll(MapFiles.ENDINGS);
            for (int i = 0; i < INPUTS; i++) {
                if (i % INPUTS_PER_EVENT == 0) {
                    newEvent(i);
                }
                tried(kinds.get(i % kinds.size()));
                if (i % 3 == 0) {
                    tried(i % 2 == 0 ? this::anyDoor : this::anyFile);
                }
            }
            tried(() -> look(event, pages));
            assertThat(harm).isEmpty();
            assertThat(taken)
                    .as("not everything was refused: else nothing is tested")
                    .containsKeys("event file", "grid", "form")
                    .allSatisfy((kind, n) -> assertThat(n).isPositive());
        }
    }

    private void newEvent(int inputs) {
        if (event != null) {
            tried(() -> look(event, pages));
            angler.post(event + "/delete");
        }
        event = SampleEvents.practisedEvent(angler, "Spoilt");
        angler.upload(event + "/map/import", "file", "lake.geojson", LAKE.getBytes(StandardCharsets.UTF_8));
        angler.post(event + "/map/import/take", "use", "lake");
        angler.post(event + "/plan/new", "day", "1");
        eventFile = angler.get(event + "/export").body();
        System.out.printf("%d of %d inputs, %d faults, accepted %s%n", inputs, INPUTS, harm.size(), taken);
    }

    /**
     * Collects faults, so that one run reports them all, and prints each at once, so that a long run can be stopped.
     */
    private void tried(Runnable input) {
        angler.get("/events");
        try {
            input.run();
        } catch (AssertionError e) {
            String fault = start(e.getMessage());
            harm.add(fault);
            System.out.println("FAULT " + fault);
        }
    }

    /** Sends something once and checks its answer. */
    private Visitor.Answer sound(String what, java.util.function.Supplier<Visitor.Answer> ask) {
        long before = System.nanoTime();
        Visitor.Answer answer = ask.get();
        return checked(what, answer, System.nanoTime() - before, LONGEST_SENT_NANOS);
    }

    /** Opens a page and checks it. A slow page is opened once more: the machine may have been busy. */
    private void soundPage(String path) {
        long before = System.nanoTime();
        Visitor.Answer answer = angler.get(path);
        if (System.nanoTime() - before > LONGEST_PAGE_NANOS) {
            before = System.nanoTime();
            answer = angler.get(path);
        }
        checked("page " + path, answer, System.nanoTime() - before, LONGEST_PAGE_NANOS);
    }

    private static Visitor.Answer checked(String what, Visitor.Answer answer, long nanos, long longest) {
        assertThat(nanos).as(what + " is answered in time").isLessThan(longest);
        assertThat(answer.status()).as(what + ": " + start(answer.body())).isLessThan(500);
        assertThat(answer.body()).as(what).doesNotContain("Exception", "at java.", "at lochan.", "\tat ");
        return answer;
    }

    private static String start(String body) {
        return body.substring(0, Math.min(body.length(), 400));
    }

    private void look(String at, List<String> which) {
        which.forEach(p -> soundPage(p.replace("/events/{eventId}", at)));
    }

    private List<String> some() {
        return IntStream.range(0, PAGES)
                .mapToObj(i -> pages.get(random.nextInt(pages.size())))
                .toList();
    }

    private static boolean isRefused(Visitor.Answer answer) {
        return answer.status() >= 400
                || !answer.page()
                        .select(".note.trouble, .error, .wrong, .problems")
                        .isEmpty();
    }

    /** Sends something spoilt to the event: refused, it changes nothing; taken, the pages go on. */
    private void send(String kind, byte[] input, java.util.function.Supplier<Visitor.Answer> ask) {
        String before = angler.get(event + "/export").body();
        Visitor.Answer answer = sound(kind + " " + start(new String(input, StandardCharsets.UTF_8)), ask);
        if (isRefused(answer)) {
            assertThat(angler.get(event + "/export").body())
                    .as("refused: " + kind + " " + start(new String(input, StandardCharsets.UTF_8)))
                    .isEqualTo(before);
        } else {
            taken.merge(kind, 1, Integer::sum);
            look(event, some());
        }
    }

    private void upload(String kind, String path, String text) {
        byte[] input = mutations.spoilt(text);
        send(kind, input, () -> angler.upload(event + path, "file", "spoilt." + kind.replace(' ', '-'), input));
    }

    private void eventFile() {
        byte[] input = mutations.spoilt(eventFile);
        long before = events();
        Visitor.Answer answer =
                sound("event file", () -> angler.upload("/events/import", "file", "spoilt.event.json", input));
        if (isRefused(answer)) {
            assertThat(events()).as("refused: " + start(answer.text())).isEqualTo(before);
        } else {
            taken.merge("event file", 1, Integer::sum);
            look("/events/" + answer.numberAfter("events"), pages);
            angler.post("/events/" + answer.numberAfter("events") + "/delete");
        }
    }

    private long events() {
        return app.bean(org.jooq.DSLContext.class).fetchValue("SELECT COUNT(*) FROM event", Long.class)
                        instanceof Long n
                ? n
                : -1;
    }

    private void lake() {
        preview("lake", "/map/import", LAKE);
    }

    private void grid() {
        preview("grid", "/map/import", GRID);
    }

    private void lines() {
        preview("lines", "/map/import", LINES);
    }

    private void waypoints() {
        upload("waypoints", "/spots/gpx", WAYPOINTS);
    }

    private void track() {
        preview("track", "/practice/track", SampleEvents.track());
    }

    private void sheet() {
        preview("sheet", "/practice/sheet", SHEET);
    }

    /** A file of which nothing is taken before a second page says so. */
    private void preview(String kind, String path, String text) {
        byte[] input = mutations.spoilt(text);
        String before = angler.get(event + "/export").body();
        Visitor.Answer shown = sound(
                kind + " " + start(new String(input, StandardCharsets.UTF_8)),
                () -> angler.upload(event + path, "file", "spoilt." + kind, input));
        assertThat(angler.get(event + "/export").body()).as("only shown").isEqualTo(before);
        String form = "form[action$=/take]";
        if (shown.page().selectFirst(form) != null) {
            send(kind, input, () -> angler.post(event + path + "/take", shown.form(form)));
        }
    }

    /** Each entry stands or is refused by itself. */
    private void entries() {
        angler.get(event + "/competition");
        byte[] input = mutations.spoilt(
                ENTRIES.replaceAll("\"id\": \"(.)1\"", "\"id\": \"$1" + random.nextInt(1_000_000) + "\""));
        sound(
                "entries " + start(new String(input, StandardCharsets.UTF_8)),
                () -> angler.postJson(SampleEvents.boat(event) + "/log", new String(input, StandardCharsets.UTF_8)));
        look(event, List.of("/events/{eventId}/competition", "/events/{eventId}/export"));
    }

    /** Whatever takes something of an event in, with something spoilt of the kind it takes. */
    private void anyDoor() {
        Doors.Door door = doors.get(random.nextInt(doors.size()));
        String path = door.path().replace("{eventId}", event.replaceAll("\\D", ""));
        switch (door.takes()) {
            case FILE -> {
                List<String> samples = List.copyOf(files().values());
                byte[] input = mutations.spoilt(samples.get(random.nextInt(samples.size())));
                sound("file at " + path, () -> angler.upload(path, "file", "spoilt.file", input));
            }
            case JSON -> {
                String body = new String(mutations.spoilt(ENTRIES), StandardCharsets.UTF_8);
                sound("body at " + path, () -> angler.postJson(path, body));
            }
            case FORM -> {
                Map<String, String> fields = new LinkedHashMap<>();
                door.fields().forEach(f -> fields.put(f, mutations.nastyField()));
                fields.putIfAbsent("code", "d" + random.nextInt(1_000_000));
                sound("form at " + path + " " + fields.keySet(), () -> angler.post(path, fields));
            }
        }
        look(event, some());
    }

    /** A map's file of any kind that is read, and any of them in a zip. */
    private void anyFile() {
        List<String> kinds = List.copyOf(files().keySet());
        String kind = kinds.get(random.nextInt(kinds.size()));
        byte[] input = mutations.spoilt(files().get(kind));
        boolean zipped = random.nextBoolean();
        byte[] sent = zipped ? zip("spoilt." + kind, input) : input;
        sound(kind, () -> angler.upload(event + "/map/import", "file", "spoilt." + (zipped ? "zip" : kind), sent));
        soundPage(event + "/map/import");
    }

    private static byte[] zip(String name, byte[] content) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static Map<String, String> files() {
        String kml =
                "<kml><Placemark><name>Reed</name><LineString><coordinates>-116.9,42.62 -116.91,42.63</coordinates></LineString></Placemark></kml>";
        String table = "lat,lon,depth\n42.62,-116.9,4\n42.63,-116.91,5\n";
        String nmea =
                "$GPGGA,070000,4237.2,N,11654.0,W,1,8,1,0,M,0,M,,*4D\n$SDDPT,4.2,0.3*5A\n$SDDBT,13.7,f,4.2,M,2.3,F*32\n";
        String tiff = "II*\0\10\0\0\0\1\0\0\1\3\0\1\0\0\0\4\0\0\0\0\0\0\0";
        Map<String, String> files = new LinkedHashMap<>();
        files.put("asc", GRID);
        files.put("txt", GRID);
        files.put("tif", tiff);
        files.put("tiff", tiff);
        files.put("geojson", LAKE);
        files.put("json", LINES);
        files.put("kml", kml);
        files.put("gpx", WAYPOINTS);
        files.put("csv", table);
        files.put("nmea", nmea);
        files.put("log", nmea);
        return files;
    }

    private void form() {
        Map<String, Map<String, String>> forms = new LinkedHashMap<>();
        forms.put("/spots/new", SampleEvents.spot("Spot " + random.nextInt(1000)));
        forms.put("/practice/stops/new", SampleEvents.stop("reed-corner"));
        forms.put("/rules", SampleEvents.form("Spoilt"));
        forms.put(
                "/spots/waypoints",
                Map.of("code", "m" + random.nextInt(1000), "position", "42.63, -116.91", "note", "hard patch"));
        forms.put(
                "/competition/entries",
                Map.of(
                        "type",
                        "catch",
                        "code",
                        "e" + random.nextInt(100_000),
                        "weight",
                        "3-4",
                        "species",
                        "largemouth"));
        forms.put(
                "/practice/forecast",
                Map.of("0/from", "2027-06-05T06:00", "0/to", "2027-06-05T12:00", "0/windMps", "8", "0/sky", "cloudy"));
        List<String> paths = new ArrayList<>(forms.keySet());
        String path = paths.get(random.nextInt(paths.size()));
        Map<String, String> fields = new LinkedHashMap<>(forms.get(path));
        List<String> names = new ArrayList<>(fields.keySet());
        for (int i = 1 + random.nextInt(2); i > 0; i--) {
            fields.put(names.get(random.nextInt(names.size())), mutations.nastyField());
        }
        String words = path
                + Arrays.toString(fields.entrySet().stream()
                        .map(e -> e.getKey() + "=" + start(e.getValue()))
                        .collect(Collectors.toList())
                        .toArray());
        if (path.startsWith("/competition")) {
            // Its page always has room for errors and warnings: they don't say whether it was accepted.
            sound(words, () -> angler.post(event + path, fields));
            look(event, List.of("/events/{eventId}/competition", "/events/{eventId}/export"));
            return;
        }
        send("form", words.getBytes(StandardCharsets.UTF_8), () -> angler.post(event + path, fields));
    }
}
