package lochan.web.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import lochan.instruments.standin.WeatherService;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@ExtendWith(TestServers.class)
class ForecastPagesTest {

    private static Map<String, String> row(int row, String from, String to, String wind) {
        return new LinkedHashMap<>(Map.of(
                "day",
                "1",
                row + "/from",
                from,
                row + "/to",
                to,
                row + "/wind",
                wind,
                row + "/windFrom",
                "sw",
                row + "/sky",
                "cloudy"));
    }

    @Test
    void aTypedForecastIsKeptDrawnOnThePlanAndCanBeUndone(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Windy");
        assertThat(angler.post(event + "/plan/new", "day", "1").text()).contains("Add forecast");
        Map<String, String> fields = row(0, "06:00", "10:00", "8 mph");
        fields.putAll(row(1, "10:00", "15:00", "20"));
        fields.put("1/lightning", "on");

        Visitor.Answer kept = angler.post(event + "/practice/forecast", fields);
        assertThat(kept.text()).contains("Forecast saved");
        assertThat(kept.value("1/windFrom")).isEqualTo("SW");
        assertThat(kept.value("0/wind")).isEqualTo("8");
        Visitor.Answer plan = angler.get(event + "/plan");
        assertThat(plan.texts(".beads .sky ~ title, .beads g title"))
                .anyMatch(t -> t.equals("Wind SW 8 mph, cloudy"))
                .anyMatch(t -> t.equals("Wind SW 20 mph, rough on open water, cloudy, lightning"));
        assertThat(plan.page().select(".sky.lightning")).hasSize(1);
        assertThat(angler.get(event + "/export").body()).contains("\"lightning\": true");

        Visitor.Answer other = angler.post(event + "/practice/forecast", row(0, "06:00", "15:00", "3"));
        Visitor.Answer undone =
                angler.post(other.page().selectFirst(".note form").attr("action"));
        assertThat(undone.value("1/wind")).isEqualTo("20");
    }

    @Test
    void whatMakesNoSenseIsRefusedTogetherAndKept(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Senseless sky");
        Map<String, String> fields = row(0, "06:00", "10:00", "gusty");
        fields.putAll(row(1, "09:00", "12:00", "9"));
        fields.put("2/wind", "5");
        fields.put("1/windFrom", "uphill");

        Visitor.Answer refused = angler.post(event + "/practice/forecast", fields);

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.texts(".note.trouble li"))
                .anyMatch(t -> t.contains("gusty"))
                .anyMatch(t -> t.contains("uphill"))
                .anyMatch(t -> t.contains("From when?"))
                .anyMatch(t -> t.contains("there is a forecast already, until 10:00"));
        assertThat(refused.value("0/wind")).isEqualTo("gusty");
        assertThat(angler.get(event + "/practice/forecast").value("0/wind")).isEmpty();
    }

    private static final String TABLE = """
            time,wind (mph),direction,thunder (%),pressure (hPa)
            2027-06-05 05:00,6,SW,2,1012
            2027-06-05 06:00,7,SW,2,1011
            2027-06-05 07:00,9,W,45,1010
            """;

    @Test
    void hoursOfAFileStandBesideWhatIsTypedAndUnderIt(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Filed sky");
        angler.post(event + "/practice/forecast", row(0, "06:30", "08:00", "20"));

        Visitor.Answer kept = angler.upload(
                event + "/practice/forecast/file", "file", "hours.csv", TABLE.getBytes(StandardCharsets.UTF_8));

        assertThat(kept.text())
                .contains("3 hours imported, CSV.")
                .contains("W 9 mph")
                .contains("45% lightning");
        assertThat(kept.value("0/wind")).as("what was typed").isEqualTo("20");
        String file = angler.get(event + "/export").body();
        assertThat(file)
                .contains("\"origin\": \"file\"")
                .as("the hour that the typed row begins in ends there")
                .containsPattern("\"from\": \"2027-06-05T06:00:00[^}]*\"to\": \"2027-06-05T06:30:00")
                .as("lightning holds, whatever its source")
                .containsPattern(
                        "\"from\": \"2027-06-05T07:00:00[^}]*\"to\": \"2027-06-05T08:00:00[^}]*\"thunderChance\": 0.45[^}]*\"lightning\": true");
        assertThat(angler.upload(event + "/practice/forecast/file", "file", "no.csv", new byte[] {65})
                        .text())
                .contains("“no.csv” wasn't imported, and nothing was changed");
        assertThat(angler.post(event + "/practice/forecast/remove").text()).doesNotContain("1012 hPa");
        Visitor.Answer back = angler.post(event + "/practice/forecast/undo");
        assertThat(back.text()).contains("1012 hPa");
    }

    private static String until(Visitor angler, String path, String words) {
        long end = System.nanoTime() + Duration.ofSeconds(20).toNanos();
        String text = angler.get(path).text();
        while (!text.contains(words) && System.nanoTime() < end) {
            text = angler.get(path).text();
        }
        return text;
    }

    @Test
    void aServiceIsAskedBesideThePagesAndItsLastGoodAnswerStays(RunningApp app) throws IOException {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Asked sky");
        String page = event + "/practice/forecast";
        try (WeatherService service = new WeatherService(0, Clock.systemUTC())) {
            String address = service.address() + "/series?from=2027-06-05T06:00:00Z&hours=24";
            assertThat(angler.post(page + "/service", "address", address, "everyMinutes", "30")
                            .text())
                    .contains("is inside this computer's own network");
            app.bean(WeatherFetcher.class).allow(service.address());

            assertThat(angler.post(page + "/service", "address", address, "everyMinutes", "30")
                            .text())
                    .contains("The service is asked now, and then every 30 minutes.");
            assertThat(until(angler, page, "24 hours"))
                    .contains("GeoJSON with a time series.")
                    .contains("service");
            angler.post(page + "/service", "address", address + "&fault=down", "everyMinutes", "30");
            assertThat(until(angler, page, "answered 503"))
                    .contains("The last try failed: it broke off")
                    .as("hours of the good answer")
                    .contains("hPa");
            angler.post(page + "/service", "address", address + "&fault=broken", "everyMinutes", "30");
            assertThat(until(angler, page, "cannot be used"))
                    .contains("is no JSON")
                    .contains("hPa");
        }
        angler.post(page + "/service", "address", "http://192.168.1.7/x", "everyMinutes", "5");
        Visitor.Answer refused = angler.post(page + "/service", "address", "ftp://example.org/x", "everyMinutes", "5");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("isn't a service's address").contains("Type 10 to 1440.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "127.0.0.1",
                "10.1.2.3",
                "172.16.0.9",
                "192.168.4.4",
                "169.254.169.254",
                "100.64.0.1",
                "0.0.0.0",
                "[::1]",
                "[fe80::1]",
                "[fd12:3456::1]",
                "[::ffff:10.0.0.1]",
                "[64:ff9b::7f00:1]",
                "[2002:7f00:1::]",
                "[::127.0.0.1]",
                "224.0.0.1"
            })
    void addressesInsideAreNotAsked(String host) {
        assertThatThrownBy(() -> OutsideAddress.check("http://" + host + "/x", false))
                .isInstanceOf(OutsideAddress.RefusedException.class);
        assertThatCode(() -> OutsideAddress.check("http://" + host + "/x", true))
                .doesNotThrowAnyException();
    }
}
