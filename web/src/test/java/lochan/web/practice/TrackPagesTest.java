package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.Rules;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
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
        String event = Rules.event(angler, "Tracked");

        Visitor.Answer offered = send(angler, event, Rules.track());
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

        Visitor.Answer offered = send(angler, event, Rules.track());
        assertThat(offered.text()).contains("logged by hand 07:00–08:00, 3 strikes: its times are mended");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        assertThat(taken.text()).contains("the times of 1 mended").contains("06:50–07:50").contains("3 strikes");
    }

    /** One stop left open from 07:00 to 08:15: its last strike was made where the boat had gone meanwhile. */
    @Test
    void strikesGoByTheirTimesToWhereTheBoatWas(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Placed");
        Map<String, String> stop = Rules.stop("reed-corner");
        stop.put("end", "08:15");
        stop.put("windMps", "4");
        String id = angler.post(event + "/practice/stops/new", stop).path().replaceAll(".*stop=", "");
        for (String[] bite : new String[][] {{"b1", "07:10"}, {"b2", "08:05"}}) {
            angler.post(event + "/practice/stops/bites?stop=" + id, "code", bite[0], "outcome", "landed", "size", "2-0", "how", "scale");
            angler.post(event + "/practice/bites/edit?stop=" + id + "&bite=" + bite[0], "outcome", "landed", "size", "2-0", "how", "scale", "at", bite[1]);
        }

        Visitor.Answer offered = send(angler, event, Rules.track());
        assertThat(offered.texts("tbody tr")).first().asString().contains("its times are mended");
        Visitor.Answer taken = angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        assertThat(taken.text()).contains("1 stop written from the track, the times of 1 mended, 1 strike placed by time.");
        assertThat(taken.texts("section table tbody tr")).anySatisfy(row -> assertThat(row).contains("Track 07:5").contains("Swim jig").contains("2 lb 0 oz"))
                .anySatisfy(row -> assertThat(row).contains("06:50–07:50").contains("Reed Corner").contains("2 lb 0 oz"));
    }

    @Test
    void plansCanRunAtTheSpeedTheTrackShowed(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Fast");
        Map<String, String> stop = Rules.stop("reed-corner");
        stop.put("windMps", "4");
        angler.post(event + "/practice/stops/new", stop);
        Visitor.Answer offered = send(angler, event, Rules.track());
        assertThat(offered.text()).contains("How fast the boat ran").contains("under 5 mph");
        angler.post(event + "/practice/track/take", offered.form("form[action$=take]"));

        Visitor.Answer brief = angler.get(event + "/brief");
        assertThat(brief.value("runMps")).isEqualTo("40 mph");
        Visitor.Answer changed = angler.post(brief.page().selectFirst("form[action*='brief/speeds']").attr("action"));
        assertThat(changed.text()).contains("Plans run at these speeds now.");
        assertThat(changed.value("runMps")).as("0.03 degrees in five minutes").isEqualTo("24.9");
        assertThat(angler.post(changed.page().selectFirst(".note form").attr("action")).value("runMps")).isEqualTo("40");
        assertThat(angler.post(event + "/brief/speeds?run=900&rough=1").text()).contains("none a boat plans with");
    }

    @Test
    void whatIsNoTrackIsRefusedAndChangesNothing(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "No track");

        assertThat(send(angler, event, "<!DOCTYPE x>" + Rules.track()).texts(".note.trouble")).singleElement().asString().contains("day.gpx").contains("DOCTYPE");
        assertThat(send(angler, event, Rules.track().substring(0, 4000)).texts(".note.trouble")).singleElement().asString().contains("no whole XML");
        assertThat(angler.get(event + "/practice").text()).contains("Nothing fished yet");
    }
}
