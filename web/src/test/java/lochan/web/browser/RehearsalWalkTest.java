package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalTime;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** An angler rehearses a stormy day on the phone, from the plan to what each decision cost. */
@ExtendWith(TestServers.class)
@Tag("slow")
class RehearsalWalkTest extends Walk {

    private static final int MOST_STEPS = 60;

    @Test
    void aStormyDayIsPlayedInTheBoatsScreensAndLookedBackOn(RunningApp app) {
        Visitor visitor = signIn(app, PHONE);
        String event = SampleEvents.demoAgain(visitor);
        visitor.post(
                event + "/practice/forecast",
                "day",
                "1",
                "0/from",
                "06:00",
                "0/to",
                "10:00",
                "0/wind",
                "5",
                "0/windFrom",
                "SW",
                "1/from",
                "10:00",
                "1/to",
                "11:00",
                "1/wind",
                "8",
                "1/windFrom",
                "W",
                "1/lightning",
                "on",
                "2/from",
                "11:00",
                "2/to",
                "15:00",
                "2/wind",
                "6",
                "2/windFrom",
                "NW");
        String before = visitor.get(event + "/export").body();
        page.navigate(app.address() + event + "/plan");
        page.getByRole(AriaRole.LINK, named("Rehearse this day")).click();
        looksRight("Rehearsals");
        field("Day number").fill("many");
        button("Begin").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Day number: expected a whole number");
        field("Day number").fill("4");
        button("Begin").click();

        assertThat(page.locator("[data-told]")).containsText("You are at the launch");
        assertThat(page.locator("#spot option").first()).containsText("run");
        looksRight("Rehearsal");
        button("Go there").click();
        assertThat(page.locator("[data-told]")).containsText("At Harth Grass, Walking topwater.");
        fishUntilLightning();
        assertThat(page.locator("[data-go]")).hasCount(0);
        looksRight("Rehearsal");
        page.getByRole(AriaRole.BUTTON, named("At the launch")).first().click();
        assertThat(page.locator("[data-told]")).containsText("You waited at the launch until");
        assertThat(page.locator("h2", new Page.LocatorOptions().setHasText("Not fishing")))
                .isVisible();

        screen("Map");
        page.locator(".near button").nth(3).click();
        String spot = page.locator("#place").textContent().split(" {2,}|\\n")[0].strip();
        looksRight("Rehearsal");
        page.getByRole(AriaRole.BUTTON, named("Run there with")).click();
        assertThat(page.locator("[data-told]")).containsText("At " + spot.split(",")[0].substring(0, 4));
        assertThat(page.locator(".boat-head")).not().containsText("Lightning");
        screen("Plan");
        assertThat(page.locator("main")).containsText("Move advice is hidden in this rehearsal.");
        assertThat(page.locator("#next-hour")).hasCount(0);
        looksRight("Rehearsal");
        button("Show move advice").click();
        assertThat(page.locator("#next-hour")).isVisible();
        assertThat(page.locator("main")).not().containsText("Log try");
        screen("Bag");
        String bag = page.locator(".boat-head strong").first().textContent();

        page.reload();
        assertThat(page.locator("#advised")).isVisible();
        assertThat(page.locator(".boat-head strong").first()).hasText(bag);
        page.locator("summary", new Page.LocatorOptions().setHasText("Back to check-in"))
                .click();
        page.getByRole(AriaRole.BUTTON, named("Run to check-in")).click();
        assertThat(page.locator("main")).containsText("The day is over");
        page.getByRole(AriaRole.LINK, named("See how it went")).click();

        assertThat(page.locator("#bags")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(120_000));
        assertThat(page.locator("[aria-labelledby=bags] tbody tr")).hasCount(4);
        assertThat(page.locator(".headline")).containsText(bag);
        looksRight("Rehearsal");
        page.getByRole(AriaRole.LINK, named("All rehearsals")).click();
        assertThat(page.locator("tbody tr")).containsText("seen");
        looksRight("Rehearsals");
        button("Delete the rehearsal of " + page.locator("tbody a").textContent())
                .click();
        button("Undo").click();
        assertThat(page.locator("tbody tr")).hasCount(1);
        assertThat(visitor.get(event + "/export").body()).isEqualTo(before);
        nothingComplained();
    }

    private void screen(String name) {
        page.locator(".boat-bar")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    private void fishUntilLightning() {
        Locator lightning = page.getByText("Lightning: go ashore and wait there.");
        Locator clock = page.locator(".day-clock");
        for (int i = 0; i < MOST_STEPS && lightning.count() == 0; i++) {
            String before = clock.textContent();
            button("Fish 15 minutes").click();
            assertThat(clock).not().hasText(before);
        }
        assertThat(lightning).isVisible();
        assertThat(LocalTime.parse(clock.textContent().strip())).isBetween(LocalTime.of(8, 30), LocalTime.of(11, 30));
    }
}
