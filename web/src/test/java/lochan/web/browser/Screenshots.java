package lochan.web.browser;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;

/** Takes the pictures of the main views from the demo, into the folder that the property {@code lochan.screenshots} names. */
@ExtendWith(TestServers.class)
@EnabledIfSystemProperty(named = "lochan.screenshots", matches = ".+")
class Screenshots {

    private static final String EVENT = "Two Arms Open";
    private static final String FINISHED = "April Shakedown";
    /** Usual computations may take minutes on a busy machine. */
    private static final double COMPUTED_MILLIS = 300_000;

    private final Path folder = Path.of(System.getProperty("lochan.screenshots", "."));
    private String address;

    @Test
    void takePictures(@RunningApp.Demo RunningApp demo) {
        address = demo.address().toString();
        laptop(Browser.window(Walk.LAPTOP));
        phone(Browser.window(Walk.PHONE));
    }

    private void laptop(Page page) {
        enter(page);
        setClock(page, "Last practice evening");
        shoot(page, "events");
        String event = open(page);
        view(page, event, "rules");
        page.navigate(event + "/map");
        page.getByLabel("From", new Page.GetByLabelOptions().setExact(true)).selectOption("ferry-docks");
        page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).selectOption("raven-wall");
        page.getByText("on the water").waitFor();
        shoot(page, "map");
        view(page, event, "spots");
        view(page, event, "practice");
        page.navigate(event + "/practice/review");
        shoot(page, "review");
        page.navigate(event + "/rankings");
        page.waitForCondition(
                () -> page.locator("[data-again]").count() == 0,
                new Page.WaitForConditionOptions().setTimeout(COMPUTED_MILLIS));
        shoot(page, "rankings");
        page.locator("tbody a").first().click();
        shoot(page, "evidence");
        page.navigate(event + "/plan");
        page.locator("[data-plan][data-ready]").waitFor();
        shoot(page, "plan");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Backups"))
                .first()
                .click();
        page.locator("ol > li.sheet").first().waitFor();
        shoot(page, "backups");
        rehearse(page, event);
        page.navigate(event + "/tackle");
        shoot(page, "rods");
        page.navigate(event + "/tackle/advice?spot=sill-ledge&at=10:30");
        shoot(page, "advice");
        setClock(page, "After the weigh-in");
        page.navigate(address + "/events");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(FINISHED))
                .first()
                .click();
        page.navigate(page.url().replaceAll("/rules$", "") + "/competition/review");
        page.locator("#scores").waitFor();
        shoot(page, "weigh-in");
    }

    /** A day of three spots, and what came of it beside the others. */
    private void rehearse(Page page, String event) {
        page.navigate(event + "/plan");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Rehearse this day"))
                .click();
        page.getByLabel("Day number").fill("4");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin"))
                .click();
        for (String spot : List.of("harth-grass", "sill-ledge", "kestle-docks")) {
            page.getByLabel("Spot").selectOption(spot);
            step(page, "Go there");
            for (int halfHours = 0; halfHours < 5; halfHours++) {
                step(page, "Fish 30 minutes");
            }
        }
        page.locator("summary", new Page.LocatorOptions().setHasText("Back to check-in"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Run to check-in"))
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("See how it went"))
                .click();
        page.locator("#bags").waitFor(new Locator.WaitForOptions().setTimeout(COMPUTED_MILLIS));
        shoot(page, "rehearsal");
    }

    /** A step of a rehearsal, and the hour after it. */
    private static void step(Page page, String button) {
        String before = page.locator(".day-clock").textContent();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button))
                .click();
        page.waitForCondition(() -> !page.locator(".day-clock").textContent().equals(before));
    }

    private static void screen(Page page, String name) {
        page.locator(".boat-bar")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    private void phone(Page page) {
        enter(page);
        setClock(page, "Day 1, 09:40");
        String event = open(page);
        page.navigate(SampleEvents.boat(event));
        page.locator("[data-ready]").waitFor();
        screen(page, "Plan");
        page.locator(".outlook").waitFor();
        shoot(page, "boat-plan");
        screen(page, "Map");
        page.locator(".near button").first().click();
        page.locator("[data-place]").waitFor();
        shoot(page, "boat-map");
        screen(page, "Log");
        shoot(page, "boat-log");
        page.locator(".boat-foot summary").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Dark theme"))
                .click();
        screen(page, "Bag");
        shoot(page, "boat-bag");
        page.navigate(address + "/events");
        setClock(page, "Last practice evening");
        page.navigate(SampleEvents.boat(event));
        page.getByLabel("Where", new Page.GetByLabelOptions().setExact(true)).selectOption("mill-ledge");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start stop"))
                .click();
        page.locator("#fishing").waitFor();
        shoot(page, "boat-practice");
    }

    private void enter(Page page) {
        page.navigate(address + "/sign-in");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in as the demo angler"))
                .click();
    }

    private static void setClock(Page page, String moment) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(moment))
                .click();
    }

    private static String open(Page page) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(EVENT))
                .first()
                .click();
        return page.url().replaceAll("/rules$", "");
    }

    private void view(Page page, String event, String name) {
        page.navigate(event + "/" + name);
        shoot(page, name);
    }

    private void shoot(Page page, String name) {
        page.evaluate("async () => { await Promise.all([...document.fonts].map(font => font.load())); }");
        page.waitForFunction(
                "() => [...document.querySelectorAll('[data-lake-map]')].every((map) => map.dataset.ready)");
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
