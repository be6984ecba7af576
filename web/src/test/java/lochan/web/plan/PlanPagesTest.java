package lochan.web.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.Rules;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class PlanPagesTest {

    private static Map<String, String> oneStop(Visitor.Answer page, String arrive, String leave) {
        Map<String, String> form = new LinkedHashMap<>(Map.of("plan", page.page().selectFirst("input[name=plan]").attr("value"), "name", "By hand"));
        form.putAll(Map.of("stops/0/spot", "reed-corner", "stops/0/presentation", "swim-jig", "stops/0/arrive", arrive, "stops/0/leave", leave));
        return form;
    }

    @Test
    void aPlanByHandIsValuedAndCanBeUndone(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Planned");
        Visitor.Answer empty = angler.post(event + "/plan/new", "day", "1");

        Visitor.Answer valued = angler.post(event + "/plan/save", oneStop(empty, "06:30", "12:00"));

        assertThat(valued.text()).contains("Plan saved.").contains("Reed Corner").containsPattern("\\d+ lb \\d+ oz").contains("limit");
        assertThat(valued.value("stops/0/arrive")).isEqualTo("06:30");
        Visitor.Answer shorter = angler.post(event + "/plan/save", oneStop(empty, "06:30", "07:00"));
        Visitor.Answer undone = angler.post(shorter.page().selectFirst(".note form").attr("action"));
        assertThat(undone.value("stops/0/leave")).isEqualTo("12:00");
    }

    @Test
    void senselessTimesAreRefusedAndKept(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Senseless");
        Visitor.Answer empty = angler.post(event + "/plan/new", "day", "1");

        Visitor.Answer refused = angler.post(event + "/plan/save", oneStop(empty, "09:00", "08:00"));

        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("ends before it begins");
        assertThat(refused.value("stops/0/arrive")).isEqualTo("09:00");
    }

    @Test
    void aRunThatDoesNotFitIsFlagged(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Late");

        assertThat(angler.post(event + "/plan/save", oneStop(angler.post(event + "/plan/new", "day", "1"), "06:00", "15:00")).text())
                .contains("min short");
    }

    @Test
    void aSuggestionFillsAnEmptyPlanAndNeverOverwritesOne(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Suggested");
        Visitor.Answer empty = angler.post(event + "/plan/new", "day", "1");
        String id = empty.page().selectFirst("input[name=plan]").attr("value");

        assertThat(angler.post(event + "/plan/suggest", "plan", id).value("stops/0/spot")).isEqualTo("reed-corner");
        Visitor.Answer second = angler.post(event + "/plan/suggest", "plan", id, "stance", "big-fish");
        assertThat(second.text()).contains("Suggested, big fish");
        assertThat(second.text()).contains("A plan of its own was made; yours is as it was.");
        assertThat(second.page().selectFirst("input[name=plan]").attr("value")).isNotEqualTo(id);
    }

    @Test
    void withoutPracticeThereIsNothingToSuggest(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.event(angler, "Unpractised");

        assertThat(angler.post(event + "/plan/suggest", "day", "1").text()).contains("Nothing to suggest yet");
    }

    @Test
    void theDemosPlanHasBackupsThatCanBeKept(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events").page().selectFirst("a:contains(Two Arms Open)").attr("href").replace("/brief", "");
        String backups = angler.get(event + "/plan").page().selectFirst("a[href*=backups]").attr("href");
        assertThat(angler.get(backups).text()).contains("Reckon them");
        assertThat(angler.get(event + "/plan/backups").path()).as("of no plan").isEqualTo(event + "/plan");

        angler.post(backups);
        org.awaitility.Awaitility.await().atMost(java.time.Duration.ofMinutes(2)).until(() -> angler.get(backups).page().select("ol > li.sheet").size() > 1);

        Visitor.Answer ladder = angler.get(backups);
        assertThat(ladder.texts("ol > li.sheet h2")).first().asString().startsWith("1. ").contains(" on ");
        assertThat(ladder.texts("#content > p strong")).singleElement().asString().matches("The main pattern is [A-Z][a-z -]+ on [a-z ]+\\.");
        assertThat(ladder.text()).containsPattern("(No strike|Fewer than \\d strikes) by \\d\\d:\\d\\d at ");
        Visitor.Answer kept = angler.post(ladder.page().selectFirst("ol form").attr("action"));
        assertThat(kept.text()).contains("The backup is a plan of its own now.").contains("Backup: ");
        angler.post(kept.page().selectFirst(".note form").attr("action"));
        assertThat(angler.post(event + "/plan/backups/keep?rung=99&" + backups.replaceAll(".*\\?", "")).text()).contains("reckon the backups anew");
    }
}
