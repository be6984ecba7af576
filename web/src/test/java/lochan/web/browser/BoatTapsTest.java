package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Geolocation;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import lochan.wording.Wording;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** How often a wet thumb has to hit something, and what it sees without scrolling. */
@ExtendWith(TestServers.class)
class BoatTapsTest extends Walk {

    /** Answers at once with what the page's own voice would be. */
    private static final String VOICE = """
            window.SpeechRecognition = class {
              start() { this.onresult({ results: [[{ transcript: 'largemouth three four' }]] }); }
            };""";

    private static final List<Size> PHONES = List.of(new Size(390, 844), new Size(360, 740));
    private static final String IN_SIGHT = """
            (what) => {
              const { top, bottom } = what.getBoundingClientRect();
              const bar = document.querySelector('.boat-bar').getBoundingClientRect();
              return top >= 0 && bottom <= bar.top;
            }""";

    /** Words that stand out less than 7 to 1. */
    private static final String PALE = """
            () => axe.run(document, { runOnly: ['color-contrast-enhanced'], resultTypes: ['violations'] }).then((found) =>
              found.violations.flatMap(({ nodes }) => nodes.map((node) => node.failureSummary + ' ' + node.html)))""";

    private int taps;

    private void tap(Locator what) {
        what.tap();
        taps++;
    }

    private void tap(String button) {
        tap(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button))
                .first());
    }

    /** Taps since it was asked last. */
    private int tapped() {
        int counted = taps;
        taps = 0;
        return counted;
    }

    private void seesWithoutScrolling(Locator... all) {
        for (Size size : PHONES) {
            page.setViewportSize(size.width(), size.height());
            page.evaluate("window.scrollTo(0, 0)");
            for (Locator one : all) {
                assertThat((Boolean) one.first().evaluate(IN_SIGHT))
                        .as(one + " is in sight on " + size)
                        .isTrue();
            }
        }
    }

    @Test
    void logsWithFewTapsAndShowsWhatMattersFirst(RunningApp app) {
        RunningApp.Account account = app.account();
        Visitor ashore = account.visitor();
        String path = SampleEvents.event(ashore, "Few taps");
        BrowserContext touch = Browser.window(PHONE)
                .context()
                .browser()
                .newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                        .setViewportSize(PHONE.width(), PHONE.height())
                        .setHasTouch(true)
                        .setTimezoneId("America/Boise")
                        .setPermissions(List.of("geolocation"))
                        .setGeolocation(new Geolocation(42.6302, -116.9101)));
        touch.addInitScript(VOICE);
        page = touch.newPage();
        enter(app, account);
        page.navigate(app.address() + SampleEvents.boat(path));
        assertThat(page.getByText("Start at Reed Corner")).isVisible();
        seesWithoutScrolling(page.getByText("Start at Reed Corner"));

        tap("Start at Reed Corner");
        assertThat(tapped()).as("start at the nearest spot").isEqualTo(1);
        assertThat(page.locator("#fishing")).containsText("Fishing Reed Corner");
        tap("Missed");
        assertThat(tapped()).as("a bite").isEqualTo(1);
        assertThat(page.locator(".log li")).hasCount(1);
        tap(page.locator(".undo-bar button"));
        assertThat(tapped()).as("undo").isEqualTo(1);
        assertThat(page.locator(".log li")).hasCount(0);
        tap(page.getByText("Move on to another spot"));
        tap("New spot here");
        assertThat(tapped()).as("a new spot").isEqualTo(2);
        assertThat(page.locator("#fishing")).containsText("Fishing New spot");

        compete(page);
        tapped();
        Locator keys = page.locator(".keypad button");
        for (String digit : List.of("3", "-", "4")) {
            keys.filter(new Locator.FilterOptions().setHasText(digit)).first().tap();
        }
        tap("Log fish");
        assertThat(tapped()).as("a fish beside its digits").isLessThanOrEqualTo(3);
        assertThat(page.locator(".verdict .act-words")).hasText(Wording.text("bag.keep", "Red"));
        seesWithoutScrolling(
                page.locator(".boat-head strong"), page.locator(".day-clock"), page.locator(".verdict .act-words"));
        tap("Say it");
        assertThat(page.locator("#weight")).hasValue("3-4");
        tap("Log fish");
        assertThat(tapped()).as("a fish that was spoken").isEqualTo(2);
        assertThat(page.locator(".log > li")).hasCount(2);
    }

    @Test
    void standsOutInSunAndBeforeDawn(@RunningApp.Demo RunningApp demo) {
        Visitor ashore = signIn(demo, PHONE);
        String path = SampleEvents.demoAgain(ashore);
        ashore.post("/demo/clock", "moment", "DAY_1_MORNING");
        page.navigate(demo.address() + SampleEvents.boat(path));
        page.evaluate(AxeBuilder.getAxeScript());
        for (String theme : List.of("Dark theme", "Light theme")) {
            for (String screen : List.of("Log", "Bag", "Map", "Plan")) {
                page.locator(".boat-bar")
                        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(screen))
                        .click();
                if (screen.equals("Map")) {
                    page.locator(".near button").first().click();
                }
                if (screen.equals("Plan")) {
                    page.locator(".outlook").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
                }
                assertThat((List<?>) page.evaluate(PALE))
                        .as(screen + ", before " + theme)
                        .isEmpty();
            }
            openFoot(page);
            button(theme).click();
        }
        ashore.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
        page.navigate(demo.address() + SampleEvents.boat(path));
        page.evaluate(AxeBuilder.getAxeScript());
        page.getByText("Start stop").click();
        assertThat(page.locator("#fishing")).isVisible();
        assertThat((List<?>) page.evaluate(PALE)).as("practice").isEmpty();
    }
}
