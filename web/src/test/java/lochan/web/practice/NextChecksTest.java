package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
@Tag("slow")
class NextChecksTest {

    private static final Duration LONG = Duration.ofSeconds(90);

    private static Visitor.Answer computed(Visitor angler, String event) {
        return Awaitility.await().atMost(LONG).until(() -> angler.get(event + "/practice/next"), a -> a.page()
                .select("[data-again]")
                .isEmpty());
    }

    @Test
    void looksAreListedWithTheirReasonsAndHoldUntilPracticeChanges(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Next");
        angler.post(event + "/spots/new", SampleEvents.spot("Look-alike"));

        Visitor.Answer found = computed(angler, event);

        assertThat(found.texts("tbody tr")).hasSize(2).anySatisfy(r -> assertThat(r)
                .contains("Swim jig at Look-alike")
                .contains("never fished"));
        angler.post(event + "/practice/stops/new", SampleEvents.stop("look-alike"));
        assertThat(computed(angler, event).texts("tbody tr"))
                .as("it is computed again")
                .noneMatch(r -> r.contains("Swim jig at Look-alike") && r.contains("never fished"));
    }

    @Test
    void withoutPracticeThereIsNothingToCompute(RunningApp app) {
        Visitor angler = app.angler();

        assertThat(angler.get(SampleEvents.event(angler, "No practice") + "/practice/next")
                        .text())
                .contains("No practice yet");
    }

    @Test
    void itCanBeStopped(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");
        assertThat(angler.get(event + "/practice/next")
                        .page()
                        .select("form[action$=stop] button")
                        .text())
                .as("it starts by itself")
                .isEqualTo("Stop");
        angler.post(event + "/practice/next/stop");

        assertThat(computed(angler, event).text())
                .as("and does not start again")
                .contains("Stopped before all spots were computed.");
        angler.post(event + "/practice/next");
        assertThat(computed(angler, event).texts("tbody tr"))
                .as("until it may go on")
                .hasSizeGreaterThan(3);
    }
}
