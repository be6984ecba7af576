package lochan.web.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;

/** Measures pages and files of a whole season, and writes what it measured to the file that the property {@code lochan.speed} names. */
@ExtendWith(TestServers.class)
@EnabledIfSystemProperty(named = "lochan.speed", matches = ".+")
class Speed {

    private static final int DAYS = 50;
    private static final int STOPS_A_DAY = 20;
    private static final int BITES_A_STOP = 10;
    private static final int SPOTS = 50;
    private static final int TRACK_SECONDS = 86_400;
    private static final int TIMES = 30;
    private static final int ENTRIES = 200;
    private static final List<String> KINDS = List.of("point", "hump", "dock", "ledge", "pocket", "flat", "bluff");
    private static final List<String> LURES =
            List.of("Swim jig", "Square crank", "Drop shot", "Football jig", "Jerkbait", "Frog");
    private static final List<String> OUTCOMES = List.of("landed", "landed", "landed", "lost", "missed", "shaken");

    private final StringBuilder report = new StringBuilder();

    @Test
    void measure(RunningApp app) throws IOException {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Season");
        angler.get(event + "/practice/sheet");
        Visitor.Answer[] read = new Visitor.Answer[1];
        once(
                "read 10 000 bites of a spreadsheet",
                () -> read[0] = angler.upload(event + "/practice/sheet", "file", "season.csv", season()));
        Map<String, String> sheet = read[0].form("form[action$=columns]");
        once("write them", () -> angler.post(event + "/practice/sheet/take", sheet));
        for (String page : List.of("practice", "rankings", "practice/review", "spots")) {
            measure("page " + page + " with 10 000 bites", TIMES, () -> angler.get(event + "/" + page));
        }
        String stop = angler.get(event + "/practice")
                .page()
                .selectFirst("a[href*='stops/edit?stop=']")
                .attr("href")
                .replaceAll(".*stop=", "");
        for (String page : List.of("practice", "rankings")) {
            measure("a tap, then page " + page, TIMES, () -> {
                angler.post(event + "/practice/follow", "stop", stop);
                angler.get(event + "/" + page);
            });
        }
        byte[] day = track();
        measure(
                "read a track of 24 h at 1 Hz, " + day.length / 1_000_000 + " MB",
                5,
                () -> angler.upload(event + "/practice/track", "file", "day.gpx", day));
        write();
    }

    /** A competition morning: an entry, then the advice that follows from it. */
    @Test
    void measureAdvice(@RunningApp.Demo RunningApp demo) throws IOException {
        Visitor angler = demo.demoAngler();
        String event = SampleEvents.demoAgain(angler);
        angler.post("/demo/clock", "moment", "DAY_1_MORNING");
        Awaitility.await().atMost(Duration.ofMinutes(2)).until(() -> angler.get(SampleEvents.boat(event) + "/plan")
                .body()
                .contains("\"ahead\":{"));
        IntStream.range(0, 2 * TIMES).forEach(i -> angler.get(SampleEvents.boat(event) + "/plan"));
        long[] after = new long[ENTRIES];
        for (int i = 0; i < ENTRIES; i++) {
            if (i % 2 == 0) {
                angler.post(
                        event + "/competition/entries",
                        "type",
                        "catch",
                        "code",
                        "speed-" + i,
                        "species",
                        "largemouth",
                        "weight",
                        "1-" + i % 16,
                        "spot",
                        "pale-hump",
                        "presentation",
                        "drop-shot");
            } else {
                angler.post(
                        event + "/competition/entries",
                        "type",
                        "bite",
                        "code",
                        "speed-" + i,
                        "spot",
                        "pale-hump",
                        "presentation",
                        "drop-shot",
                        "outcome",
                        "lost");
            }
            Instant start = Instant.now();
            angler.get(SampleEvents.boat(event) + "/plan");
            after[i] = Duration.between(start, Instant.now()).toMillis();
        }
        Arrays.sort(after);
        report.append(String.format(
                Locale.ROOT,
                "%-46s %5d ms in the middle, %d for 95 of 100, %d at most%n",
                "advice after an entry, " + ENTRIES + " entries, when warm",
                after[ENTRIES / 2],
                after[ENTRIES * 95 / 100],
                after[ENTRIES - 1]));
        write();
    }

    private void write() throws IOException {
        Files.writeString(
                Path.of(System.getProperty("lochan.speed")),
                report,
                StandardOpenOption.CREATE,
                StandardOpenOption.APPEND);
    }

    private void once(String what, Runnable work) {
        Instant start = Instant.now();
        work.run();
        report.append(String.format(
                Locale.ROOT,
                "%-46s %5d ms once%n",
                what,
                Duration.between(start, Instant.now()).toMillis()));
    }

    private void measure(String what, int times, Runnable work) {
        List<Long> took = IntStream.range(0, times)
                .mapToObj(i -> {
                    Instant start = Instant.now();
                    work.run();
                    return Duration.between(start, Instant.now()).toMillis();
                })
                .toList();
        List<Long> warm = took.stream().skip(times / 2).sorted().toList();
        report.append(String.format(
                Locale.ROOT,
                "%-46s %5d ms at first, %d in the middle, %d at most when warm%n",
                what,
                took.getFirst(),
                warm.get(warm.size() / 2),
                warm.getLast()));
    }

    /** 50 days of 20 stops of 10 bites. */
    private static byte[] season() {
        Random random = new Random(5);
        StringBuilder csv = new StringBuilder(
                "Date,Spot,Position,Spot type,Start,End,Presentation,Outcome,Size,Size by,Water temperature,Visibility,Bite at\n");
        for (int stop = 0; stop < DAYS * STOPS_A_DAY; stop++) {
            int day = stop / STOPS_A_DAY;
            LocalTime start = LocalTime.of(6, 0).plusMinutes(30L * (stop % STOPS_A_DAY));
            int spot = random.nextInt(SPOTS);
            for (int bite = 0; bite < BITES_A_STOP; bite++) {
                String outcome = OUTCOMES.get(random.nextInt(OUTCOMES.size()));
                String size = outcome.equals("landed")
                        ? String.format(Locale.ROOT, "%.2f lb,scale", Math.exp(0.7 + 0.4 * random.nextGaussian()))
                        : ",";
                csv.append(String.format(
                        Locale.ROOT,
                        "%s,Spot %d,\"%.4f, %.4f\",%s,%s,%s,%s,%s,%s,%d F,%d ft,%s%n",
                        LocalDate.of(2027, 4, 1).plusDays(day),
                        spot,
                        42.6 + 0.002 * (spot / 10),
                        -116.9 + 0.002 * (spot % 10),
                        KINDS.get(spot % KINDS.size()),
                        start,
                        start.plusMinutes(25),
                        LURES.get(random.nextInt(2 + spot % (LURES.size() - 1))),
                        outcome,
                        size,
                        60 + day / 4,
                        2 + spot % 5,
                        start.plusMinutes(2L + 2 * bite)));
            }
        }
        return csv.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** Twenty minutes at a place, ten at 18 m/s to the next, a whole day. */
    private static byte[] track() {
        Random random = new Random(7);
        StringBuilder gpx = new StringBuilder(
                "<gpx xmlns=\"http://www.topografix.com/GPX/1/1\" version=\"1.1\" creator=\"speed\"><trk><trkseg>\n");
        Instant start = Instant.parse("2027-06-03T00:00:00Z");
        double lat = 42.6;
        double north = 1;
        for (int i = 0; i < TRACK_SECONDS; i++) {
            boolean running = i % 1800 >= 1200;
            north = i % 1800 == 0 ? -north : north;
            lat += running ? north * 18 / 111_195.0 : 0;
            gpx.append(String.format(
                    Locale.ROOT,
                    "<trkpt lat=\"%.6f\" lon=\"%.6f\"><time>%s</time></trkpt>%n",
                    lat + 2e-5 * random.nextGaussian(),
                    -116.9 + 2e-5 * random.nextGaussian(),
                    start.plusSeconds(i)));
        }
        return gpx.append("</trkseg></trk></gpx>").toString().getBytes(StandardCharsets.UTF_8);
    }
}
