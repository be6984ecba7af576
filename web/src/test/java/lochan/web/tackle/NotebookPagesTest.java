package lochan.web.tackle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class NotebookPagesTest {

    private static Map<String, String> fish() {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("spot", "reed-corner");
        fields.put("where", "Pale patch by the reeds");
        fields.put("kind", "bed");
        fields.put("species", "largemouth");
        fields.put("guessGrams", "5-8");
        fields.put("from", "08:00");
        fields.put("to", "14:00");
        fields.put("maxWindMps", "10 mph");
        fields.put("nextVisit", "2027-06-05T09:00");
        return fields;
    }

    private static String code(Visitor.Answer page) {
        return page.page().select("input[name=fish]").attr("value");
    }

    @Test
    void aFishIsNotedTriedTakenBackAndForgotten(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Fish");
        assertThat(angler.get(event + "/tackle/fish").text()).contains("No known fish yet");
        Visitor.Answer list = angler.post(event + "/tackle/fish/edit", fish());
        assertThat(list.text())
                .contains("Reed Corner, pale patch by the reeds")
                .contains("about 5 lb 8 oz")
                .contains("35 % a visit")
                .contains("between 08:00 and 14:00, wind up to 10 mph")
                .contains("Sat 5 June 09:00");
        String code = code(list);
        assertThat(angler.get(event + "/tackle/fish/edit?fish=" + code).value("guessGrams"))
                .isEqualTo("5-8");
        Visitor.Answer bit = angler.post(
                event + "/tackle/fish/try",
                "fish",
                code,
                "code",
                "t-1",
                "reaction",
                "BIT",
                "presentation",
                "swim-jig",
                "comeBackMinutes",
                "60");
        assertThat(bit.text())
                .contains("Logged: bit. Check the hook.")
                .contains("57 % a visit")
                .contains("bit, swim jig");
        angler.post(
                event + "/tackle/fish/try",
                "fish",
                code,
                "code",
                "t-1",
                "reaction",
                "BIT",
                "presentation",
                "swim-jig",
                "comeBackMinutes",
                "60");
        assertThat(angler.get(event + "/tackle/fish").texts("section.fish ul li"))
                .as("sent twice, there once")
                .hasSize(1);
        assertThat(angler.post(event + "/tackle/fish/try/undo?fish=" + code + "&code=t-1")
                        .text())
                .contains("Not tried yet")
                .contains("35 % a visit");
        assertThat(angler.post(event + "/tackle/fish/gone", "fish", code, "gone", "true")
                        .text())
                .contains("Back again");
        angler.post(event + "/tackle/fish/gone", "fish", code, "gone", "false");
        assertThat(angler.post(event + "/tackle/fish/delete", "fish", code).text())
                .contains("No known fish yet");
        assertThat(angler.post(event + "/tackle/fish/restore?fish=" + code).text())
                .contains("about 5 lb 8 oz");
    }

    @Test
    void badInputIsRefusedWithEveryReasonAndKept(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Bad fish");
        Map<String, String> fields = fish();
        fields.put("spot", "");
        fields.put("guessGrams", "huge");
        fields.put("to", "07:00");
        fields.put("nextVisit", "soon");
        Visitor.Answer refused = angler.post(event + "/tackle/fish/edit", fields);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.texts(".field .error")).hasSize(4);
        assertThat(refused.value("guessGrams")).isEqualTo("huge");
    }

    @Tag("slow")
    @Test
    void aFishIsInThePlanThatVisitsItAndOnTheListOfTheDay(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Planned fish");
        angler.post(event + "/tackle/fish/edit", fish());
        String plan = SampleEvents.plan(angler, event);
        SampleEvents.setStop(angler, event, plan, "06:15", "07:15");
        Visitor.Answer early = angler.get(event + "/plan?plan=" + plan);
        assertThat(early.text()).contains("not in this plan at its time");
        SampleEvents.setStop(angler, event, plan, "09:00", "10:00");
        Visitor.Answer late = angler.get(event + "/plan?plan=" + plan);
        assertThat(late.text()).contains("visited at 09:00");
        assertThat(grams(late)).as("it counts with its chance").isGreaterThan(grams(early) + 8);
        assertThat(angler.get(SampleEvents.boat(event) + "/pack").body())
                .as("the phone takes it along")
                .containsPattern("\"nextVisit\":\"[0-9-]+T09:00");
    }

    /** Ounces of the forecast. */
    private static int grams(Visitor.Answer plan) {
        String[] parts = plan.page().select("[data-forecast]").text().split(" ");
        return 16 * Integer.parseInt(parts[0]) + Integer.parseInt(parts[2]);
    }

    @Test
    void aTrialTellsWhoIsAheadAndWhatItTakesToKnow(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Trial");
        assertThat(angler.post(
                                event + "/tackle/trials/new",
                                "of",
                                "retrieve",
                                "firstWay",
                                "still",
                                "secondWay",
                                "Still")
                        .text())
                .contains("give them different names");
        assertThat(angler.post(
                                event + "/tackle/trials/new",
                                "of",
                                "retrieve",
                                "firstWay",
                                "held still",
                                "secondWay",
                                "shaken")
                        .text())
                .contains("held still or shaken?")
                .contains("Nothing fished yet");
        String trial = "held-still-or-shaken";
        angler.post(
                event + "/tackle/trials/round",
                "trial",
                trial,
                "code",
                "r1",
                "ofFirst",
                "true",
                "minutes",
                "60",
                "bites",
                "9",
                "landed",
                "8");
        Visitor.Answer known = angler.post(
                event + "/tackle/trials/round",
                "trial",
                trial,
                "code",
                "r2",
                "ofFirst",
                "false",
                "minutes",
                "60",
                "bites",
                "1",
                "landed",
                "0");
        assertThat(known.text())
                .contains("Held still brings more bites with a chance of")
                .contains("That is enough")
                .contains("8 of 9");
        assertThat(angler.post(event + "/tackle/trials/round/undo?trial=" + trial + "&code=r2")
                        .text())
                .contains("Only one was fished so far");
        assertThat(angler.post(
                                event + "/tackle/trials/round",
                                "trial",
                                trial,
                                "code",
                                "r3",
                                "ofFirst",
                                "true",
                                "minutes",
                                "0",
                                "bites",
                                "1",
                                "landed",
                                "3")
                        .text())
                .contains("expected more than 0")
                .contains("no more landed than bites");
        assertThat(angler.post(event + "/tackle/trials/delete?trial=" + trial).text())
                .doesNotContain("held still or shaken?");
        assertThat(angler.post(event + "/tackle/trials/restore?trial=" + trial).text())
                .contains("held still or shaken?");
        assertThat(angler.get(event + "/tackle/trials?first=swim-jig&second=drop-shot")
                        .text())
                .contains("Only one was fished so far");
    }

    @Test
    void aChangeOfHooksIsNotedAndChangesTheLandingChance(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Hooks");
        assertThat(landing(angler, event)).isEqualTo("76 %");
        assertThat(angler.post(event + "/tackle/trials/change", "presentation", "swim-jig", "what", "")
                        .text())
                .contains("What was changed is missing");
        Visitor.Answer changed = angler.post(
                event + "/tackle/trials/change",
                "presentation",
                "swim-jig",
                "what",
                "trebles in its place",
                "hooks",
                "treble");
        assertThat(changed.text()).contains("bites before now count half").contains("trebles in its place");
        assertThat(landing(angler, event)).isEqualTo("68 %");
        assertThat(angler.post(event + "/tackle/trials/change/delete?change=swim-jig")
                        .text())
                .contains("Change deleted");
        assertThat(landing(angler, event)).isEqualTo("76 %");
        assertThat(angler.post(event + "/tackle/trials/change/restore?change=swim-jig")
                        .text())
                .contains("trebles in its place");
    }

    private static String landing(Visitor angler, String event) {
        return angler.get(event + "/tackle/trials")
                .page()
                .select("tr:has(td:contains(Swim jig)) td.num")
                .first()
                .text();
    }

    @Tag("slow")
    @Test
    void otherSeasonsAreCarriedSeenAndSwitchedOff(RunningApp app) {
        Visitor angler = app.angler();
        SampleEvents.practisedEvent(angler, "Last year");
        String event = SampleEvents.practisedEvent(angler, "This year");
        Visitor.Answer seasons = angler.get(event + "/tackle/seasons");
        assertThat(seasons.text()).contains("By lure").contains("Best days").contains("the lake of Last year");
        Visitor.Answer carried = angler.post(event + "/tackle/seasons/carry", "on", "true");
        assertThat(carried.text())
                .contains("1 lures of other seasons are used")
                .contains("Swim jig × 1.00 (3 bites in 1.0 h)");
        Visitor.Answer leaning = angler.post(event + "/tackle/seasons/lean", "advice", "true", "history", "true");
        assertThat(leaning.text()).contains("Rankings and plans use it now").contains("Effect on the first morning");
        assertThat(leaning.texts("tr:has(td:contains(on grass edge))"))
                .as("pairs never tried follow the advice")
                .isNotEmpty();
        assertThat(angler.get(event + "/rankings").text())
                .as("and may be ranked")
                .contains("Swim jig")
                .contains("Rates here also use lure advice, for lures you never fished, and your other seasons");
        assertThat(angler.post(event + "/tackle/seasons/carry", "on", "false").text())
                .contains("Other seasons are not used any more");
        assertThat(angler.post(event + "/tackle/seasons/lean").text())
                .contains("use this event's practice only")
                .doesNotContain("Effect on the first morning");
        assertThat(angler.get(event + "/tackle/seasons?stage=winter").text()).contains("No practice found");
    }

    @Tag("slow")
    @Test
    void everythingOfTheNotebookGoesOutAndIn(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Round trip");
        angler.post(event + "/tackle/fish/edit", fish());
        String code = code(angler.get(event + "/tackle/fish"));
        angler.post(
                event + "/tackle/fish/try",
                "fish",
                code,
                "code",
                "t-1",
                "reaction",
                "LOOKED",
                "presentation",
                "",
                "comeBackMinutes",
                "0");
        angler.post(event + "/tackle/trials/new", "of", "colour", "firstWay", "white", "secondWay", "green");
        angler.post(
                event + "/tackle/trials/round",
                "trial",
                "white-or-green",
                "code",
                "r1",
                "ofFirst",
                "true",
                "minutes",
                "20",
                "bites",
                "2",
                "landed",
                "1");
        angler.post(event + "/tackle/trials/change", "presentation", "swim-jig", "what", "trailer hook", "hooks", "");
        angler.post(event + "/tackle/seasons/lean", "advice", "true");
        Map<String, String> form = SampleEvents.form("Round trip");
        form.put("gear/maxRods", "6");
        form.put("gear/liveBaitAllowed", "no");
        angler.post(event + "/rules", form);
        String file = angler.get(event + "/export").body();
        assertThat(file)
                .contains("\"notebook\"")
                .contains("\"maxRods\": 6")
                .contains("\"liveBaitAllowed\": false")
                .contains("\"advice\": true");
        angler.get("/events");
        String again = "/events/"
                + angler.upload(
                                "/events/import",
                                "file",
                                "e.json",
                                file.getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .numberAfter("events");
        assertThat(angler.get(again + "/export").body()).isEqualTo(file);
        for (List<String> wrong : List.of(
                List.of("\"landed\": 1", "\"landed\": 9", "/notebook/trials/0/rounds/0/landed"),
                List.of("\"to\": \"14:00\"", "\"to\": \"07:00\"", "/notebook/fish/0/to"),
                List.of("\"reaction\": \"looked\"", "\"reaction\": \"sang\"", "/notebook/fish/0/tries/0/reaction"))) {
            assertThat(file).contains(wrong.get(0));
            angler.get("/events");
            Visitor.Answer refused = angler.upload(
                    "/events/import",
                    "file",
                    "e.json",
                    file.replace(wrong.get(0), wrong.get(1)).getBytes(java.nio.charset.StandardCharsets.UTF_8));
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.text()).contains(wrong.get(2));
        }
    }
}
