package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import lochan.web.TestServers;
import lochan.web.testing.Rules;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class NextChecksTest {

    private static final Duration LONG = Duration.ofSeconds(90);

    private static Visitor.Answer reckoned(Visitor angler, String event) {
        angler.post(event + "/practice/next");
        return Awaitility.await().atMost(LONG).until(() -> angler.get(event + "/practice/next"), a -> a.page().select("[data-again]").isEmpty());
    }

    @Test
    void looksAreListedWithTheirReasonsAndHoldUntilPracticeChanges(RunningApp app) {
        Visitor angler = app.angler();
        String event = Rules.practisedEvent(angler, "Next");
        angler.post(event + "/spots/new", Rules.spot("Look-alike"));
        assertThat(angler.get(event + "/practice/next").text()).contains("Reckon it");

        Visitor.Answer found = reckoned(angler, event);

        assertThat(found.texts("tbody tr")).hasSize(2).anySatisfy(r -> assertThat(r).contains("Swim jig at Look-alike").contains("never fished"));
        angler.post(event + "/practice/stops/new", Rules.stop("look-alike"));
        assertThat(angler.get(event + "/practice/next").text()).as("the old answer does not hold").contains("Reckon it");
    }

    @Test
    void withoutPracticeThereIsNothingToReckon(RunningApp app) {
        Visitor angler = app.angler();

        assertThat(angler.get(Rules.event(angler, "No practice") + "/practice/next").text()).contains("No practice yet");
    }

    @Test
    void itCanBeStopped(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events").page().selectFirst("a:contains(Two Arms Open)").attr("href").replace("/brief", "");
        angler.post(event + "/practice/next");
        angler.post(event + "/practice/next/stop");

        assertThat(Awaitility.await().atMost(LONG).until(() -> angler.get(event + "/practice/next"), a -> a.page().select("[data-again]").isEmpty()).status())
                .isEqualTo(200);
    }
}
