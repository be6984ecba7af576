package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** An angler says what tackle there is, asks what to throw, looks at one cast, rigs the deck and prints it. */
@ExtendWith(TestServers.class)
class TackleWalkTest extends Walk {

    private void tab(String name) {
        page.waitForLoadState();
        page.getByRole(AriaRole.NAVIGATION, named("Tackle"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    private void choose(String label, String option) {
        field(label).selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(option));
    }

    private void addRod(String name, String power) {
        page.getByRole(AriaRole.LINK, named("Add a rod")).click();
        looksRight("Add a rod");
        field("Name").fill(name);
        field("Length").fill("7-2");
        choose("Power", power);
        choose("Line", "braid");
        field("Line strength").fill("40 lb");
        button("Save rod").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("“" + name + "” saved");
    }

    @Test
    void fromTheTackleBoxToTheRiggedDeck(RunningApp app) {
        Visitor angler = signIn(app, LAPTOP);
        String event = SampleEvents.practisedEvent(angler, "Deck walk");
        SampleEvents.plan(angler, event);

        page.navigate(app.address() + event + "/tackle");
        looksRight("Rods on deck");
        assertThat(page.getByRole(AriaRole.HEADING, named("No rod in the boat")))
                .isVisible();
        tab("My tackle");
        looksRight("My tackle");
        addRod("Grass rod", "medium heavy");
        page.getByRole(AriaRole.LINK, named("Add to the box")).click();
        field("Name").fill("Swim jig, green");
        choose("Which lure", "Swim jig");
        field("Weight").fill("1/4");
        choose("Colour looks", "natural");
        looksRight("Add to the box");
        button("Save").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("“Swim jig, green” saved");
        looksRight("My tackle");
        page.getByText("Lure catalogue: 44 lures").click();
        page.getByRole(AriaRole.LINK, named("Umbrella rig").setExact(true)).click();
        looksRight("Umbrella rig");

        page.navigate(app.address() + event + "/tackle");
        assertThat(page.locator(".deck-list li")).hasCount(1);
        assertThat(page.locator(".deck-list li")).containsText("Swim jig, green, 1/4 oz");
        assertThat(page.locator("svg.beads .bead")).hasCount(1);
        button(Wording.text("packing.lanyard")).click();
        assertThat(button(Wording.text("packing.lanyard"))).hasAttribute("aria-pressed", "true");
        looksRight("Rods on deck");
        Download print = page.waitForDownload(() ->
                page.getByRole(AriaRole.LINK, named("Print with the plan")).click());
        assertThat(print.suggestedFilename()).isEqualTo("plan-day-1.pdf");

        tab("Lure advice");
        looksRight("Lure advice");
        assertThat(page.locator(".advice > li").first()).containsText("Swim jig");
        page.getByText("Conditions there").click();
        choose("Mood", "inactive");
        choose("Clarity trend", "clearing");
        looksRight("Lure advice");
        button("Update advice").click();
        assertThat(page.locator(".advice > li").filter(new Locator.FilterOptions().setHasText("Drop shot")))
                .containsText("inactive fish: work it slowly");
        assertThat(page.locator(".advice")).containsText("clearing water: choose for one step clearer");
        page.getByRole(AriaRole.LINK, named("Cast with the Swim jig")).click();
        looksRight("Cast");
        assertThat(page.locator("svg.cast .way")).hasCount(3);
        choose("Lure", "Medium crankbait");
        button("Show cast").click();
        assertThat(page.getByRole(AriaRole.HEADING, named("Medium crankbait at Reed Corner")))
                .isVisible();
        field("Depth, ft").fill("11");
        button("Save").click();
        assertThat(page.locator("main")).containsText("came to 11 ft");
        looksRight("Cast");
        nothingComplained();
    }

    @Test
    void fishTrialsAndSeasonsAreKept(RunningApp app) {
        Visitor angler = signIn(app, LAPTOP);
        SampleEvents.practisedEvent(angler, "Earlier walk");
        String event = SampleEvents.practisedEvent(angler, "Notebook walk");
        page.navigate(app.address() + event + "/tackle/fish");
        looksRight("Known fish");
        page.getByRole(AriaRole.LINK, named("Add fish")).click();
        looksRight("Add a fish");
        choose("At which spot", "Reed Corner");
        field("Guessed size").fill("5-8");
        field("Come back").fill("2027-06-05T09:00");
        button("Save").click();
        looksRight("Known fish");
        button("looked").click();
        assertThat(page.locator("main")).containsText("Logged: looked.");
        assertThat(page.locator("section.fish")).containsText(Pattern.compile("33 % a visit"));
        button("Undo").click();
        assertThat(page.locator("section.fish")).containsText("Not tried yet.");

        tab("Trials");
        looksRight("Trials");
        field("First version").fill("held still");
        field("Second version").fill("shaken");
        button("Start trial").click();
        assertThat(page.getByRole(AriaRole.HEADING, named("held still or shaken?")))
                .isVisible();
        page.getByText("Add a round").click();
        field("Minutes").fill("20");
        field("Bites").fill("3");
        field("Landed").fill("2");
        looksRight("Trials");
        button("Save round").click();
        assertThat(page.locator("main")).containsText("Only one was fished so far");
        looksRight("Trials");

        tab("Seasons");
        looksRight("Seasons");
        button("Use other seasons").click();
        assertThat(page.locator("main")).containsText("lures of other seasons are used");
        page.getByLabel("Lure advice, for lures").check();
        button("Save").click();
        assertThat(page.locator("main")).containsText("Effect on the first morning");
        looksRight("Seasons");
        nothingComplained();
    }

    @Test
    void theDemosTackleWarnsOfWhatTheRulesBan(@RunningApp.Demo RunningApp demo) {
        enterDemo(demo, LAPTOP, "Tackle");
        looksRight("Rods on deck");
        assertThat(page.locator(".note.trouble"))
                .containsText("Umbrella rig, five arms: your rules ban “umbrella rig”. Leave it ashore.");
        assertThat(page.locator(".deck-list li")).hasCount(5);
        page.navigate(page.url() + "/advice?spot=sill-ledge&at=10:30");
        looksRight("Lure advice");
        assertThat(page.locator(".advice > li").filter(new Locator.FilterOptions().setHasText("Umbrella rig")))
                .containsText("your rules say no");
        page.locator("summary:has-text('Setup')").first().click();
        assertThat(page.locator(".rigging").first()).containsText(Pattern.compile("hook.*line.*rod.*reel"));
        looksRight("Lure advice");
        page.navigate(page.url().replaceAll("/tackle.*", "/tackle/path?spot=parson-brush&lure=jighead-swimbait"));
        looksRight("Cast");
    }

    /** Fish that hung off the edge go on the list of what to come back to; what bites have in common is looked at. */
    @Test
    void theDemosFishAreLookedAtAgainAndItsBitesCompared(@RunningApp.Demo RunningApp demo) {
        enterDemo(demo, LAPTOP, "Spots");
        page.navigate(page.url().replaceAll("/spots.*", "/spots/waypoints"));
        looksRight("Waypoints");
        page.locator("li:has-text('Not feeding')")
                .getByText("Go back in 2 h")
                .first()
                .click();
        assertThat(page.locator("main")).containsText("look again in two hours");
        assertThat(page.locator("section.fish").last()).containsText("Harth Bend");
        button("Undo").click();
        page.navigate(page.url().replaceAll("/tackle.*", "/rankings/splits"));
        looksRight("What the bites have in common");
        assertThat(page.locator("tbody tr").first()).containsText(Pattern.compile("an hour"));
        nothingComplained();
    }
}
