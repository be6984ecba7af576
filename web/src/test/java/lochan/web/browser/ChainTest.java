package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.wording.Wording;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The whole way from a rule sheet to a culled bag, as an angler walks it on a laptop and on a phone. */
@ExtendWith(TestServers.class)
class ChainTest extends Walk {

    @Test
    void fromTheRuleSheetToTheCulledBag(RunningApp app) throws Exception {
        app.account();
        page = Browser.window(PHONE);
        page.navigate(app.address() + "/events");
        looksRight("Sign in");
        signIn(app, PHONE);
        looksRight("Events");
        rules();
        spots();
        practice();
        rankings();
        plan();
        nothingComplained();
        competition();
        exportAndImport();
    }

    private void rules() {
        page.getByRole(AriaRole.LINK, named("New event")).click();
        field("Time zone of the water").fill("America/Boise");
        field("Launch").fill("42.612, -116.903");
        field("Limit").fill("2");
        String tomorrow = LocalDate.now(ZoneId.of("America/Boise")).plusDays(1).toString();
        field("Day 1").fill(tomorrow);
        field("Target weight").fill("7-8");
        field("Dead fish, each").fill("a quarter");
        button("Create event").click();
        assertThat(page.locator(".field:has(#name) .error")).hasText(Wording.text("rules.name-missing"));
        assertThat(page.locator("[id='penalties/deadFishGrams']")).hasValue("a quarter");
        looksRight("New event");

        field("Name").fill("Harbour Cup");
        field("Dead fish, each").fill("0-4");
        button("Create event").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Event created");
    }

    private void spots() {
        looksRight("Spots");
        for (String name : List.of("Reed Corner", "Alder Bank")) {
            page.getByRole(AriaRole.LINK, named("Add spot")).click();
            field("Name").fill(name);
            field("Position").fill(name.startsWith("Reed") ? "42.63, -116.91" : "42.64, -116.92");
            field("Spot type").fill("grass edge");
            field("Deep end").fill("6 ft");
            looksRight("Add a spot");
            button("Add spot").click();
            assertThat(page.getByRole(AriaRole.STATUS)).containsText(name + "” added");
        }
    }

    private void practice() {
        station("Practice");
        field("Where").selectOption("reed-corner");
        field("Swim jig").check();
        button("Start stop").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Fishing Reed Corner")))
                .isVisible();
        field("Size, if you know it").fill("3-4");
        button("Landed").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Landed, logged.");
        button("Missed").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Missed, logged.");
        button("Undo").click();
        assertThat(page.locator(".log li")).hasCount(1);
        looksRight("Practice");
        button("End stop").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("Stop ended.");
        looksRight("Practice");
    }

    private void rankings() {
        station("Rankings");
        looksRight("Rankings");
        assertThat(page.locator("tbody tr")).hasCount(2);
        assertThat(page.locator("tr:has-text('Alder Bank')")).containsText("not fished here");
        page.getByRole(AriaRole.LINK, named("Reed Corner")).click();
        looksRight("Evidence");
        assertThat(page.locator("table tbody tr")).hasCount(1);
    }

    private void plan() {
        station("Plan");
        looksRight("Plan");
        button("Optimise plan for day 1").click();
        page.getByRole(AriaRole.BUTTON, named("Use plan")).click();
        assertThat(page.locator("[id='stops/0/arrive']")).hasValue(java.util.regex.Pattern.compile("\\d\\d:\\d\\d"));
        looksRight("Plan");
        page.locator("[id='stops/0/leave']").fill("06:45");
        page.locator("[id='stops/0/leave']").press("Enter");
        assertThat(page.locator("[data-cost]")).containsText("set by hand");
    }

    private void competition() {
        station("Competition");
        looksRight("Competition");
        page.getByRole(AriaRole.LINK, named("Open the boat app")).click();
        compete(page);
        looksRight("Harbour Cup");
        logFish("2-3", Wording.text("bag.keep", "Red"));
        logFish("1-12", Wording.text("bag.keep", "White"));
        logFish("2-0", "Cull White (1 lb 12 oz). Put White on the new fish.");
        logFish("1-9", "Release the new fish.");
        looksRight("Harbour Cup");
        screen("Bag");
        assertThat(page.locator(".bag-slots li[data-kind=to-beat]")).containsText("2 lb 0 oz");

        page.reload();
        assertThat(page.locator(".boat-head")).containsText("4 lb 3 oz");
        assertThat(page.locator(".log > li")).hasCount(4);

        page.context().setOffline(true);
        logFish("3-1", "Cull White (2 lb 0 oz). Put White on the new fish.");
        assertThat(page.locator("[data-unsent]")).containsText("1 entry is kept on this phone");
        page.context().setOffline(false);
        assertThat(page.locator(".boat-head")).not().containsText("to send");

        Locator first = page.locator(".log > li").first();
        first.locator("summary").click();
        first.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Void"))
                .click();
        assertThat(page.locator(".log [data-voided=true]")).hasCount(1);
        looksRight("Harbour Cup");
        screen("Plan");
        looksRight("Harbour Cup");
        openFoot(page);
        page.getByRole(AriaRole.LINK, named("Desk")).click();
        looksRight("Competition");
    }

    private void screen(String name) {
        page.locator(".boat-bar")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    private void logFish(String weight, String decision) {
        field("Weight").first().fill(weight);
        button("Log fish").click();
        assertThat(page.locator(".verdict .act-words")).hasText(decision);
    }

    private void exportAndImport() throws Exception {
        station("Rules");
        looksRight("Rules");
        Path file = Files.createTempFile("lochan", ".event.json");
        Download download = page.waitForDownload(
                () -> page.getByRole(AriaRole.LINK, named("Export event file")).click());
        download.saveAs(file);
        page.getByRole(AriaRole.LINK, named("Lochan")).click();
        field("File (.event.json)").setInputFiles(file);
        button("Import").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("“Harbour Cup” imported.");
        Files.delete(file);
        page.getByRole(AriaRole.BUTTON, named("Dark theme")).click();
        assertThat(page.locator("html.dark")).isAttached();
        for (String station : List.of("Rules", "Map", "Spots", "Practice", "Rankings", "Plan", "Competition")) {
            station(station);
            looksRight(station);
        }
        button("Light theme").click();
    }
}
