package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ViewportSize;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;

/** An angler with a browser. */
@Tag("browser")
abstract class Walk {

    /** What reaches out of the window where the page is wider than it; nothing where it fits. */
    private static final String TOO_WIDE = """
            () => document.documentElement.scrollWidth <= window.innerWidth ? '' : [...document.querySelectorAll('body *')]
              .filter(e => e.getBoundingClientRect().right > window.innerWidth).map(e => e.tagName + ' ' + e.className + ' ' + e.textContent.trim().slice(0, 40)).join('; ')
            """;

    /** What axe finds wrong with the page, a text for each; it has no frames to look into. */
    private static final String VIOLATIONS = """
            () => axe.run(document, { resultTypes: ['violations'] }).then(found =>
              found.violations.map(v => v.id + ': ' + v.help + ' ' + v.nodes.map(n => n.html).join(' ')))
            """;

    /** What stands on the page and how it is dressed, without its words. */
    private static final String SHAPE = """
            () => document.documentElement.className + [...document.querySelectorAll('body *')]
              .map(e => [e.tagName, e.getAttribute('class'), e.getAttribute('role'), e.hidden].join(' ')).join()
            """;

    /** Titles and shapes of pages that were looked at: looking again at the same finds the same. */
    private static final Set<String> LOOKED_AT = new HashSet<>();

    /** A window's width and height. */
    record Size(int width, int height) {}

    static final Size PHONE = new Size(390, 844);
    static final Size LAPTOP = new Size(1280, 800);

    /** What a page must fit besides the window it is walked in: a small phone, a tablet and a laptop. */
    private static final List<Size> SIZES = List.of(new Size(360, 740), new Size(820, 1180), LAPTOP);

    private final List<String> complaints = new ArrayList<>();
    Page page;

    /** Leaves the last page, so that it asks for nothing any more; its window ends with the browser. */
    @AfterEach
    void leave() {
        page.navigate("about:blank");
    }

    /** Opens a window and signs in to a new account; gives a visitor without scripts of the same account. */
    Visitor signIn(RunningApp app, Size size) {
        page = Browser.window(size);
        page.onConsoleMessage(m -> {
            // A form with something wrong in it is answered with 422, which the browser notes, as it does a lost
            // signal.
            if (m.type().equals("error")
                    && !m.text().contains("status of 422")
                    && !m.text().contains("ERR_INTERNET_DISCONNECTED")) {
                complaints.add(m.text());
            }
        });
        RunningApp.Account account = app.account();
        enter(app, account);
        return account.visitor();
    }

    /** Signs in on the page. */
    void enter(RunningApp app, RunningApp.Account account) {
        page.navigate(app.address() + "/events");
        field("Name").fill(account.name());
        field("Password").fill(account.password());
        button("Sign in").click();
        assertThat(page).hasTitle("Events · Lochan");
    }

    /** Opens a window, signs in as the demo angler and opens a tab of the demo's event. */
    void enterDemo(RunningApp demo, Size size, String tab) {
        page = Browser.window(size);
        enterDemo(demo, tab);
    }

    /** Opens the demo in the current window. */
    void enterDemo(RunningApp demo, String tab) {
        page.navigate(demo.address() + "/sign-in");
        button("Sign in as the demo angler").click();
        page.getByRole(AriaRole.LINK, named("Two Arms Open")).first().click();
        station(tab);
    }

    void nothingComplained() {
        assertThat(complaints).as("what the browser complained of").isEmpty();
    }

    void station(String name) {
        page.waitForLoadState();
        page.locator(".stations")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    /** Once the page is laid out: what moves while its styles come is missed by a click. */
    Locator field(String label) {
        page.waitForLoadState();
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    Locator button(String name) {
        page.waitForLoadState();
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Whether the browser keeps the page of the boat's app. */
    boolean keepsApp(String boatPath) {
        return (Boolean)
                page.evaluate("async path => !!(await (await caches.open('lochan-app')).match(path))", boatPath);
    }

    /** The boat's app is on the device: it opens without a signal from now on. */
    void untilKept(String boatPath) {
        page.waitForFunction("() => navigator.serviceWorker.controller !== null");
        page.waitForCondition(() -> keepsApp(boatPath));
    }

    /** What folds at the foot of the boat's app is open. */
    static void openFoot(Page boat) {
        if (boat.locator(".boat-foot[open]").count() == 0) {
            boat.locator(".boat-foot summary").click();
        }
    }

    /** Chooses the competition's log, before its day. */
    static void compete(Page boat) {
        openFoot(boat);
        boat.getByRole(AriaRole.BUTTON, named("Competition log")).click();
        assertThat(boat.locator("#log-fish")).isVisible();
    }

    static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private void fits(String title) {
        ViewportSize walked = page.viewportSize();
        for (Size size : SIZES) {
            page.setViewportSize(size.width(), size.height());
            assertThat((String) page.evaluate(TOO_WIDE))
                    .as(title + " fits " + size.width())
                    .isEmpty();
        }
        page.setViewportSize(walked.width, walked.height);
    }

    /** The page is the one expected, fits windows of all widths and has nothing that axe finds. */
    void looksRight(String title) {
        page.waitForLoadState();
        assertThat(page).hasTitle(title + " · Lochan");
        if (!LOOKED_AT.add(title + page.evaluate(SHAPE))) {
            return;
        }
        fits(title);
        page.evaluate(AxeBuilder.getAxeScript());
        assertThat((List<?>) page.evaluate(VIOLATIONS)).as(title).isEmpty();
    }
}
