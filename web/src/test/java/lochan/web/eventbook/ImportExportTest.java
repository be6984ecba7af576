package lochan.web.eventbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

@ExtendWith(TestServers.class)
@Tag("slow")
class ImportExportTest {

    static Stream<Path> files() throws IOException {
        return Stream.concat(
                        Files.list(Path.of("../eventformat/src/test/resources/cases")),
                        Files.list(Path.of("src/main/resources/demo")))
                .filter(p -> p.toString().endsWith(".event.json"))
                .sorted();
    }

    private static String imported(Visitor angler, byte[] file) {
        angler.get("/events");
        Visitor.Answer answer = angler.upload("/events/import", "file", "some.event.json", file);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return angler.get("/events/" + answer.numberAfter("events") + "/export").body();
    }

    @ParameterizedTest
    @MethodSource("files")
    void exportImportExportIsTheSameBytes(Path file, RunningApp app) throws Exception {
        Visitor angler = app.angler();

        String once = imported(angler, Files.readAllBytes(file));

        assertThat(imported(angler, once.getBytes(StandardCharsets.UTF_8))).isEqualTo(once);
    }

    @Test
    void whatTheDemoShipsComesOutOfTheDatabaseUnchanged(RunningApp app) throws Exception {
        byte[] demo = Files.readAllBytes(Path.of("src/main/resources/demo/two-arms-open.event.json"));

        assertThat(imported(app.angler(), demo)).isEqualTo(new String(demo, StandardCharsets.UTF_8));
    }

    /** The reader must take back all that the pages let an angler do. */
    @Test
    void whatWasMadeOnThePagesComesBackWithWhatWasTyped(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Made by hand, “quoted” & ümlauted");
        angler.post(
                event + "/competition/entries",
                "type",
                "catch",
                "code",
                "c1",
                "species",
                "largemouth",
                "weight",
                "2 - 3",
                "tag",
                "Blue");
        angler.post(event + "/practice/start", "spot", "reed-corner", "code", "still-open");
        String exported = angler.get(event + "/export").body();

        assertThat(exported)
                .contains("\"2 - 3\"")
                .contains("\"14 1/2\"")
                .contains("\"40 mph\"")
                .contains("\"4 ft\"")
                .contains("about 2");
        assertThat(imported(angler, exported.getBytes(StandardCharsets.UTF_8))).isEqualTo(exported);
    }

    @Test
    void aWrongFileIsRefusedWholeWithPointers(RunningApp app) throws Exception {
        Visitor angler = app.angler();
        angler.get("/events");
        String broken = Files.readString(Path.of("src/main/resources/demo/two-arms-open.event.json"))
                .replace("\"stock\": \"school\"", "\"stock\": \"many\"");

        Visitor.Answer refused =
                angler.upload("/events/import", "file", "broken.event.json", broken.getBytes(StandardCharsets.UTF_8));

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("broken.event.json").contains("Nothing was changed");
        assertThat(refused.texts(".note code")).contains("/spots/17/stock");
        assertThat(angler.get("/events").text()).contains("No event yet");
    }

    @Test
    void theSchemaIsServedToEverybody(RunningApp app) {
        assertThat(app.visitor().get("/schema/event.schema.json").body()).contains("2020-12");
    }
}
