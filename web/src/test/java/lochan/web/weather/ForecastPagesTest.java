package lochan.web.weather;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

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
}
