package lochan.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import lochan.web.testing.RunningApp;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;

@ExtendWith(TestServers.class)
class EventTransferTest {

    private static final Path EVENT = Path.of("src/main/resources/demo/april-shakedown.event.json");

    @TempDir
    Path folder;

    private record Said(int exit, String out, String err) {}

    private static Said lochan(RunningApp app, String... arguments) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        int exit = new EventTransfer(app::context, new PrintStream(out), new PrintStream(err)).execute(arguments);
        return new Said(exit, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    }

    @Tag("slow")
    @Test
    void anEventGoesInAndComesOutTheSame(RunningApp app) throws Exception {
        String account = app.account().name();

        Said in = lochan(app, "import", EVENT.toString(), "--account", account);
        Said out = lochan(app, "export", "April Shakedown, Velmarrow Reservoir", "--account", account);

        assertThat(in.exit()).isZero();
        assertThat(in.err()).contains("“April Shakedown, Velmarrow Reservoir” imported");
        assertThat(out.exit()).isZero();
        assertThat(out.out()).isEqualTo(Files.readString(EVENT));
    }

    @Test
    void whatIsWrongIsSaidInOneLineAndChangesNothing(RunningApp app) throws Exception {
        String account = app.account().name();
        Path broken = Files.writeString(
                folder.resolve("broken.json"), Files.readString(EVENT).replace("\"limit\": 5", "\"limit\": \"five\""));

        assertThat(lochan(app, "import", broken.toString(), "--account", account)
                        .err())
                .hasLineCount(1)
                .contains("broken.json was not imported: /event/limit found \"five\"");
        assertThat(lochan(app, "import", folder.resolve("none.json").toString(), "--account", account))
                .extracting(Said::exit)
                .isEqualTo(2);
        assertThat(lochan(app, "export", "April", "--account", account).err())
                .isEqualTo("lochan: There is no event April: there is none yet.\n");
        assertThat(lochan(app, "export", "April", "--account", "nobody of that name")
                        .err())
                .startsWith("lochan: There is no account nobody of that name: --account expected one of");
        assertThat(lochan(app, "export").exit()).isEqualTo(2);
    }
}
