package lochan.web.tackle;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class TackleAdvicePagesTest {

    private static String planned(Visitor angler, String name) {
        String event = SampleEvents.practisedEvent(angler, name);
        SampleEvents.plan(angler, event);
        return event;
    }

    private static void rod(Visitor angler, String name, String power, String kg) {
        angler.post(
                "/tackle/rod",
                "name",
                name,
                "length",
                "7",
                "power",
                power,
                "action",
                "fast",
                "lineKind",
                "braid",
                "lineKg",
                kg,
                "inBoat",
                "on");
    }

    @Test
    void theDeckNamesRodLureAndStopAndWhatSuffersWithoutIt(RunningApp app) {
        Visitor angler = app.angler();
        String event = planned(angler, "Deck");
        assertThat(angler.get(event + "/tackle").text()).contains("No rod in the boat");
        rod(angler, "Grass rod", "medium-heavy", "40 lb");
        Visitor.Answer deck = angler.get(event + "/tackle");
        assertThat(deck.texts(".deck-list li"))
                .singleElement()
                .asString()
                .contains("Swim jig")
                .contains("Grass rod")
                .contains("Reed Corner")
                .contains("Without it Reed Corner suffers");
        angler.post(
                "/tackle/item",
                "name",
                "Green jig",
                "kind",
                "lure",
                "lure",
                "swim-jig",
                "grams",
                "1/4",
                "colour",
                "natural",
                "count",
                "1",
                "inBoat",
                "on");
        rod(angler, "Second grass rod", "medium-heavy", "40 lb");
        assertThat(angler.get(event + "/tackle").text())
                .contains("Green jig, 1/4 oz")
                .contains("1 rod in the boat stays free. A free one can replace any of them")
                .doesNotContain("Without it");
    }

    @Test
    void whatTheRulesBanIsRedInTackleInThePlanAndBeforeTheStart(RunningApp app) {
        Visitor angler = app.angler();
        String event = planned(angler, "Banned");
        rod(angler, "Grass rod", "medium-heavy", "40 lb");
        angler.post(
                "/tackle/item",
                "name",
                "Five arms",
                "kind",
                "lure",
                "lure",
                "umbrella-rig",
                "count",
                "1",
                "inBoat",
                "on");
        assertThat(angler.get(event + "/tackle").text())
                .contains("say nothing about gear")
                .doesNotContain("Your rules say no.");
        Map<String, String> form = SampleEvents.form("Banned");
        form.put("gear/banned", "Swim jigs, umbrella rig");
        form.put("gear/maxHooksPerRig", "2");
        form.put("gear/liveBaitAllowed", "no");
        angler.post(event + "/rules", form);
        Visitor.Answer deck = angler.get(event + "/tackle");
        assertThat(deck.texts(".note.trouble"))
                .anyMatch(t -> t.contains("Your rules say no.") && t.contains("your rules ban “swim jigs”"))
                .anyMatch(t -> t.contains("In the boat: Five arms")
                        && t.contains("umbrella rig")
                        && t.contains("Leave it ashore"))
                .anyMatch(t -> t.contains("it has 3 hooks, and your rules allow 2 per rig"));
        assertThat(deck.text())
                .contains("at most 2 hooks on one rig")
                .contains("no live bait")
                .doesNotContain("Nothing on deck breaks");
        assertThat(angler.get(event + "/plan").texts(".note.trouble"))
                .anyMatch(t -> t.contains("your rules ban “swim jigs”"));
        assertThat(angler.get(SampleEvents.boat(event) + "/pack").body())
                .containsPattern("\"notAllowed\":\\{[^}]*\"swim-jig\":\"[^\"]*your rules ban");
        assertThat(angler.get(event + "/rules").value("gear/banned")).isEqualTo("swim-jigs, umbrella-rig");
    }

    @Test
    void thePackingListKeepsItsTicks(RunningApp app) {
        Visitor angler = app.angler();
        String event = planned(angler, "Packing");
        assertThat(angler.post(event + "/tackle/pack", "code", "lanyard", "packed", "true")
                        .text())
                .contains("1 of 17");
        assertThat(angler.get(event + "/tackle")
                        .page()
                        .select("button[aria-pressed=true]")
                        .text())
                .contains("Engine cut-off lanyard");
        assertThat(angler.post(event + "/tackle/pack", "code", "lanyard", "packed", "false")
                        .text())
                .contains("0 of 17");
        angler.post(event + "/tackle/pack", "code", "pliers", "packed", "true");
        assertThat(angler.post(event + "/tackle/unpack").text()).contains("0 of 17");
    }

    @Tag("slow")
    @Test
    void theDeckIsPrintedWithThePlan(RunningApp app) throws IOException {
        Visitor angler = app.angler();
        String event = planned(angler, "Printed deck");
        rod(angler, "Grass rod", "medium-heavy", "40 lb");
        String sheet =
                angler.get(event + "/tackle").page().select("a[href*=sheet]").attr("href");
        try (PDDocument pdf = Loader.loadPDF(angler.bytes(sheet))) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
            assertThat(new PDFTextStripper().getText(pdf).replaceAll("\\s+", " "))
                    .contains("Rods on deck")
                    .contains("Grass rod")
                    .contains("Life jacket")
                    .contains("Livewell pumps");
        }
    }

    @Test
    @Tag("slow")
    void adviceKeepsRulesAndOwnResultsApartAndTakesWhatTheAnglerKnowsBetter(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Advice");
        Visitor.Answer known = angler.get(event + "/tackle/advice?spot=reed-corner&at=06:00");
        assertThat(known.text()).contains("low light").contains("sparse grass").contains("rip it free");
        assertThat(known.texts(".picks li"))
                .isNotEmpty()
                .hasSizeLessThanOrEqualTo(3)
                .first()
                .asString()
                .contains("oz, ");
        assertThat(known.texts(".advice > li"))
                .anyMatch(r -> r.startsWith("Swim jig") && r.contains(" h here"))
                .anyMatch(r -> r.startsWith("Drop shot") && r.contains("never fished on a grass edge"));
        Visitor.Answer changed = angler.get(
                event
                        + "/tackle/advice?spot=reed-corner&at=06:00&changed=true&fishDepth=20&waterDepth=25&takenOn=suspended&mood=inactive&visibility=8&all=true");
        assertThat(changed.texts(".picks li")).hasSize(3).noneMatch(p -> p.contains("worked under them"));
        assertThat(changed.texts(".advice > li")).hasSize(44);
        assertThat(changed.texts(".advice .reasons li"))
                .anyMatch(r -> r.contains("fish are suspended at 20 ft: it works from 18 ft to 20 ft"))
                .anyMatch(r -> r.contains("inactive fish: work it slowly"));
        assertThat(angler.get(event + "/tackle/advice?spot=reed-corner&changed=true&fishDepth=deep")
                        .texts(".error"))
                .anyMatch(e -> e.contains("deep"));
        assertThat(angler.get(event + "/tackle/advice?spot=nowhere").status()).isEqualTo(404);
    }

    @Test
    void aPresentationOfTheCatalogueIsTakenIntoTheEventOnce(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Taken");
        assertThat(angler.post(event + "/tackle/take", "lure", "flutter-spoon", "spot", "reed-corner")
                        .text())
                .contains("Flutter spoon added to this event");
        angler.post(event + "/tackle/take", "lure", "flutter-spoon");
        assertThat(angler.get(event + "/export").body().split("\"flutter-spoon\""))
                .hasSize(2);
        assertThat(angler.post(event + "/tackle/take", "lure", "magic").status())
                .isEqualTo(404);
    }

    @Tag("slow")
    @Test
    void oneCastIsDrawnWithTwoOthersAndTellsWhatIsWrong(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Cast");
        Visitor.Answer cast = angler.get(
                event
                        + "/tackle/path?spot=reed-corner&lure=medium-crankbait&of=medium-crankbait&near=20&far=20&cast=100&retrieve=steady&speed=usual&cover=0");
        assertThat(cast.page().select("svg.cast .way")).hasSize(3);
        List<String> rows = cast.texts("table tbody tr");
        assertThat(rows.getFirst())
                .contains("Medium crankbait")
                .contains("hits nothing: choose one rated a little deeper");
        Visitor.Answer shallow = angler.get(
                event
                        + "/tackle/path?spot=reed-corner&lure=medium-crankbait&of=medium-crankbait&near=7&far=7&cast=100&retrieve=steady&speed=usual&cover=0");
        assertThat(shallow.texts("table tbody tr").getFirst()).contains("hits bottom");
        Visitor.Answer wrong = angler.get(
                event + "/tackle/path?spot=reed-corner&lure=tube&of=tube&grams=heavy&count=-4&near=10&far=10");
        assertThat(wrong.texts(".error"))
                .anyMatch(e -> e.contains("isn't a lure weight"))
                .anyMatch(e -> e.contains("expected 0 to 300"));
        assertThat(wrong.value("grams")).isEqualTo("heavy");
    }

    @Test
    void whatWasSeenMovesTheSheetAndCanBeForgotten(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Seen");
        String path = event + "/tackle/path?spot=reed-corner&lure=medium-crankbait&day=1";
        Visitor.Answer kept = angler.post(
                "/tackle/saw",
                Map.of(
                        "lure",
                        "medium-crankbait",
                        "code",
                        "o-1",
                        "saw",
                        "dive",
                        "seenDepth",
                        "13",
                        "cast",
                        "100",
                        "grams",
                        "1/2",
                        "back",
                        path));
        assertThat(kept.text())
                .contains("Saved: casts of the medium crankbait go by it")
                .contains("came to 13 ft on a cast of 33 yd")
                .contains("By your observations");
        assertThat(angler.post(
                                "/tackle/saw",
                                Map.of(
                                        "lure",
                                        "medium-crankbait",
                                        "code",
                                        "o-2",
                                        "saw",
                                        "dive",
                                        "seenDepth",
                                        "",
                                        "back",
                                        path))
                        .text())
                .contains("Not saved: Enter the depth");
        assertThat(angler.post(
                                "/tackle/saw",
                                Map.of(
                                        "lure",
                                        "tube",
                                        "code",
                                        "o-3",
                                        "saw",
                                        "fall",
                                        "seenDepth",
                                        "10",
                                        "back",
                                        "https://elsewhere.example/"))
                        .path())
                .isEqualTo("/tackle");
        angler.post("/tackle/delete?kind=OBSERVATION&code=o-1");
        assertThat(angler.get(path).text()).doesNotContain("came to 13 ft");
    }
}
