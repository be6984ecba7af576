package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.Rules;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class TrackPagesTest {

    /** 06:50 to 07:50 local time on the practice day at Reed Corner, a run, and twenty minutes elsewhere. */
    private static String gpx() {
        StringBuilder gpx = new StringBuilder("<gpx version=\"1.1\"><trk><trkseg>");
        Instant start = Instant.parse("2027-06-03T12:50:00Z");
        for (int s = 0; s < 5400; s += 5) {
            double lat = s < 3600 ? 42.63 : s < 3900 ? 42.63 + (s - 3600) * 1e-4 : 42.66;
            gpx.append("<trkpt lat=\"").append(lat).append("\" lon=\"-116.91\"><time>").append(start.plusSeconds(s)).append("</time></trkpt>");
        }
        return gpx + "</trkseg></trk></gpx>";
    }

    private static Visitor.Answer send(Visitor angler, String event, String content) {
        angler.get(event + "/practice/track");
        return angler.upload(event + "/practice/track", "file", "day.gpx", content.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void aTracksStopsAreOfferedAndWrittenWhenSaidSo(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Tracked");

        Visitor.Answer offered = send(angler, event, gpx());
        assertThat(offered.texts("tbody tr")).hasSize(2).first().asString().contains("Thu 3 June").contains("06:50–07:50");
        assertThat(offered.value("0/spot")).isEqualTo("reed-corner");
        assertThat(offered.value("1/spot")).isEqualTo("+");
        assertThat(angler.get(event + "/practice").text()).as("nothing is written yet").contains("Nothing fished yet");

        Map<String, String> form = offered.form("form[action$=take]");
        form.put("0/presentation", "swim-jig");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", form);

        assertThat(taken.text()).contains("2 stops written from the track.").contains("Reed Corner").contains("Track 07:5");
        assertThat(angler.get(event + "/spots").text()).contains("Track 07:5");
        assertThat(angler.post(event + "/practice/track/take", form).text()).as("taken twice").contains("0 stops written");
        assertThat(angler.get(event + "/spots").page().select("tbody tr")).hasSize(2);
        assertThat(angler.get(event + "/practice").page().select("section table tbody tr")).hasSize(2);
    }

    @Test
    void aStopLoggedByHandKeepsItsStrikesAndTakesTheTracksTimes(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Mended");

        Visitor.Answer offered = send(angler, event, gpx());
        assertThat(offered.text()).contains("logged by hand 07:00–08:00, 3 strikes: its times are mended");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        assertThat(taken.text()).contains("the times of 1 mended").contains("06:50–07:50").contains("3 strikes");
    }

    @Test
    void whatIsNoTrackIsRefusedAndChangesNothing(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "No track");

        assertThat(send(angler, event, "<!DOCTYPE x>" + gpx()).texts(".note.trouble")).singleElement().asString().contains("day.gpx").contains("DOCTYPE");
        assertThat(send(angler, event, gpx().substring(0, 4000)).texts(".note.trouble")).singleElement().asString().contains("no whole XML");
        assertThat(angler.get(event + "/practice").text()).contains("Nothing fished yet");
    }
}
