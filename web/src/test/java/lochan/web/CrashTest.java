package lochan.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.eventdata.EventData;
import lochan.eventformat.EventFileReader;
import lochan.store.PrivateMariaDb;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * A day of 200 entries, during which the application and its database are killed (SIGKILL) again and again at random moments: what was
 * acknowledged is there, once, and the bag is the same. {@code ./check --long} kills each of the two twenty times.
 */
@Tag("processes")
class CrashTest {

    private static final int ENTRIES = 200;
    /** How often each of the two is killed. */
    private static final int KILLS = Boolean.getBoolean("lochan.long") ? 20 : 1;
    /** An answer takes less: kills fall before, while and after an entry is written. */
    private static final int WITHIN_MILLIS = 60;

    private static final Duration START = Duration.ofMinutes(2);
    private static final String PASSWORD = "four words in a row";

    private final Random random = new Random(11);
    private Path home;
    private Path said;
    private int port;
    private Process app;
    private int starts;
    private Visitor angler;
    private String event;

    @BeforeEach
    void begin() throws IOException {
        home = Files.createTempDirectory("lochan-crash");
        said = Files.createTempFile("lochan-crash", ".log");
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        start();
        angler = new Visitor(URI.create("http://127.0.0.1:" + port));
        angler.post(
                "/setup",
                "name",
                "Ines",
                "password",
                PASSWORD,
                "again",
                PASSWORD,
                "code",
                Files.readString(said).replaceAll("(?s).*asks for this code: (\\d+).*", "$1"));
        event = SampleEvents.event(angler, "A rough day");
        angler.get(event + "/competition");
    }

    @AfterEach
    void end() throws IOException, InterruptedException {
        app.destroy();
        app.waitFor(1, TimeUnit.MINUTES);
        PrivateMariaDb.delete(home);
        Files.delete(said);
    }

    private void start() {
        starts++;
        try {
            ProcessBuilder builder = new ProcessBuilder(
                            Path.of(System.getProperty("java.home"), "bin", "java")
                                    .toString(),
                            "-XX:+UseSerialGC",
                            "-XX:TieredStopAtLevel=1",
                            "-Xmx192m",
                            "-cp",
                            System.getProperty("java.class.path"),
                            Server.class.getName(),
                            "serve")
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.appendTo(said.toFile()));
            builder.environment().putAll(Map.of("LOCHAN_HOME", home.toString(), "LOCHAN_PORT", Integer.toString(port)));
            app = builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Awaitility.await(said.toString())
                .atMost(START)
                .ignoreExceptions()
                .until(() -> new Visitor(URI.create("http://127.0.0.1:" + port))
                                .get("/sign-in")
                                .status()
                        == 200);
    }

    private List<Entry> day() {
        List<Entry> entries = new ArrayList<>();
        Instant at = Instant.now().truncatedTo(ChronoUnit.SECONDS);
        for (int i = 0; i < ENTRIES; i++) {
            String id = "e" + i;
            entries.add(
                    i % 10 == 9
                            ? new Entry.Void(id, at, "e" + (i - 1))
                            : EntryCatchBuilder.builder()
                                    .id(id)
                                    .at(at)
                                    .species(lochan.core.event.Species.LARGEMOUTH)
                                    .grams(500 + 3000 * random.nextDouble())
                                    .alive(true)
                                    .build());
        }
        return entries;
    }

    private static String json(Entry entry) {
        String head = "{\"id\":\"" + entry.id() + "\",\"at\":\"" + entry.at() + "\",";
        return "{\"entries\":[" + head
                + (entry instanceof Entry.Void v
                        ? "\"type\":\"void\",\"entry\":\"" + v.entryId() + "\"}"
                        : "\"type\":\"catch\",\"species\":\"largemouth\",\"alive\":true,\"grams\":"
                                + ((Entry.Catch) entry).grams() + "}")
                + "]}";
    }

    private boolean acknowledged(Entry entry) {
        try {
            Visitor.Answer answer = angler.postJson(SampleEvents.boat(event) + "/log", json(entry));
            return answer.status() == 200 && answer.body().contains("\"refused\":[]");
        } catch (UncheckedIOException away) {
            return false;
        }
    }

    /** Logs a day; soon after some of its entries are sent, what stands beside their number is done. */
    private List<Entry> logged(Map<Integer, Runnable> kills) {
        List<Entry> day = day();
        for (int i = 0; i < ENTRIES; i++) {
            CompletableFuture<Void> killed = soon(kills.get(i));
            Entry entry = day.get(i);
            boolean first = acknowledged(entry);
            killed.join();
            if (!first) {
                Awaitility.await().atMost(START).until(() -> {
                    startAgain();
                    return acknowledged(entry);
                });
            }
        }
        startAgain();
        return day;
    }

    /** Done when what is to be done has been done; at once where there is nothing. */
    private CompletableFuture<Void> soon(Runnable kill) {
        return kill == null
                ? CompletableFuture.completedFuture(null)
                : CompletableFuture.runAsync(
                        kill, CompletableFuture.delayedExecutor(random.nextInt(WITHIN_MILLIS), TimeUnit.MILLISECONDS));
    }

    private void startAgain() {
        if (!app.isAlive()) {
            start();
        }
    }

    private void everythingIsThereOnce(List<Entry> day) throws Exception {
        EventData data = EventFileReader.read(new ByteArrayInputStream(
                        angler.get(event + "/export").body().getBytes(StandardCharsets.UTF_8)))
                .data();
        assertThat(data.competition())
                .extracting(Entry::id)
                .containsExactlyElementsOf(day.stream().map(Entry::id).toList());
        assertThat(BagLog.replay(data.event(), data.competition()).bag(1))
                .isEqualTo(BagLog.replay(data.event(), day).bag(1));
    }

    @Test
    void whatWasAcknowledgedOutlivesTheApplicationAndItsDatabase() throws Exception {
        AtomicInteger applications = new AtomicInteger();
        AtomicInteger databases = new AtomicInteger();
        int[] at = random.ints(0, ENTRIES).distinct().limit(2 * KILLS).toArray();
        Map<Integer, Runnable> kills = new HashMap<>();
        for (int i = 0; i < at.length; i++) {
            kills.put(at[i], i % 2 == 0 ? () -> killApplication(applications) : () -> killDatabase(databases));
        }
        List<Entry> day = logged(kills);
        assertThat(applications).hasValue(KILLS);
        assertThat(databases).hasValue(KILLS);
        assertThat(starts).as("no application ends with its database").isEqualTo(1 + KILLS);
        everythingIsThereOnce(day);
    }

    private void killApplication(AtomicInteger count) {
        startAgain();
        app.destroyForcibly();
        app.onExit().join();
        count.incrementAndGet();
    }

    /** Kills the database of the application as it is now, once it has come to life. */
    private void killDatabase(AtomicInteger count) {
        startAgain();
        Awaitility.await().atMost(START).until(() -> app.descendants()
                .filter(p -> p.info().command().orElse("").endsWith("mariadbd"))
                .anyMatch(ProcessHandle::destroyForcibly));
        count.incrementAndGet();
    }
}
