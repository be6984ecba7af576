package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Geolocation;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The boat's app: without a signal, with the server really gone, on two phones at once. */
@ExtendWith(TestServers.class)
class BoatWalkTest extends Walk {

    /** All that the device stores of its own: the app's database and the page's storage. */
    private static final String ALL_KEPT = """
            () => new Promise((done, failed) => {
              const opened = indexedDB.open('lochan-boat');
              opened.onerror = failed;
              opened.onsuccess = () => {
                const all = opened.result.transaction(['events', 'packs']);
                const events = all.objectStore('events').getAll();
                const packs = all.objectStore('packs').getAll();
                all.oncomplete = () => done(JSON.stringify([events.result, packs.result, {...localStorage}]));
              };
            })""";

    private static final Locator.WaitForOptions PATIENT = new Locator.WaitForOptions().setTimeout(120_000);

    private void openAndKeep(String event) {
        String boat = SampleEvents.boat(event);
        page.navigate(boat);
        assertThat(page.locator(".boat-head")).isVisible();
        untilKept(URI.create(boat).getPath());
    }

    private void logFish(Page on, String weight, String decision) {
        screen(on, "Log");
        on.getByLabel("Weight", new Page.GetByLabelOptions().setExact(true))
                .first()
                .fill(weight);
        on.getByRole(AriaRole.BUTTON, named("Log fish")).click();
        assertThat(on.locator(".verdict .act-words")).hasText(decision);
    }

    private static void allSent(Page on) {
        assertThat(on.locator(".boat-head")).not().containsText("to send");
        assertThat(on.locator("[data-unsent]")).isHidden();
    }

    private static void screen(Page on, String name) {
        on.locator(".boat-bar")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    @Test
    void signingOutWithoutASignalHidesAllAtOnceAndKeepsWhatWasNotSent(RunningApp app) {
        Visitor ashore = signIn(app, PHONE);
        String path = SampleEvents.event(ashore, "Secret open");
        openAndKeep(app.address() + path);
        compete(page);
        page.context().setOffline(true);
        logFish(page, "2-3", Wording.text("bag.keep", "Red"));
        page.onDialog(dialog -> dialog.accept());
        openFoot(page);
        button("Sign out").click();

        assertThat(page.locator("h1")).hasText("The server cannot be reached");
        assertThat(page.locator("body")).not().containsText("On the water: event");
        assertThat(keepsApp(SampleEvents.boat(path)))
                .as("the app is off the device")
                .isFalse();
        page.navigate(app.address() + SampleEvents.boat(path));
        assertThat(page.locator("h1")).hasText("The server cannot be reached");

        page.context().setOffline(false);
        page.navigate(app.address() + path + "/practice");
        assertThat(page.locator("h1")).hasText("Sign in");
        String storage = (String) page.evaluate(ALL_KEPT);
        assertThat(storage).contains("\"grams\"").doesNotContain("Secret open", "Reed Corner", "leaving");
        assertThat(page.navigate(app.address() + "/events").url()).endsWith("/sign-in");
    }

    @Test
    void withoutASignalItOpensLogsDecidesAndBringsAllBackOnce(RunningApp app) {
        Visitor ashore = signIn(app, PHONE);
        String path = SampleEvents.event(ashore, "No signal");
        openAndKeep(app.address() + path);
        compete(page);
        logFish(page, "2-3", Wording.text("bag.keep", "Red"));
        allSent(page);

        page.context().setOffline(true);
        page.reload();
        assertThat(page.locator(".boat-head")).containsText("2 lb 3 oz");
        logFish(page, "1-12", Wording.text("bag.keep", "White"));
        logFish(page, "2-0", "Cull White (1 lb 12 oz). Put White on the new fish.");
        looksRight("No signal");
        screen(page, "Bag");
        assertThat(page.locator(".bag-slots")).containsText("2 lb 0 oz");
        looksRight("No signal");
        screen(page, "Log");
        page.locator(".undo-bar button").click();
        assertThat(page.locator(".log [data-voided=true]")).hasCount(1);
        field("Weight").first().fill("heavy");
        button("Log fish").click();
        assertThat(page.locator(".pad [data-errors]")).containsText("“heavy” isn't a weight");
        field("Weight").first().fill("");
        page.reload();
        assertThat(page.locator("[data-unsent]")).containsText("3 entries are kept on this phone");

        page.context().setOffline(false);
        allSent(page);
        assertThat(ashore.get(path + "/competition").texts(".log > li > strong"))
                .containsExactly(
                        "Voided an entry", "largemouth 2 lb 0 oz", "largemouth 1 lb 12 oz", "largemouth 2 lb 3 oz");
        assertThat(ashore.get(path + "/competition").texts(".bag-slots .weight"))
                .as("a released fish never comes back")
                .containsExactly("2 lb 3 oz");
    }

    @Test
    void aServerThatIsReallyGoneAndComesBackHasEveryEntryOnceInOrder() throws Exception {
        try (TestServers.ComingAndGoing server = new TestServers.ComingAndGoing()) {
            RunningApp app = server.app();
            Visitor ashore = signIn(app, PHONE);
            String path = SampleEvents.event(ashore, "Server gone");
            openAndKeep(app.address() + path);
            compete(page);
            server.go();

            page.navigate(app.address() + path + "/rankings");
            assertThat(page.locator("h1")).hasText("The server cannot be reached");
            page.locator("a.button").click();
            logFish(page, "2-3", Wording.text("bag.keep", "Red"));
            logFish(page, "1-12", Wording.text("bag.keep", "White"));
            page.reload();
            logFish(page, "2-0", "Cull White (1 lb 12 oz). Put White on the new fish.");
            List<String> weights = new ArrayList<>(List.of("2-3", "1-12", "2-0"));
            for (int i = 0; i < 22; i++) {
                weights.add("1-" + (i * 7) % 16);
                field("Weight").first().fill(weights.getLast());
                button("Log fish").click();
                assertThat(page.locator(".log > li")).hasCount(weights.size());
            }
            assertThat(page.locator("[data-unsent]")).containsText("25 entries are kept on this phone");
            screen(page, "Bag");
            List<String> kept = page.locator(".bag-slots .weight").allTextContents();

            server.comeBack();
            allSent(page);
            Visitor.Answer desk = ashore.get(path + "/competition");
            assertThat(desk.texts(".log > li > strong").reversed())
                    .containsExactlyElementsOf(weights.stream()
                            .map(w -> "largemouth " + w.replace("-", " lb ") + " oz")
                            .toList());
            assertThat(desk.texts(".bag-slots .weight")).isEqualTo(kept);
        }
    }

    @Test
    void twoPhonesSeeEachOthersEntriesAndAClashIsShown(RunningApp app) {
        Visitor ashore = signIn(app, PHONE);
        String path = SampleEvents.event(ashore, "Two phones");
        openAndKeep(app.address() + path);
        compete(page);
        BrowserContext mates = page.context()
                .browser()
                .newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                        .setViewportSize(390, 844)
                        .setStorageState(page.context().storageState()));
        Page mate = mates.newPage();
        mate.navigate(app.address() + SampleEvents.boat(path));
        compete(mate);

        logFish(page, "2-3", Wording.text("bag.keep", "Red"));
        assertThat(mate.locator(".boat-head")).containsText("2 lb 3 oz");
        logFish(mate, "1-12", Wording.text("bag.keep", "White"));
        assertThat(page.locator(".boat-head")).containsText("3 lb 15 oz");

        page.context().setOffline(true);
        logFish(page, "2-0", "Cull White (1 lb 12 oz). Put White on the new fish.");
        logFish(mate, "2-1", "Cull White (1 lb 12 oz). Put White on the new fish.");
        allSent(mate);
        page.context().setOffline(false);
        assertThat(page.locator("[data-clashes]"))
                .containsText("this device said “Cull White (1 lb 12 oz). Put White on the new fish.”");
        assertThat(page.locator("[data-clashes]")).containsText("it reads “Release the new fish.”");
        page.getByText("Settled").click();
        assertThat(page.locator("[data-clashes] .note")).hasCount(0);
        assertThat(mate.locator(".log > li")).hasCount(4);
        mates.close();
    }

    @Test
    void theDayAheadItsRestTheLivewellAndTheReviewAreAtHand(@RunningApp.Demo RunningApp demo) {
        Visitor ashore = signIn(demo, PHONE);
        String path = SampleEvents.demoAgain(ashore);
        ashore.post("/demo/clock", "moment", "DAY_1_MORNING");
        openAndKeep(demo.address() + path);
        screen(page, "Plan");
        page.locator(".outlook").waitFor(PATIENT);
        looksRight("Two Arms Open, Velmarrow Reservoir");
        assertThat(page.locator(".alarm")).isVisible();
        page.waitForCondition(() -> {
            if (page.locator(".alarm").count() > 0) {
                page.locator(".alarm button").click();
            }
            return page.locator(".alarm").count() == 0;
        });
        screen(page, "Bag");
        field("Temperature").fill("79");
        page.locator("section:has(#livewell-care) button").click();
        assertThat(page.locator("section:has(#livewell-care)")).containsText("Over 75 °F: run the aerator");
        allSent(page);

        page.context().setOffline(true);
        page.reload();
        assertThat(page.locator(".boat-head")).isVisible();
        assertThat(page.locator(".alarm")).hasCount(0);
        screen(page, "Plan");
        page.locator(".outlook").waitFor(PATIENT);
        screen(page, "Map");
        page.locator(".near button").nth(3).click();
        assertThat(page.locator("[data-place]")).containsText("Best now");
        button("Go here").click();
        assertThat(button("Stop showing the way")).isVisible();
        looksRight("Two Arms Open, Velmarrow Reservoir");
        screen(page, "Plan");
        button("Plan rest of day").click();
        page.locator(".found").waitFor(PATIENT);
        looksRight("Two Arms Open, Velmarrow Reservoir");
        button("Use for the rest of the day").click();
        assertThat(page.getByText("Your plan now has the new rest of the day.")).isVisible();
        button("Undo").click();
        assertThat(page.getByText("Your plan now has the new rest of the day.")).isHidden();
        button("Plan rest of day").click();
        page.locator(".found").waitFor(PATIENT);
        button("Use for the rest of the day").click();
        assertThat(page.locator(".boat-head")).containsText("3 to send");
        page.context().setOffline(false);
        allSent(page);
        assertThat(ashore.get(path + "/plan?day=1").text()).contains("Rest of the day planned again on the water");

        ashore.post("/demo/clock", "moment", "AFTER_WEIGH_IN");
        page.navigate(demo.address() + path + "/competition/review?day=1");
        page.locator("#scores").waitFor(PATIENT);
        assertThat(page.locator("#content")).containsText("Stop by stop");
        looksRight("Review");
        ashore.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
    }

    @Test
    void anotherAccountOnThePhoneSeesNothingAndTheOwnersEntriesAreSentLater(RunningApp app) {
        RunningApp.Account owner = app.account();
        String path = SampleEvents.event(owner.visitor(), "Secret open");
        page = Browser.window(PHONE);
        enter(app, owner);
        openAndKeep(app.address() + path);
        compete(page);
        page.context().setOffline(true);
        logFish(page, "2-3", Wording.text("bag.keep", "Red"));
        page.context().clearCookies();
        page.context().setOffline(false);
        assertThat(page.locator("[data-unsent]")).containsText("You are signed out");
        logFish(page, "1-12", Wording.text("bag.keep", "White"));

        enter(app, app.account());
        page.waitForCondition(() -> !keepsApp(SampleEvents.boat(path)));
        page.navigate(app.address() + SampleEvents.boat(path));
        assertThat(page.locator("h1")).hasText("Page not found");
        assertThat((String) page.evaluate(ALL_KEPT))
                .contains("\"grams\"")
                .doesNotContain("Secret open")
                .doesNotContain("Reed Corner");

        page.context().clearCookies();
        enter(app, owner);
        page.navigate(app.address() + SampleEvents.boat(path));
        allSent(page);
        assertThat(owner.visitor().get(path + "/competition").texts(".log > li > strong"))
                .containsExactly("largemouth 1 lb 12 oz", "largemouth 2 lb 3 oz");
    }

    @Test
    void aDayOfPracticeWithoutASignalArrivesWhole() throws Exception {
        try (TestServers.ComingAndGoing server = new TestServers.ComingAndGoing()) {
            RunningApp app = server.app();
            Visitor ashore = signIn(app, PHONE);
            String path = SampleEvents.event(ashore, "Practice");
            page.context().grantPermissions(List.of("geolocation"));
            page.context().setGeolocation(new Geolocation(42.6302, -116.9101));
            openAndKeep(app.address() + path);
            server.go();

            page.reload();
            field("Swim jig").check();
            page.getByText("Start at Reed Corner, 26 yd").click();
            assertThat(page.locator("#fishing")).containsText("Fishing Reed Corner");
            field("Size, if you know it").fill("heavy");
            button("Landed").click();
            assertThat(page.locator("[data-errors]")).containsText("“heavy” isn't");
            field("Size, if you know it").fill("3-4");
            button("Landed").click();
            assertThat(page.locator(".log li").first()).containsText("Landed, ≈ 3 lb 4 oz, Swim jig");
            button("Missed").click();
            button("Shaken off").click();
            page.locator(".undo-bar button").click();
            button("Follow").click();
            assertThat(page.locator("#fishing")).containsText("1 follow");
            button("Bycatch").click();
            assertThat(page.locator("#fishing")).containsText("1 follow, 1 bycatch");
            looksRight("Practice");
            page.reload();
            assertThat(page.locator(".log li")).hasCount(2);
            page.locator(".log summary").first().click();
            page.locator(".log form").first().getByLabel("Outcome").selectOption("lost");
            page.locator(".log form").first().getByText("Save").click();
            assertThat(page.locator(".log li").first()).containsText("Lost");
            page.locator(".log li")
                    .first()
                    .locator(".chips button:has-text('pulled out')")
                    .click();
            assertThat(page.locator(".log li").first().locator(".chips")).hasCount(0);
            page.locator(".log summary").first().click();
            assertThat(page.locator(".log form").first().getByLabel("Lost how")).hasValue("pulled-out");
            page.locator(".log summary").first().click();
            page.getByText("Conditions not noted").click();
            field("Water temperature").fill("64");
            page.locator("details:has-text('Conditions') button")
                    .getByText("Save")
                    .click();
            assertThat(page.locator("main")).containsText("Conditions 64 °F");
            page.getByText("Mark a waypoint").click();
            field("Seen from the boat").fill("2 o'clock, 70 ft");
            button("Mark waypoint").click();
            assertThat(page.locator("[data-errors]")).containsText("Enter the heading in degrees");
            field("Heading of the boat").fill("30");
            button("Mark waypoint").click();
            assertThat(page.locator("[data-errors]")).hasCount(0);
            button("End stop").click();
            assertThat(page.locator("section:has(#today)")).containsText("Swim jig · 2 bites · 1 follow");
            page.context().setGeolocation(new Geolocation(42.65, -116.93));
            assertThat(page.locator("button[name=spot]").first()).containsText("1.7 mi");
            button("New spot here").click();
            assertThat(page.locator("#fishing")).containsText("Fishing New spot");
            button("Lost").click();
            for (int stop = 0; stop < 8; stop++) {
                button("End stop").click();
                button("Start stop").click();
                for (int bite = 0; bite < 5; bite++) {
                    button(bite % 2 == 0 ? "Missed" : "Landed").click();
                }
                assertThat(page.locator(".log").first().locator("li")).hasCount(5);
            }
            assertThat(page.locator("[data-unsent]")).containsText("71 entries are kept on this phone");

            server.comeBack();
            page.waitForCondition(() -> page.locator("[data-unsent]").count() == 0);
            allSent(page);
            JsonNode arrived =
                    JsonMapper.shared().readTree(ashore.get(path + "/export").body());
            assertThat(arrived.path("stops").size()).isEqualTo(10);
            assertThat(arrived.path("stops")
                            .valueStream()
                            .mapToInt(s -> s.path("bites").size())
                            .sum())
                    .isEqualTo(43);
            assertThat(arrived.path("stops").get(0).path("bycatch").asInt()).isEqualTo(1);
            assertThat(arrived.path("waypoints").size()).isEqualTo(1);
            assertThat(ashore.get(path + "/practice").text()).contains("New spot", "64 °F");
        }
    }
}
