package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.SelectOption;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A new angler with an own lake: from an empty account over practice, a plan and a day without a signal to the weigh-in. */
@ExtendWith(TestServers.class)
class FirstEventWalkTest extends Walk {

    private static final String WATER =
            "[[[-116.95, 42.60], [-116.85, 42.60], [-116.85, 42.66], [-116.95, 42.66], [-116.95, 42.60]]]";
    private static final String CLOSED =
            "[[[-116.88, 42.645], [-116.86, 42.645], [-116.86, 42.655], [-116.88, 42.655], [-116.88, 42.645]]]";
    private static final String LAKE = "{\"type\": \"FeatureCollection\", \"features\": [" + area("{}", WATER) + ", "
            + area("{\"offLimits\": true}", CLOSED) + "]}";

    private static String area(String properties, String ring) {
        return "{\"type\": \"Feature\", \"properties\": " + properties
                + ", \"geometry\": {\"type\": \"Polygon\", \"coordinates\": " + ring + "}}";
    }

    private Visitor ashore;
    private String event;

    /** A zone in which it is noon or so now: the walk fishes in competition hours whenever it is run. */
    private static ZoneId zone() {
        int hour = Instant.now().atZone(ZoneOffset.UTC).getHour();
        int ahead = Math.clamp(12 - hour, -11, 12);
        return ZoneId.of("Etc/GMT" + (ahead > 0 ? "-" + ahead : "+" + -ahead));
    }

    private void ownEvent(RunningApp app, LocalDate today) {
        ashore = signIn(app, PHONE);
        assertThat(page.locator("h2").first()).hasText("No event yet");
        Map<String, String> rules = SampleEvents.form("First own event");
        rules.put("timeZone", zone().getId());
        rules.put("days/0/date", today.toString());
        rules.put("days/0/start", "05:00");
        rules.put("days/0/checkIn", "20:00");
        rules.put("practice/0", today.minusDays(2).toString());
        rules.put("practice/1", today.minusDays(1).toString());
        event = "/events/" + ashore.post("/events/new", rules).numberAfter("events");
        ashore.get(event + "/map");
        Visitor.Answer looked =
                ashore.upload(event + "/map/import", "file", "lake.geojson", LAKE.getBytes(StandardCharsets.UTF_8));
        ashore.post(event + "/map/import/take", looked.form("form[action$=/map/import/take]"));
        for (int i = 0; i < 3; i++) {
            Map<String, String> spot =
                    SampleEvents.spot(List.of("Alder", "Birch", "Cedar").get(i));
            spot.put("spotType", "Point");
            spot.put("position", "42.6" + (2 + i) + ", -116.9" + i);
            ashore.post(event + "/spots/new", spot);
        }
        Map<String, String> closed = SampleEvents.spot("Dell");
        closed.put("position", "42.65, -116.87");
        ashore.post(event + "/spots/new", closed);
    }

    /** A spot off limits is marked, and starting there asks once. */
    private void startIsAskedAt(String spot) {
        field("Fishing now at").selectOption(new SelectOption().setLabel("✕ " + spot + " (off limits)"));
        button("Start here").click();
        assertThat(page.locator("main")).containsText(spot + " is off limits by your rules. Start there anyway?");
        button("Cancel").click();
        assertThat(page.locator("#fishing")).not().containsText("Fishing now: " + spot);
    }

    private void practise(LocalDate date, String start, String end) {
        Map<String, String> stop = new HashMap<>(SampleEvents.stop("alder"));
        stop.remove("fished/swim-jig");
        stop.putAll(Map.of("date", date.toString(), "start", start, "end", end, "fished/texas-rig", "on"));
        String id = ashore.post(event + "/practice/stops/new", stop).path().replaceAll(".*stop=", "");
        ashore.post(event + "/practice/stops/bites?stop=" + id, SampleEvents.landed("b" + date, "texas-rig"));
    }

    private void start(String spot, String lure) {
        field("Fishing now at").selectOption(new SelectOption().setLabel(spot));
        field("With").selectOption(new SelectOption().setLabel(lure));
        button("Start here").click();
        assertThat(page.locator("#fishing")).hasText("Fishing now: " + spot + ", " + lure);
    }

    private void screen(String name) {
        page.locator(".boat-bar")
                .getByRole(
                        com.microsoft.playwright.options.AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    private void advised() {
        screen("Plan");
        assertThat(page.locator("#next-hour")).containsText("Stay or move");
        assertThat(page.locator("[data-advice-failed]")).hasCount(0);
        screen("Log");
    }

    @Test
    void aFirstEventGoesFromNothingToTheWeighIn(RunningApp app) {
        LocalDate today = LocalDate.now(zone());
        ownEvent(app, today);
        page.navigate(app.address() + event + "/rankings");
        assertThat(page.locator("main")).containsText("Log practice");
        assertThat(ashore.post(event + "/practice/start", "spot", "dell", "presentation", "texas-rig", "code", "s1")
                        .text())
                .contains("Dell is off limits by your rules. Start there anyway?");

        String boat = SampleEvents.boat(event);
        page.navigate(app.address() + boat);
        untilKept(URI.create(app.address() + boat).getPath());
        assertThat(page.locator("#fishing")).hasText("Where are you fishing?");
        advised();

        practise(today.minusDays(2), "07:00", "09:00");
        practise(today.minusDays(1), "06:30", "08:00");
        page.reload();
        openFoot(page);
        button("Practice log").click();
        page.context().setOffline(true);
        page.reload();
        field("Texas rig").check();
        field("Where").selectOption(new SelectOption().setLabel("Birch"));
        button("Start stop").click();
        assertThat(page.locator("#fishing")).containsText("Fishing Birch");
        button("Missed").click();
        button("End stop").click();
        page.context().setOffline(false);
        assertThat(page.locator(".boat-head")).not().containsText("to send");

        SampleEvents.plan(ashore, event, "alder", "texas-rig");
        assertThat(ashore.get(event + "/plan").text()).contains("Alder");

        page.reload();
        compete(page);
        assertThat(page.locator(".boat-head")).not().containsText("to send");
        page.context().setOffline(true);
        page.reload();
        for (String spot : List.of("Alder", "Birch", "Cedar")) {
            start(spot, "Texas rig");
        }
        startIsAskedAt("Dell");
        start("Alder", "Spinnerbait");
        advised();
        button("Log lost fish").click();
        button("jumped off").click();
        assertThat(page.locator(".log li strong").filter(new Locator.FilterOptions().setHasText("Bite lost")))
                .hasText("Bite lost, jumped off");
        field("Weight").first().fill("2-3");
        button("Log fish").click();
        assertThat(page.locator(".verdict .act-words")).hasText(Wording.text("bag.keep", "Red"));
        advised();
        page.context().setOffline(false);
        assertThat(page.locator(".boat-head")).not().containsText("to send");

        ashore.get(event + "/competition");
        ashore.post(event + "/competition/entries", "code", "o1", "type", "official", "official", "2-3");
        assertThat(ashore.get(event + "/competition").text()).contains("2 lb 3 oz");
        assertThat(ashore.get(event + "/competition").texts(".log > li > strong"))
                .filteredOn(words -> words.startsWith("Bite lost"))
                .containsExactly("Bite lost, jumped off");
        nothingComplained();
    }

    /** Logging never depends on advice; advice that fails says so, and what failed goes to the server's log. */
    @Test
    void adviceThatFailsSaysSoAndTheLogGoesOn(RunningApp app) {
        ownEvent(app, LocalDate.now(zone()));
        page.addInitScript("window.Worker = class { addEventListener(type, then) {"
                + " if (type === 'error') setTimeout(() => then({ message: 'broken adviser' }), 50); }"
                + " postMessage() {} terminate() {} };");
        page.navigate(app.address() + SampleEvents.boat(event));
        start("Alder", "Texas rig");
        screen("Plan");
        assertThat(page.locator("[data-advice-failed]")).containsText("Move advice isn't working.");

        Response told =
                page.waitForResponse("**/faults", () -> button("Send a report").click());

        assertThat(told.status()).isEqualTo(200);
        assertThat(told.request().postData()).contains("broken adviser");
        assertThat(page.locator("[data-advice-failed]")).containsText("Report saved.");
        screen("Log");
        start("Birch", "Texas rig");
    }
}
