package lochan.web.tackle;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class TacklePagesTest {

    private static Map<String, String> rod(String name) {
        Map<String, String> fields = new LinkedHashMap<>(Map.of(
                "name",
                name,
                "length",
                "7-2",
                "power",
                "medium-heavy",
                "action",
                "fast",
                "lineKind",
                "braid",
                "lineKg",
                "40 lb"));
        fields.put("inBoat", "on");
        return fields;
    }

    @Test
    void aRodIsAddedChangedTakenAshoreDeletedAndBroughtBack(RunningApp app) {
        Visitor angler = app.angler();
        assertThat(angler.get("/tackle").text())
                .contains("No rods yet")
                .contains("The box is empty")
                .contains("44 lures");
        assertThat(angler.post("/tackle/rod", rod("Grass rod")).text())
                .contains("“Grass rod” saved")
                .contains("7 ft 2 in")
                .contains("40 lb braid")
                .contains("in the boat");
        Visitor.Answer edit = angler.get("/tackle/rod?rod=grass-rod");
        assertThat(edit.value("length")).as("as typed").isEqualTo("7-2");
        Map<String, String> form = edit.form("form.sheet");
        form.put("leaderKind", "fluorocarbon");
        form.put("leaderKg", "8");
        assertThat(angler.post("/tackle/rod", form).text()).contains("40 lb braid to 8 lb fluorocarbon");
        assertThat(angler.post("/tackle/boat", "kind", "ROD", "code", "grass-rod", "inBoat", "false")
                        .text())
                .contains("ashore");
        Visitor.Answer deleted = angler.post("/tackle/delete?kind=ROD&code=grass-rod");
        assertThat(deleted.text()).contains("“Grass rod” deleted").contains("No rods yet");
        assertThat(angler.post("/tackle/restore?kind=ROD&code=grass-rod").text())
                .contains("Grass rod")
                .contains("8 lb fluorocarbon");
    }

    @Test
    void whatIsWrongStandsBesideItsFieldAndNothingTypedIsLost(RunningApp app) {
        Visitor angler = app.angler();
        Map<String, String> fields = rod("");
        fields.put("length", "long");
        fields.put("lineKg", "900 lb");
        fields.put("leaderKind", "braid");
        Visitor.Answer refused = angler.post("/tackle/rod", fields);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.texts(".field .error"))
                .anyMatch(e -> e.contains("name for the rod"))
                .anyMatch(e -> e.contains("“long” isn't a rod length"))
                .anyMatch(e -> e.contains("You entered 900 lb"))
                .anyMatch(e -> e.contains("leader's test"));
        assertThat(refused.value("length")).isEqualTo("long");
        assertThat(angler.post("/tackle/item", "name", "Jig", "kind", "lure", "count", "1")
                        .texts(".field .error"))
                .singleElement()
                .asString()
                .contains("Choose the lure from the catalog");
        assertThat(angler.post("/tackle/item", "name", "Jig", "kind", "lure", "lure", "magic", "count", "-1")
                        .texts(".field .error"))
                .hasSize(2);
    }

    @Test
    void theBoxHoldsLuresHooksAndLeaders(RunningApp app) {
        Visitor angler = app.angler();
        assertThat(angler.post(
                                "/tackle/item",
                                "name",
                                "Swim jig, white",
                                "kind",
                                "lure",
                                "lure",
                                "swim-jig",
                                "grams",
                                "3/8",
                                "colour",
                                "bold",
                                "count",
                                "3",
                                "inBoat",
                                "on")
                        .text())
                .contains("Swim jig, white")
                .contains("3/8 oz")
                .contains("bold");
        assertThat(angler.get("/tackle/item?item=swim-jig-white").value("grams"))
                .isEqualTo("3/8");
        assertThat(angler.post(
                                "/tackle/item",
                                "name",
                                "Leader",
                                "kind",
                                "leader",
                                "lineKind",
                                "fluorocarbon",
                                "lineKg",
                                "12",
                                "count",
                                "1")
                        .text())
                .contains("leader, 12 lb fluorocarbon");
    }

    @Test
    void aSheetIsChangedAndGoesBackToHowItShips(RunningApp app) {
        Visitor angler = app.angler();
        Map<String, String> form = angler.get("/tackle/lure?lure=umbrella-rig").form("form.sheet");
        assertThat(form)
                .containsEntry("hookCount", "3")
                .containsEntry("teasers", "2")
                .containsEntry("weights", "1, 1 1/2, 2");
        form.put("hookCount", "5");
        form.put("teasers", "0");
        assertThat(angler.post("/tackle/lure", form).text())
                .contains("“Umbrella rig” saved")
                .contains("5 hooks")
                .contains("yours");
        assertThat(angler.get("/tackle/lure?lure=umbrella-rig").value("hookCount"))
                .isEqualTo("5");
        assertThat(angler.post("/tackle/delete?kind=LURE&code=umbrella-rig").text())
                .contains("as in the catalogue again")
                .contains("3 hooks, 2 teasers");
        assertThat(angler.post("/tackle/restore?kind=LURE&code=umbrella-rig").text())
                .contains("5 hooks");
    }

    @Test
    void anotherPresentationNeedsWhatPathsAndAdviceGoBy(RunningApp app) {
        Visitor angler = app.angler();
        Visitor.Answer refused = angler.post(
                "/tackle/lure", "name", "Crawling bug", "motion", "dives", "depthFrom", "3", "depthTo", "1");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.texts(".error"))
                .anyMatch(e -> e.contains("family"))
                .anyMatch(e -> e.contains("Swap them"))
                .anyMatch(e -> e.contains("how deep it dives"))
                .anyMatch(e -> e.contains("one mood"))
                .anyMatch(e -> e.contains("usual weights"));
        Map<String, String> form = angler.get("/tackle/lure?lure=tube").form("form.sheet");
        form.remove("lure");
        form.put("name", "Crawling bug");
        assertThat(angler.post("/tackle/lure", form).text())
                .contains("Crawling bug")
                .contains("45 lures");
    }

    @Test
    void rulesHaveTheAnglersWeights(RunningApp app) {
        Visitor angler = app.angler();
        Map<String, String> form = angler.get("/tackle/rules").form("form.sheet");
        assertThat(form).containsEntry("depth", "1.5");
        form.put("pressure", "0");
        assertThat(angler.post("/tackle/rules", form).text()).contains("1 rule has your own weight");
        assertThat(angler.get("/tackle/rules").value("pressure")).isEqualTo("0.0");
        form.put("pressure", "9");
        Visitor.Answer refused = angler.post("/tackle/rules", form);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("expected 0 to 5");
    }

    @Test
    void tackleGoesOutAndIntoAnotherAccount(RunningApp app) {
        Visitor angler = app.angler();
        angler.post("/tackle/rod", rod("Grass rod"));
        angler.post(
                "/tackle/item",
                "name",
                "Walker",
                "kind",
                "lure",
                "lure",
                "walking-topwater",
                "count",
                "2",
                "inBoat",
                "on");
        byte[] file = angler.get("/tackle/export").body().getBytes(StandardCharsets.UTF_8);
        Visitor other = app.angler();
        other.get("/tackle");
        assertThat(other.upload("/tackle/import", "file", "tackle.json", file).text())
                .contains("1 rods, 1 things of the box")
                .contains("Grass rod")
                .contains("Walker");
        assertThat(other.upload(
                                "/tackle/import",
                                "file",
                                "bad.json",
                                "{\"lochanTackle\":2}".getBytes(StandardCharsets.UTF_8))
                        .text())
                .contains("nothing was changed")
                .contains("/lochanTackle");
    }

    @Test
    void anotherAccountsTackleIsNotThere(RunningApp app) {
        Visitor owner = app.angler();
        owner.post("/tackle/rod", rod("Secret rod"));
        owner.post("/tackle/item", "name", "Secret bait", "kind", "lure", "lure", "tube", "count", "2");
        String before = owner.get("/tackle/export").body();
        Visitor other = app.angler();
        assertThat(other.get("/tackle").text()).doesNotContain("Secret");
        assertThat(other.get("/tackle/rod?rod=secret-rod").status()).isEqualTo(404);
        assertThat(other.get("/tackle/item?item=secret-bait").status()).isEqualTo(404);
        for (String kind : new String[] {"ROD", "ITEM"}) {
            String code = kind.equals("ROD") ? "secret-rod" : "secret-bait";
            assertThat(other.post("/tackle/delete?kind=" + kind + "&code=" + code)
                            .status())
                    .isEqualTo(404);
            assertThat(other.post("/tackle/restore?kind=" + kind + "&code=" + code)
                            .status())
                    .isEqualTo(404);
            assertThat(other.post("/tackle/boat", "kind", kind, "code", code, "inBoat", "true")
                            .status())
                    .isEqualTo(404);
        }
        other.post("/tackle/rod", rod("Secret rod"));
        assertThat(owner.get("/tackle/export").body()).isEqualTo(before);
        assertThat(app.visitor().get("/tackle").path()).isEqualTo("/sign-in");
    }
}
