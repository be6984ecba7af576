package lochan.web.rankings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class SplitsPagesTest {

    /** Six cloudy noon hours of four bites each, six clear ones without. */
    private static String event(Visitor angler) {
        String event = SampleEvents.practisedEvent(angler, "Splits");
        for (int i = 0; i < 6; i++) {
            stop(angler, event, 10 + i, "06-01", "clear");
            String cloudy = stop(angler, event, 10 + i, "06-02", "rain");
            for (int b = 0; b < 4; b++) {
                angler.post(
                        event + "/practice/stops/bites?stop=" + cloudy,
                        "code",
                        "b" + i + "-" + b,
                        "outcome",
                        "shaken",
                        "presentation",
                        "swim-jig",
                        "how",
                        "scale");
            }
        }
        return event;
    }

    private static String stop(Visitor angler, String event, int hour, String date, String sky) {
        Map<String, String> fields = new HashMap<>(SampleEvents.stop("reed-corner"));
        fields.putAll(Map.of("date", "2027-" + date, "start", hour + ":00", "end", hour + ":50", "sky", sky));
        return angler.post(event + "/practice/stops/new", fields).path().replaceAll(".*stop=", "");
    }

    @Test
    void aLikelySplitIsOfferedToRankingsAndLeansThemWhenLetIn(RunningApp app) {
        Visitor angler = app.angler();
        String event = event(angler);

        Visitor.Answer page = angler.get(event + "/rankings/splits");

        assertThat(page.texts("tbody tr"))
                .first()
                .satisfies(r -> assertThat(r).contains("Light").contains("low").contains("Use in rankings"));
        String before = angler.get(event + "/rankings?at=06:00")
                .texts("td[data-label=Bites/h]")
                .getFirst();
        Visitor.Answer used = angler.post(
                event + "/rankings/splits",
                "split",
                page.page().selectFirst("input[name=split]").val(),
                "in",
                "true");
        assertThat(used.text()).contains("Rankings and plans go by it now.").contains("Do not use");
        assertThat(Double.parseDouble(angler.get(event + "/rankings?at=06:00")
                        .texts("td[data-label=Bites/h]")
                        .getFirst()))
                .isNotEqualTo(Double.parseDouble(before));
        assertThat(angler.get(event + "/export").body()).contains("\"finer\"");
    }

    @Test
    void whatIsNotKnownBeforehandCannotBeLetIn(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "No such split");

        assertThat(angler.post(event + "/rankings/splits", "split", "colour:bold", "in", "true")
                        .status())
                .isEqualTo(404);
        assertThat(angler.get(SampleEvents.event(angler, "Empty") + "/rankings/splits")
                        .text())
                .contains("Nothing to compare yet");
    }
}
