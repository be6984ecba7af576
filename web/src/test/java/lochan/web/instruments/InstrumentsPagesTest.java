package lochan.web.instruments;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.instruments.standin.DrivenDay;
import lochan.instruments.standin.LineServer;
import lochan.instruments.standin.WeighedFish;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The boat's instruments and a scale by their stand-ins, on the pages. */
@ExtendWith(TestServers.class)
class InstrumentsPagesTest {

    private static String until(Visitor angler, String path, String words) {
        long end = System.nanoTime() + Duration.ofSeconds(20).toNanos();
        String body = angler.get(path).body();
        while (!body.contains(words) && System.nanoTime() < end) {
            body = angler.get(path).body();
        }
        return body;
    }

    @Test
    void withoutAnAddressNothingIsAskedAndThePageSaysHow(RunningApp app) {
        Visitor angler = app.angler();
        assertThat(angler.get("/instruments").text()).contains("None is named.").contains("LOCHAN_NMEA=tcp:HOST:PORT");
        assertThat(angler.get("/instruments/now").body()).isEqualTo("{\"boat\":null,\"scale\":null}");
        assertThat(app.visitor().get("/instruments/now").path()).isEqualTo("/sign-in");
    }

    @Test
    void whatTheySayIsShownItsDepthsAreImportedAndWhatStopsIsTold() throws Exception {
        EventData event = SampleEvents.demo();
        DrivenDay day = new DrivenDay(event, 1);
        try (LineServer boat = new LineServer(0);
                LineServer scale = new LineServer(0);
                RunningApp app = TestServers.start(
                        false,
                        Map.of(
                                "LOCHAN_BIND",
                                "127.0.0.1",
                                "LOCHAN_NMEA",
                                "tcp:127.0.0.1:" + boat.port(),
                                "LOCHAN_SCALE",
                                "tcp:127.0.0.1:" + scale.port()),
                        OutputStream.nullOutputStream())) {
            Visitor angler = app.angler();
            String own = SampleEvents.practisedEvent(angler, "Instruments");
            assertThat(until(angler, "/instruments/now", "says nothing"))
                    .contains("is connected and says nothing. Nothing was heard of it yet.");
            for (Instant t = day.start().plusSeconds(600);
                    t.isBefore(day.start().plusSeconds(1800));
                    t = t.plusSeconds(10)) {
                day.sentences(t).forEach(boat::line);
            }
            assertThat(until(angler, "/instruments/now", "\"soundings\":\"Import 12"))
                    .contains("\"well\":true")
                    .contains("depth ")
                    .contains("\"water\":\"")
                    .contains("\"windFrom\":\"");
            new WeighedFish(event).lines(0).forEach(scale::line);
            assertThat(until(angler, "/instruments/now", "\"number\":1")).contains("\"grams\":");
            assertThat(angler.post(own + "/map/soundings").text())
                    .contains("instruments.nmea")
                    .contains("NMEA 0183 log");
            boat.stop();
            assertThat(until(angler, "/instruments", "cannot be reached"))
                    .contains("It is tried again and again. Last heard");
            assertThat(angler.get(own + "/competition").text())
                    .as("no fish was logged")
                    .contains("Nothing logged");
        }
    }

    @Test
    void anAddressThatIsNoneIsToldOnThePage() throws IOException {
        try (RunningApp app = TestServers.start(
                false, Map.of("LOCHAN_BIND", "127.0.0.1", "LOCHAN_NMEA", "serial"), OutputStream.nullOutputStream())) {
            assertThat(app.angler().get("/instruments").text())
                    .contains("Its address is none: “serial”: expected tcp:HOST:PORT or udp:PORT.");
        }
    }
}
