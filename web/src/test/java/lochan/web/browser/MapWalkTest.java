package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The map of the demo's lake: moved by keys and buttons, a run between two cairns, a band of depths. */
@ExtendWith(TestServers.class)
class MapWalkTest extends Walk {

    @Test
    void theMapIsMovedAndAnswers(@RunningApp.Demo RunningApp demo) {
        enterDemo(demo, LAPTOP, "Map");
        Locator view = page.locator("[data-map][data-ready] [data-view]");
        assertThat(view).isAttached();

        page.locator("[data-map] svg").focus();
        page.keyboard().press("+");
        assertThat(view).hasAttribute("transform", Pattern.compile("scale\\(1\\.5\\)"));
        page.keyboard().press("ArrowRight");
        page.keyboard().press("0");
        assertThat(view).hasAttribute("transform", Pattern.compile("translate\\(0,\\s?0\\) scale\\(1\\)"));
        page.getByLabel("Closer", new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("All"))
                .click();

        page.locator("[data-spot=raven-wall]").dispatchEvent("click");
        assertThat(page.locator("[data-run-words]")).containsText("mi on the water");
        page.locator("[data-spot=grey-snag]").dispatchEvent("click");
        assertThat(page.locator("[data-run-from]")).hasValue("raven-wall");
        assertThat(page.locator("[data-run]")).hasAttribute("d", Pattern.compile("^M"));

        page.getByLabel("To, ft").fill("20");
        page.getByLabel("From, ft").fill("12");
        assertThat(page.locator("[data-band-words]")).hasText(Pattern.compile("12 to 20 ft: [\\d.]+ acres"));

        assertThat(page.locator("[data-map] path.closed")).isAttached();
        Locator look = page.locator("section[aria-labelledby=looks] tbody tr").first();
        int marked = page.locator("[data-map] .place").count();
        look.getByRole(AriaRole.BUTTON).click();
        assertThat(page.locator(".note")).containsText("added as a spot");
        assertThat(page.locator("[data-map] .place")).hasCount(marked + 1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        page.locator(".stations")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Map"))
                .click();
        assertThat(page.locator("[data-map] .place")).hasCount(marked);

        looksRight("Map");
    }
}
