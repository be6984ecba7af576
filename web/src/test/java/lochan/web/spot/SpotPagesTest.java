package lochan.web.spot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.Rules;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class SpotPagesTest {

    @Test
    void listsAndEditsSpots(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Spots");
        assertThat(angler.get(event + "/spots").text()).contains("Reed Corner").contains("grass edge").contains("2 ft to 6 ft").contains("20%");

        Visitor.Answer edit = angler.get(event + "/spots/edit?spot=reed-corner");
        assertThat(edit.value("depthMaxM")).as("as it was typed").isEqualTo("6 ft");
        Map<String, String> form = edit.form("form.sheet");
        form.put("name", "Reed Bend");
        assertThat(angler.post(event + "/spots/edit?spot=reed-corner", form).text()).contains("Reed Bend").doesNotContain("Reed Corner");
    }

    @Test
    void showsWhatIsWrongBesideItsField(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Wrong spots");
        Map<String, String> fields = Rules.spot("");
        fields.put("crowdRisk", "120");
        fields.put("depthMinM", "9");

        Visitor.Answer refused = angler.post(event + "/spots/new", fields);

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.texts(".field .error")).hasSize(3).anyMatch(e -> e.contains("no name")).anyMatch(e -> e.contains("crowd risk"))
                .anyMatch(e -> e.contains("exchange them"));
        fields.put("position", "91, 0");
        assertThat(angler.post(event + "/spots/new", fields).text()).contains("latitude is 91");
    }

    @Test
    void aMarkIsReckonedFromTheBoat(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Seen");
        Map<String, String> fields = Rules.spot("Seen rock");
        fields.put("position", "42 37.8 N, 116 54.6 W");
        fields.put("seen", "left side, 90 ft");

        assertThat(angler.post(event + "/spots/new", fields).text()).contains("Where does the bow point?");
        fields.put("heading", "90");
        angler.post(event + "/spots/new", fields);
        assertThat(angler.get(event + "/spots").text()).contains("42.63025, -116.91000");
        fields.put("seen", "somewhere");
        assertThat(angler.post(event + "/spots/new", fields).text()).contains("tells no place from the boat");
    }

    @Test
    void aSpotTheCompetitionLogNamesStays(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Named");
        angler.post(event + "/competition/entries", "type", "catch", "code", "c1", "species", "largemouth", "weight", "2-0", "spot", "reed-corner");

        assertThat(angler.post(event + "/spots/delete?spot=reed-corner").text()).contains("stays").contains("Reed Corner");
    }

    @Test
    void spotsOfOneNameHaveCodesOfTheirOwn(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Two corners");
        angler.post(event + "/spots/new", Rules.spot("Reed Corner"));

        assertThat(angler.get(event + "/spots").page().select("a[href$='spot=reed-corner-2']")).hasSize(1);
    }
}
