package lochan.web.tracklog;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class TrackPagesTest {

    private static Visitor.Answer send(Visitor angler, String event, String content) {
        angler.get(event + "/practice/track");
        return angler.upload(event + "/practice/track", "file", "day.gpx", content.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void aTracksStopsAreOfferedAndWrittenWhenSaidSo(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Tracked");

        Visitor.Answer offered = send(angler, event, SampleEvents.track());
        assertThat(offered.texts("tbody tr"))
                .hasSize(2)
                .first()
                .asString()
                .contains("Thu 3 June")
                .contains("06:50–07:50");
        assertThat(offered.value("0/spot")).isEqualTo("reed-corner");
        assertThat(offered.value("1/spot")).isEqualTo("+");
        assertThat(angler.get(event + "/practice").text())
                .as("nothing is written yet")
                .contains("No practice yet");

        Map<String, String> form = offered.form("form[action$=take]");
        form.put("0/presentation", "swim-jig");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", form);

        assertThat(taken.text())
                .contains("2 stops saved from the track.")
                .contains("Reed Corner")
                .contains("Track 07:5");
        assertThat(angler.get(event + "/spots").text()).contains("Track 07:5");
        assertThat(angler.post(event + "/practice/track/take", form).text())
                .as("taken twice")
                .contains("0 stops saved");
        assertThat(angler.get(event + "/spots").page().select("tbody tr")).hasSize(2);
        assertThat(angler.get(event + "/practice").page().select("section table tbody tr"))
                .hasSize(2);
    }

    @Test
    void aStopLoggedByHandKeepsItsBitesAndTakesTheTracksTimes(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Corrected");

        Visitor.Answer offered = send(angler, event, SampleEvents.track());
        assertThat(offered.text()).contains("logged by hand 07:00–08:00, 3 bites: its times are corrected");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        assertThat(taken.text())
                .contains("the times of 1 corrected")
                .contains("06:50–07:50")
                .contains("3 bites");
    }

    /** One stop left open from 07:00 to 08:15: its last bite was made where the boat had gone meanwhile. */
    @Tag("slow")
    @Test
    void bitesGoByTheirTimesToWhereTheBoatWas(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Placed");
        Map<String, String> stop = SampleEvents.stop("reed-corner");
        stop.put("end", "08:15");
        stop.put("windMps", "4");
        String id = angler.post(event + "/practice/stops/new", stop).path().replaceAll(".*stop=", "");
        for (String[] bite : new String[][] {{"b1", "07:10"}, {"b2", "08:05"}}) {
            angler.post(
                    event + "/practice/stops/bites?stop=" + id,
                    "code",
                    bite[0],
                    "outcome",
                    "landed",
                    "size",
                    "2-0",
                    "how",
                    "scale");
            angler.post(
                    event + "/practice/bites/edit?stop=" + id + "&bite=" + bite[0],
                    "outcome",
                    "landed",
                    "size",
                    "2-0",
                    "how",
                    "scale",
                    "at",
                    bite[1]);
        }

        Visitor.Answer offered = send(angler, event, SampleEvents.track());
        assertThat(offered.texts("tbody tr")).first().asString().contains("its times are corrected");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        assertThat(taken.text())
                .contains("1 stop saved from the track, the times of 1 corrected, 1 bite placed by time.");
        assertThat(taken.texts("section table tbody tr"))
                .anySatisfy(row -> assertThat(row)
                        .contains("Track 07:5")
                        .contains("Swim jig")
                        .contains("2 lb 0 oz"))
                .anySatisfy(row -> assertThat(row)
                        .contains("06:50–07:50")
                        .contains("Reed Corner")
                        .contains("2 lb 0 oz"));
    }

    @Test
    void plansCanRunAtTheSpeedTheTrackShowed(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Fast");
        Map<String, String> stop = SampleEvents.stop("reed-corner");
        stop.put("windMps", "4");
        angler.post(event + "/practice/stops/new", stop);
        Visitor.Answer offered = send(angler, event, SampleEvents.track());
        assertThat(offered.text()).contains("Boat speed from your tracks").contains("under 5 mph");
        angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        Visitor.Answer answer = angler.get(event + "/rules");
        assertThat(answer.value("runMps")).isEqualTo("40 mph");
        Visitor.Answer changed = angler.post(
                answer.page().selectFirst("form[action*='rules/speeds']").attr("action"));
        assertThat(changed.text()).contains("Plans use these speeds now.");
        assertThat(changed.value("runMps")).as("0.03 degrees in five minutes").isEqualTo("24.9");
        assertThat(angler.post(changed.page().selectFirst(".note form").attr("action"))
                        .value("runMps"))
                .isEqualTo("40");
        assertThat(angler.post(event + "/rules/speeds?run=900&rough=1").text()).contains("out of range");
    }

    @Test
    void whatIsNoTrackIsRefusedAndChangesNothing(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "No track");

        assertThat(send(angler, event, "<!DOCTYPE x>" + SampleEvents.track()).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("day.gpx")
                .contains("DOCTYPE");
        assertThat(send(angler, event, SampleEvents.track().substring(0, 4000)).texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("no whole XML");
        assertThat(angler.get(event + "/practice").text()).contains("No practice yet");
    }
}
