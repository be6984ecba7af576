package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Map;
import lochan.core.eventdata.EventData;
import lochan.instruments.standin.DrivenDay;
import lochan.instruments.standin.LineServer;
import lochan.instruments.standin.WeighedFish;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** A stormy day of the demo with the boat's instruments and a scale. */
@Tag("slow")
class InstrumentsWalkTest extends Walk {

    private static final String HOURS = """
            time,wind (mph),gust (mph),direction,sky,thunder (%),pressure (hPa)
            2027-06-05 20:00,12,22,NW,rain,40,1008
            2027-06-05 21:00,9,15,NW,cloudy,5,1010
            """;

    @Test
    void theBoatIsOnTheMapAWeightComesIntoTheFormAndAPlanWaitsForTheStorm() throws Exception {
        EventData event = SampleEvents.demo();
        DrivenDay day = new DrivenDay(event, 1);
        try (LineServer boat = new LineServer(0);
                LineServer scale = new LineServer(0);
                RunningApp app = TestServers.start(
                        true,
                        Map.of(
                                "LOCHAN_NMEA",
                                "tcp:127.0.0.1:" + boat.port(),
                                "LOCHAN_SCALE",
                                "tcp:127.0.0.1:" + scale.port()),
                        OutputStream.nullOutputStream())) {
            enterDemo(app, LAPTOP, "Map");
            String root = page.url().replaceAll("/map$", "");
            Locator line = page.locator("[data-boat-live]");
            assertThat(line).containsText("says nothing");
            Instant there = day.start().plusSeconds(1800);
            page.waitForCondition(() -> {
                day.sentences(there).forEach(boat::line);
                return line.textContent().contains("depth");
            });
            assertThat(line).containsText("water 68 °F");
            looksRight("Map");

            station("Practice");
            page.navigate(root + "/practice/forecast?day=1");
            page.locator("#file")
                    .setInputFiles(new FilePayload("hours.csv", "text/csv", HOURS.getBytes(StandardCharsets.UTF_8)));
            button("Import hours").click();
            assertThat(page.locator("main")).containsText("2 hours imported, CSV.");
            assertThat(page.locator("#hours-title + table")).containsText("40% lightning");
            page.locator("[name='1/lightning']").check();
            looksRight("Forecast");
            button("Save forecast").click();
            page.navigate(app.address() + "/instruments");
            looksRight("Instruments");

            page.navigate(root + "/plan");
            assertThat(page.locator("main"))
                    .containsText("Pale Hump is in lightning hours, 10:00 to 13:30: be ashore then");
            button("Optimise around locked stops").click();
            page.getByText("Add as plan").first().click(new Locator.ClickOptions().setTimeout(120_000));
            assertThat(page.locator(".ashore-row").first()).containsText("to 13:30: lightning");
            assertThat(page.locator(".day .ashore").first()).containsText("ashore");
            assertThat(page.locator("main")).not().containsText("cannot be kept");
            page.locator("[data-minded=seasons] summary").click();
            page.reload();
            assertThat(page.locator("[data-minded=seasons]").getAttribute("open"))
                    .as("it was read")
                    .isNull();
            looksRight("Plan");

            button("Day 1, 09:40").click();
            fishOnTheScale(app, root, event, scale);
        }
    }

    private void fishOnTheScale(RunningApp app, String root, EventData event, LineServer scale) {
        WeighedFish fish = new WeighedFish(event);
        // What was weighed before the form first asks is of another fish.
        fish.lines(0).forEach(scale::line);
        page.waitForCondition(() ->
                page.request().get(app.address() + "/instruments/now").text().contains("\"number\":1"));
        page.setViewportSize(PHONE.width(), PHONE.height());
        page.navigate(root.replace("/events/", "/boat/"));
        page.waitForResponse("**/instruments/now", () -> {});
        assertThat(page.locator("#log-fish")).isVisible();
        String before = page.locator(".boat-head").textContent();
        Locator weight = page.getByLabel("Weight", new Page.GetByLabelOptions().setExact(true))
                .first();
        assertThat(weight).hasValue("");
        fish.lines(1).forEach(scale::line);
        assertThat(page.locator("[data-weighed]")).containsText("Weight from the scale");
        assertThat(weight.inputValue()).matches("\\d+-\\d+(\\.\\d+)?");
        assertThat(page.locator("[data-weighed]")).containsText("then log the fish");
        assertThat(fishIn(page.locator(".boat-head").textContent()))
                .as("nothing is logged by itself")
                .isEqualTo(fishIn(before));
        page.getByRole(AriaRole.BUTTON, named("Log fish")).click();
        assertThat(page.locator(".verdict .act-words")).isVisible();
        assertThat(page.locator("[data-weighed]")).isHidden();
        page.locator(".boat-bar")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Plan"))
                .click();
        assertThat(page.locator("main, #app").first())
                .containsText(
                        "Lightning hours 10:00 to 13:30. Wait at",
                        new LocatorAssertions.ContainsTextOptions().setTimeout(60_000));
    }

    /** As "3 of 5". */
    private static String fishIn(String head) {
        return head.replaceAll("(?s).*?(\\d+ of \\d+).*", "$1");
    }
}
