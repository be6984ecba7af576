package lochan.web.spot;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class SpotPagesTest {

    @Test
    void listsAndEditsSpots(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Spots");
        assertThat(angler.get(event + "/spots").text())
                .contains("Reed Corner")
                .contains("grass edge")
                .contains("2 ft to 6 ft")
                .contains("20%");

        Visitor.Answer edit = angler.get(event + "/spots/edit?spot=reed-corner");
        assertThat(edit.value("depthMaxM")).as("as typed").isEqualTo("6 ft");
        Map<String, String> form = edit.form("form.sheet");
        form.put("name", "Reed Bend");
        assertThat(angler.post(event + "/spots/edit?spot=reed-corner", form).text())
                .contains("Reed Bend")
                .doesNotContain("Reed Corner");
    }

    @Test
    void showsWhatIsWrongBesideItsField(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Wrong spots");
        Map<String, String> fields = SampleEvents.spot("");
        fields.put("crowdRisk", "120");
        fields.put("depthMinM", "9");

        Visitor.Answer refused = angler.post(event + "/spots/new", fields);

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.texts(".field .error"))
                .hasSize(3)
                .anyMatch(e -> e.equals(Wording.text("spotcheck.name-missing")))
                .anyMatch(e -> e.contains("crowd risk"))
                .anyMatch(e -> e.contains("Swap them"));
        fields.put("position", "91, 0");
        assertThat(angler.post(event + "/spots/new", fields).text()).contains("latitude goes from -90 to 90");
    }

    /** Three marks of a plotter, two of them on one place; signs and names stay, type and zone are set for all at once. */
    @Test
    void manySpotsAreChangedTogether(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Many");
        String gpx = "<gpx><wpt lat=\"42.62\" lon=\"-116.90\"><name>001</name><sym>Skull</sym></wpt>"
                + "<wpt lat=\"42.6201\" lon=\"-116.90\"><name>002</name></wpt>"
                + "<wpt lat=\"42.64\" lon=\"-116.92\"><name>003</name></wpt></gpx>";
        angler.upload(event + "/spots/gpx", "file", "marks.gpx", gpx.getBytes(StandardCharsets.UTF_8));
        assertThat(angler.get(event + "/spots/gpx").body()).contains("<sym>Skull</sym>");
        assertThat(angler.get(event + "/spots/kml").body())
                .contains("<name>003</name>")
                .contains("-116.920000,42.640000");

        Visitor.Answer merged = angler.post(event + "/spots/bulk", "op", "merge");
        assertThat(merged.texts("tbody a")).contains("001", "003").doesNotContain("002");
        angler.post(merged.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/spots").texts("tbody a")).contains("002");

        angler.post(event + "/spots/bulk", "op", "set", "spot", "003", "spotType", "hump", "zone", "deep");
        assertThat(angler.get(event + "/spots").texts("tbody tr"))
                .anyMatch(r -> r.contains("003") && r.contains("hump") && r.contains("deep"))
                .noneMatch(r -> r.contains("001") && r.contains("hump"));
        assertThat(angler.post(event + "/spots/bulk", "op", "delete").texts(".note.trouble"))
                .singleElement()
                .asString()
                .contains("No spot is ticked");
        Visitor.Answer gone = angler.post(event + "/spots/bulk", "op", "delete", "spot", "001");
        assertThat(gone.texts("tbody a")).doesNotContain("001");
        angler.post(gone.page().selectFirst(".note form").attr("action"));
        assertThat(angler.get(event + "/spots").texts("tbody a")).contains("001");
    }

    /** Two bearings, east from one place and north from another, cross where both lead. */
    @Test
    void aWaypointIsFixedFromTwoPlaces(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Crossed");
        Map<String, String> fix = new java.util.HashMap<>(Map.of(
                "code",
                "w1",
                "position",
                "42.62, -116.92",
                "bearing1",
                "90",
                "position2",
                "42.61, -116.91",
                "bearing2",
                "0",
                "note",
                "crossed"));

        assertThat(angler.post(event + "/spots/waypoints", fix).text()).contains("42.62000, -116.91000");
        fix.putAll(Map.of("code", "w2", "bearing2", "88"));
        assertThat(angler.post(event + "/spots/waypoints", fix).texts(".field .error"))
                .singleElement()
                .asString()
                .contains("These don't meet");
    }

    @Tag("slow")
    @Test
    void waypointsGoOutAndComeInOnce(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Waypoints");
        String gpx = angler.get(event + "/spots/gpx").body();
        assertThat(gpx)
                .contains("<name>Reed Corner</name>")
                .contains("lat=\"42.63\"")
                .contains("<type>grass edge</type>");
        assertThat(angler.get(event + "/spots/geojson").body())
                .contains("\"spotType\" : \"grass-edge\"")
                .contains("-116.91");

        String other = SampleEvents.event(angler, "Other waypoints");
        angler.get(other + "/spots");
        String more = gpx.replace(
                "</gpx>",
                "<wpt lat=\"42.7\" lon=\"-116.9\"><name>Zoë &amp; rock</name></wpt><wpt lat=\"42.8\" lon=\"-116.9\"><name>Zoë &amp; rock</name></wpt></gpx>");
        Visitor.Answer taken = angler.upload(
                other + "/spots/gpx", "file", "waypoints.gpx", more.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(taken.text())
                .contains("2 spots added, 1 known already")
                .contains("Zoë & rock")
                .contains("unsorted");

        angler.get(other + "/spots");
        assertThat(angler.upload(
                                other + "/spots/gpx",
                                "file",
                                "bad.gpx",
                                "<gpx/>".getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .text())
                .contains("has no waypoint")
                .contains("nothing was changed");
    }

    @Test
    void aPositionIsComputedFromTheBoat(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Seen");
        Map<String, String> fields = SampleEvents.spot("Seen rock");
        fields.put("position", "42 37.8 N, 116 54.6 W");
        fields.put("seen", "left side, 90 ft");

        assertThat(angler.post(event + "/spots/new", fields).text()).contains("Enter the heading in degrees");
        fields.put("heading", "90");
        angler.post(event + "/spots/new", fields);
        assertThat(angler.get(event + "/spots").text()).contains("42.63025, -116.91000");
        fields.put("seen", "somewhere");
        assertThat(angler.post(event + "/spots/new", fields).text()).contains("isn't a place seen from the boat");
    }

    @Test
    void whatTheElectronicsShowedBecomesASpotOrANoteOnOne(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Idling");
        Visitor.Answer empty = angler.get(event + "/spots/waypoints");
        assertThat(empty.text()).contains("No waypoints yet");
        assertThat(empty.texts("fieldset:has([name=fishPosition]) label"))
                .containsExactly("on top", "off the edge", "suspended", "on the bottom", "not noted");
        Map<String, String> fields = new java.util.LinkedHashMap<>(Map.of(
                "code",
                "m1",
                "position",
                "42.63, -116.91",
                "seen",
                "left, 90 ft",
                "heading",
                "90",
                "fishPosition",
                "off-edge",
                "fishDepthM",
                "25 ft",
                "waterDepthM",
                "22",
                "bottom",
                "hard",
                "bait",
                "yes",
                "note",
                "Two arches"));
        assertThat(angler.post(event + "/spots/waypoints", fields).texts(".field .error"))
                .singleElement()
                .asString()
                .contains("deeper than the water");
        fields.put("fishDepthM", "18");
        angler.post(event + "/spots/waypoints", fields);
        Visitor.Answer marked = angler.post(event + "/spots/waypoints", fields);

        assertThat(marked.texts(".log li"))
                .as("sent twice, it is there once")
                .singleElement()
                .asString()
                .contains("fish off the edge at 18 ft · 22 ft of water · hard bottom · bait · Two arches")
                .contains("42.63025, -116.91000")
                .contains("Add to Reed Corner, 30 yd off");
        Visitor.Answer spot = angler.get(event + "/spots/new?waypoint=m1");
        assertThat(spot.value("position")).startsWith("42.63024");
        assertThat(spot.value("zone")).isEqualTo("deep");
        Map<String, String> form = spot.form("form.sheet");
        form.put("name", "Arch Ledge");
        form.put("spotType", "channel ledge");
        angler.post(event + "/spots/new", form);
        assertThat(angler.get(event + "/spots/waypoints").texts(".log li"))
                .singleElement()
                .asString()
                .contains("on Arch Ledge");
        assertThat(angler.get(event + "/spots/edit?spot=arch-ledge").text())
                .contains("Waypoints here")
                .contains("Two arches");

        angler.post(event + "/spots/waypoints/put?waypoint=m1&spot=reed-corner");
        assertThat(angler.get(event + "/export").body())
                .contains("\"spot\": \"reed-corner\"")
                .contains("\"position\": \"off-edge\"");
        Visitor.Answer gone = angler.post(event + "/spots/waypoints/delete?waypoint=m1");
        assertThat(gone.texts(".log li")).isEmpty();
        assertThat(angler.post(gone.page().selectFirst(".note form").attr("action"))
                        .texts(".log li"))
                .hasSize(1);
    }

    @Test
    void aSpotTheCompetitionLogNamesStays(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Named");
        angler.post(
                event + "/competition/entries",
                "type",
                "catch",
                "code",
                "c1",
                "species",
                "largemouth",
                "weight",
                "2-0",
                "spot",
                "reed-corner");

        assertThat(angler.post(event + "/spots/delete?spot=reed-corner").text())
                .contains("stays")
                .contains("Reed Corner");
    }

    @Test
    void spotsOfOneNameHaveCodesOfTheirOwn(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.event(angler, "Two corners");
        angler.post(event + "/spots/new", SampleEvents.spot("Reed Corner"));

        assertThat(angler.get(event + "/spots").page().select("a[href$='spot=reed-corner-2']"))
                .hasSize(1);
    }
}
