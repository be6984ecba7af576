package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.Geolocation;
import java.nio.charset.StandardCharsets;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The days of practice: a waypoint that becomes a spot, bites with all their notes, a track, a spreadsheet, and what the evening makes of them. */
@ExtendWith(TestServers.class)
class PracticeWalkTest extends Walk {

    private static final String SHEET = """
            Date;Place;From;To;Lure;Result;Weight
            6/3/2027;Reed Corner;11:00;12:00;Swim jig;landed;%s
            """;

    @Test
    void fromAWaypointToTheEveningReview(RunningApp app) {
        String event = app.address() + SampleEvents.event(signIn(app, PHONE), "Practice days");
        waypoint(event);
        log(event);
        track(event);
        sheet(event);
        page.navigate(event + "/practice/review?date=2027-06-03");
        looksRight("Evening review");
        assertThat(page.locator(".day-band .bead")).hasCount(3);
        assertThat(page.locator("section[aria-labelledby=cells]")).containsText("1 bite in");
        nothingComplained();
    }

    private void waypoint(String event) {
        page.context().grantPermissions(List.of("geolocation"));
        page.context().setGeolocation(new Geolocation(42.612, -116.903));
        page.navigate(event + "/spots/waypoints");
        button("Use my position").click();
        assertThat(field("Where the boat is")).hasValue("42.61200, -116.90300");
        field("Bearing and range").fill("left, ninety");
        field("Heading, °").fill("0");
        field("Water, ft").fill("14");
        field("hard").check();
        button("Save waypoint").click();
        assertThat(page.locator(".field:has(#seen) .error")).isVisible();
        field("Bearing and range").fill("left, 90 ft");
        button("Save waypoint").click();
        assertThat(page.locator("section .log li")).containsText("hard");
        looksRight("Waypoints");

        page.getByRole(AriaRole.LINK, named("Make spot")).click();
        assertThat(field("Position")).hasValue("42.612, -116.903334");
        assertThat(field("mid")).isChecked();
        field("Name").fill("Hard Patch");
        field("Spot type").fill("hump");
        button("Add spot").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Hard Patch");
    }

    private void log(String event) {
        page.navigate(event + "/practice");
        field("Where").selectOption("hard-patch");
        field("Swim jig").check();
        button("Start stop").click();
        page.getByText("Notes for each bite").click();
        field("Retrieve").fill("slow roll");
        field("Fish at, ft").fill("9");
        field("on the fall").check();
        button("Landed").click();
        assertThat(page.locator(".log li")).containsText("slow roll · fish at 9 ft · on the fall");
        button("Missed").click();
        assertThat(page.locator(".log li").first()).containsText("slow roll · fish at 9 ft · on the fall");

        page.getByText("Conditions:").click();
        field("Wind, mph").fill("12");
        field("Wind from").fill("SW");
        looksRight("Practice");
        button("Save conditions").click();
        assertThat(page.getByText("Conditions:")).containsText("SW 12 mph chop");
        button("End stop").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Stop ended.");
    }

    private void track(String event) {
        page.navigate(event + "/practice");
        page.getByText("Import and export").click();
        page.getByRole(AriaRole.LINK, named("Import a track")).click();
        send("day.gpx", "<gpx><trk>");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("“day.gpx” was not imported");
        send("day.gpx", SampleEvents.track());
        assertThat(page.locator("tbody tr")).hasCount(2);
        page.getByLabel("With what at 06:50–07:50").selectOption("swim-jig");
        looksRight("Import a track");
        button("Save stops").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("2 stops saved from the track");
    }

    private void sheet(String event) {
        page.navigate(event + "/practice/sheet");
        send("log.csv", SHEET.formatted("huge"));
        assertThat(page.locator("section[aria-labelledby=problems] li"))
                .hasText("Row 2: Size: “huge” isn't a weight. Examples: 3-4 (3 lb 4 oz), 3.25, 1.47 kg");
        looksRight("Import a spreadsheet");
        send("log.csv", SHEET.formatted("3-4"));
        field("What Result contains").selectOption("");
        button("Read again with these columns").click();
        field("Plain weights are").selectOption("scale");
        looksRight("Import a spreadsheet");
        button("Save this stop").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("1 stop with 1 bite imported.");
        Locator row = page.locator("tr:has-text('11:00–12:00')");
        assertThat(row).containsText("3 lb 4 oz");
    }

    private void send(String name, String content) {
        page.locator("#file")
                .setInputFiles(new FilePayload(name, "text/plain", content.getBytes(StandardCharsets.UTF_8)));
        button("Read file").click();
    }
}
