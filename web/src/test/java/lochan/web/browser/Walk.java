package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import lochan.web.testing.RunningApp;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;

/** An angler with a browser. */
@Tag("browser")
abstract class Walk {

    /** What reaches out of the window where the page is wider than it; nothing where it fits. */
    private static final String TOO_WIDE = """
            () => document.documentElement.scrollWidth <= window.innerWidth ? '' : [...document.querySelectorAll('body *')]
              .filter(e => e.getBoundingClientRect().right > window.innerWidth).map(e => e.tagName + ' ' + e.className + ' ' + e.textContent.trim().slice(0, 40)).join('; ')
            """;

    private static Browser browser;

    private final List<String> complaints = new ArrayList<>();
    Page page;

    @BeforeAll
    static void open() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    /** Opens a window and signs in to a new account; gives a visitor without scripts of the same account. */
    Visitor signIn(RunningApp app, int width, int height) {
        page = browser.window(width, height);
        page.onConsoleMessage(m -> {
            // A form with something wrong in it is answered with 422, which the browser notes.
            if (m.type().equals("error") && !m.text().contains("status of 422")) {
                complaints.add(m.text());
            }
        });
        RunningApp.Account account = app.account();
        page.navigate(app.address() + "/events");
        looksRight("Sign in");
        field("Name").fill(account.name());
        field("Password").fill(account.password());
        button("Sign in").click();
        looksRight("Events");
        return account.visitor();
    }

    void nothingComplained() {
        assertThat(complaints).as("what the browser complained of").isEmpty();
    }

    void station(String name) {
        page.locator(".stations")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(name))
                .click();
    }

    Locator field(String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    /** The page is the one expected, fits the window's width and has nothing that axe finds. */
    void looksRight(String title) {
        assertThat(page).hasTitle(title + " · Lochan");
        assertThat((String) page.evaluate(TOO_WIDE))
                .as(title + " fits the window")
                .isEmpty();
        assertThat(new AxeBuilder(page).analyze().getViolations())
                .as(title)
                .allSatisfy(v -> org.assertj.core.api.Assertions.fail(v.getId() + ": " + v.getHelp() + " "
                        + v.getNodes().stream().map(n -> n.getHtml()).toList()));
    }
}
