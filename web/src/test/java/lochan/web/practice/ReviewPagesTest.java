package lochan.web.practice;

import static org.assertj.core.api.Assertions.assertThat;

import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServers.class)
class ReviewPagesTest {

    @Tag("slow")
    @Test
    void tellsWhatTheDayChanged(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Reviewed");

        Visitor.Answer review = angler.get(event + "/practice/review");

        assertThat(review.text())
                .contains("Thursday, 3 June")
                .contains("Swim jig on grass edge")
                .contains("▲ gained")
                .contains("3 bites in 1.0 h,");
        assertThat(review.texts(".day-band .largest")).containsExactly("3 lb 4 oz");
        assertThat(review.texts(".day-band")).singleElement().asString().contains("66 °F");
        assertThat(review.page().select(".day-band .bite")).hasSize(3);
        assertThat(review.page().select(".day-band .bite.landed")).hasSize(2);
    }

    @Test
    void aDayNeverFishedShowsTheLastOneAndAnEmptyEventWhatToDo(RunningApp app) {
        Visitor angler = app.angler();
        String event = SampleEvents.practisedEvent(angler, "Other day");
        assertThat(angler.get(event + "/practice/review?date=2027-01-01").text())
                .contains("Thursday, 3 June");

        assertThat(angler.get(SampleEvents.event(angler, "Nothing") + "/practice/review")
                        .text())
                .contains("Nothing fished yet");
    }

    @Tag("slow")
    @Test
    void theDemoHasPlacesWithoutSizesAndGuessesToCompare(@RunningApp.Demo RunningApp demo) {
        Visitor angler = demo.demoAngler();
        String event = angler.get("/events")
                .page()
                .selectFirst("a:contains(Two Arms Open)")
                .attr("href")
                .replace("/rules", "");

        Visitor.Answer thursday = angler.get(event + "/practice/review?date=2027-06-03");
        assertThat(thursday.texts("#cells ~ table td:first-child"))
                .anySatisfy(why -> assertThat(why).contains("Not fished; its pattern at"));
        assertThat(thursday.text()).contains("Kestle Docks: weigh one fish");
        assertThat(angler.get(event + "/practice/review?date=2027-06-04").texts("#guesses ~ table tbody tr"))
                .isNotEmpty();
    }
}
