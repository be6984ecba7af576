package lochan.web.guard;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.awaitility.Awaitility;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What one request, or a database that does not answer, does to all the others. */
@ExtendWith(TestServers.class)
@Tag("slow")
class GuardTest {

    private static final Duration SOON = Duration.ofSeconds(20);

    /** A form whose body comes, if at all, one byte at a time. */
    private static Socket slowForm(URI address) throws IOException {
        Socket socket = new Socket("127.0.0.1", address.getPort());
        socket.getOutputStream()
                .write(
                        "POST /sign-in HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 5000\r\n\r\nname="
                                .getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    @Test
    void slowBodiesHoldUpNobodyElseAndAreGivenUp(RunningApp app) throws Exception {
        List<Socket> slow = new ArrayList<>();
        for (int i = 0; i < 120; i++) {
            slow.add(slowForm(app.address()));
        }
        assertThat(CompletableFuture.supplyAsync(
                                () -> app.visitor().get("/sign-in").status())
                        .get(20, java.util.concurrent.TimeUnit.SECONDS))
                .isEqualTo(200);
        Awaitility.await().atMost(Duration.ofMinutes(1)).until(() -> {
            slow.getFirst().setSoTimeout(1);
            try {
                return slow.getFirst().getInputStream().read() >= 0 || true;
            } catch (java.net.SocketTimeoutException notYet) {
                return false;
            }
        });
        for (Socket socket : slow) {
            socket.close();
        }
    }

    @Test
    void manySignInsAtOnceAreAnsweredInASmallHeap() {
        // One of its own: the waits of its address are nobody else's.
        try (RunningApp app = TestServers.start(false, "127.0.0.1", OutputStream.nullOutputStream())) {
            app.angler();
            manySignIns(app);
        }
    }

    private static void manySignIns(RunningApp app) {
        List<CompletableFuture<Integer>> many = IntStream.range(0, 40)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> app.visitor()
                        .post("/sign-in", "name", "nobody " + i, "password", "x".repeat(150))
                        .status()))
                .toList();
        assertThat(many.stream().map(CompletableFuture::join))
                .allMatch(status -> List.of(401, 429, 503).contains(status));
        assertThat(app.visitor().get("/sign-in").status()).isEqualTo(200);
    }

    /** The process of an application's own database. */
    private static ProcessHandle database(RunningApp app) {
        String port = app.context()
                .getEnvironment()
                .getProperty("spring.datasource.url")
                .replaceAll(".*:(\\d+)/.*", "$1");
        return ProcessHandle.allProcesses()
                .filter(p -> commandLine(p).contains("--port=" + port))
                .findFirst()
                .orElseThrow();
    }

    private static String commandLine(ProcessHandle process) {
        try {
            return Files.readString(Path.of("/proc/" + process.pid() + "/cmdline"))
                    .replace('\0', ' ');
        } catch (IOException e) {
            return "";
        }
    }

    private static void signal(String what, ProcessHandle process) throws Exception {
        assertThat(new ProcessBuilder("kill", "-" + what, Long.toString(process.pid()))
                        .start()
                        .waitFor())
                .isZero();
    }

    @Test
    void aDatabaseThatHangsIsToldInSecondsAndStylesDoNotNeedIt() throws Exception {
        try (RunningApp app = TestServers.start(false, "127.0.0.1", OutputStream.nullOutputStream())) {
            Visitor angler = app.angler();
            String event = SampleEvents.event(angler, "Hanging");
            ProcessHandle database = database(app);
            signal("STOP", database);
            try {
                assertThat(CompletableFuture.supplyAsync(
                                        () -> angler.get("/assets/lochan.css").status())
                                .get(3, java.util.concurrent.TimeUnit.SECONDS))
                        .as("styles, with the session's cookie")
                        .isEqualTo(200);
                Visitor.Answer page = CompletableFuture.supplyAsync(() -> angler.get(event + "/spots"))
                        .get(SOON.toSeconds(), java.util.concurrent.TimeUnit.SECONDS);
                assertThat(page.status()).isEqualTo(503);
                assertThat(page.texts("h1")).containsExactly("Database unavailable");
                assertThat(page.body()).doesNotContain("Exception", "java.");
                assertThat(angler.post("/sign-in", "name", "x", "password", "y").texts("h1"))
                        .containsExactly("Database unavailable");
            } finally {
                signal("CONT", database);
            }
            Awaitility.await()
                    .atMost(SOON)
                    .until(() -> angler.get(event + "/spots").status() == 200);
        }
    }

    @Test
    void aTableThatIsDamagedIsToldOnThePlainPage() {
        try (RunningApp app = TestServers.start(false, "127.0.0.1", OutputStream.nullOutputStream())) {
            Visitor angler = app.angler();
            String event = SampleEvents.event(angler, "Damaged");
            app.bean(DSLContext.class).execute("RENAME TABLE event TO event_gone");

            assertThat(angler.get(event + "/plan").texts("h1")).containsExactly("Database unavailable");
            assertThat(angler.get("/settings").status())
                    .as("what does not need it goes on")
                    .isEqualTo(200);
        }
    }

    @Test
    void whatIsNotThereAndWhatIsNoNumberGetThePlainPage(RunningApp app) {
        Visitor angler = app.angler();
        assertThat(angler.get("/events/999999/plan").texts("h1")).containsExactly("Page not found");
        assertThat(angler.get("/nothing").texts("h1")).containsExactly("Page not found");
        assertThat(angler.get(SampleEvents.event(angler, "Senseless") + "/plan?plan=abc")
                        .texts("h1"))
                .containsExactly("That request wasn't valid");
        assertThat(angler.get("/events").header("Permissions-Policy"))
                .contains("geolocation=(self)")
                .contains("camera=()");
    }
}
