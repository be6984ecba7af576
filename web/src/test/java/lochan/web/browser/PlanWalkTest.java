package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.regex.Pattern;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A plan of the demo changed by keys, by dragging and by typing, searched around its locks, and taken along. */
@ExtendWith(TestServers.class)
class PlanWalkTest extends Walk {

    /** A copy of the demo's plan, so that walks do not meet. */
    private void openCopy(RunningApp demo) {
        enterDemo(demo, LAPTOP, "Plan");
        button("Copy").click();
        assertThat(page.locator("main > .note")).containsText("Copied for day 1.");
        assertThat(page.locator("[data-plan][data-ready]")).isAttached();
    }

    private Locator arrive(int stop) {
        return page.locator("[id='stops/" + stop + "/arrive']");
    }

    private Locator leave(int stop) {
        return page.locator("[id='stops/" + stop + "/leave']");
    }

    private Locator bead(int stop) {
        return page.locator("#bead-" + stop);
    }

    private Locator cost() {
        return page.locator("[data-cost]");
    }

    @Test
    void aPlanIsChangedByKeysAndEveryChangeIsValuedAndUndone(@RunningApp.Demo RunningApp demo) {
        openCopy(demo);
        String first = arrive(0).inputValue();
        bead(5).focus();
        page.keyboard().press("Shift+ArrowLeft");
        assertThat(cost()).hasText(Pattern.compile("(−\\d+ oz|no difference): Harth Bend shorter"));
        assertThat(bead(5)).isFocused();
        page.keyboard().press("ArrowRight");
        assertThat(cost()).containsText("Harth Bend later");
        page.keyboard().press("PageUp");
        assertThat(cost()).containsText("in another order");
        assertThat(bead(4)).isFocused();
        assertThat(bead(4)).hasAttribute("aria-label", Pattern.compile("Stop 5: Harth Bend"));
        page.keyboard().press("l");
        assertThat(bead(4)).hasAttribute("aria-label", Pattern.compile("locked"));
        page.keyboard().press("Enter");
        assertThat(arrive(4)).isFocused();
        bead(0).focus();
        page.keyboard().press("Delete");
        assertThat(page.locator("[data-bead]")).hasCount(5);
        assertThat(cost()).hasText(Pattern.compile("−.*oz: Harth Grass dropped"));

        for (int i = 0; i < 5; i++) {
            page.keyboard().press("Control+z");
            assertThat(page.locator("main > .note").first()).containsText("Undone");
            page.locator("main > .note").first().evaluate("note => note.remove()");
        }
        assertThat(page.locator("[data-bead]")).hasCount(6);
        assertThat(arrive(0)).hasValue(first);
        assertThat(page.locator("[data-undo]")).isDisabled();
        page.keyboard().press("Control+y");
        assertThat(cost()).containsText("Harth Bend shorter");
        looksRight("Plan");
    }

    @Test
    void aPlanIsChangedByDraggingAndTyping(@RunningApp.Demo RunningApp demo) {
        openCopy(demo);
        BoundingBox box = bead(4).locator(".bead").boundingBox();
        drag(box.x + box.width - 1, box.y + 20, -60);
        assertThat(cost()).containsText("Sill Ledge ended at another time");
        assertThat(leave(4)).not().hasValue("12:35");

        BoundingBox third = bead(2).locator(".bead").boundingBox();
        BoundingBox fourth = bead(3).locator(".bead").boundingBox();
        drag(third.x + third.width / 2, third.y + 20, fourth.x + fourth.width - third.x);
        assertThat(cost()).containsText("Parson's Brush in another order");
        assertThat(bead(3)).hasAttribute("aria-label", Pattern.compile("Parson's Brush"));

        leave(0).fill("06:55");
        leave(0).press("Enter");
        assertThat(cost()).containsText("Harth Grass set by hand");
        leave(0).fill("05:00");
        leave(0).press("Tab");
        assertThat(page.locator(".stop-row .error")).containsText("before you arrive");
        assertThat(leave(0)).hasValue("05:00");
        page.locator("[data-undo]").click();
        assertThat(leave(0)).hasValue("07:00");

        page.getByLabel("Add a stop").selectOption("mill-ledge");
        page.getByLabel("with", new Page.GetByLabelOptions().setExact(true))
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Drop shot"));
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Add").setExact(true))
                .click();
        assertThat(cost()).containsText("Mill Ledge added");
        assertThat(page.locator("[data-bead]")).hasCount(7);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Delete Mill Ledge"))
                .click();
        assertThat(page.locator("[data-bead]")).hasCount(6);
    }

    private void drag(double x, double y, double by) {
        page.mouse().move(x, y);
        page.mouse().down();
        page.mouse().move(x + by / 2, y);
        page.mouse().move(x + by, y);
        page.mouse().up();
    }

    @Test
    void strategiesStandSideBySideWhileThePlanIsWorkedOn(@RunningApp.Demo RunningApp demo) {
        openCopy(demo);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Lock Sill Ledge"))
                .click();
        assertThat(page.locator(".stop-row.locked")).hasCount(1);
        String locked = arrive(4).inputValue() + "–" + leave(4).inputValue();
        page.getByLabel("Strategy").selectOption("all");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Optimise around locked stops"))
                .click();
        assertThat(page.locator("#search progress")).isVisible();
        leave(0).fill("06:50");
        assertThat(page.locator("#search tbody tr")).hasCount(4);
        assertThat(leave(0)).hasValue("06:50");
        for (Locator row : page.locator("#search tbody tr").all()) {
            assertThat(row).containsText("Sill Ledge " + locked);
        }
        looksRight("Plan");

        page.locator("#wind").fill("15");
        assertThat(page.locator("#supposed [role=status]")).containsText(" difference");
        page.getByLabel(Pattern.compile("Half strength")).check();
        assertThat(page.locator("#supposed [role=status]")).containsText(Pattern.compile("−\\d+ lb"));

        Locator target = page.locator("#search tbody tr").last();
        target.getByRole(AriaRole.BUTTON).click();
        assertThat(page.locator("main > .note")).containsText("The plan was added");
        assertThat(page.locator(".tabs [aria-current]")).containsText("Target weight");
        for (String file : List.of("PDF", "GPX", "Calendar", "Event file")) {
            Download download = page.waitForDownload(() -> page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions().setName(file).setExact(true))
                    .click());
            assertThat(download.failure()).isNull();
            assertThat(download.suggestedFilename()).matches(".+\\.(pdf|gpx|ics|json)");
        }
    }
}
