package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The map of the demo's lake on its pages: moved by keys, buttons and fingers, and asked by taps. */
@ExtendWith(TestServers.class)
class MapWalkTest extends Walk {

    private Locator map() {
        Locator map = page.locator("[data-lake-map][data-ready]");
        assertThat(map).isAttached();
        return map;
    }

    private Object ask(String script) {
        return map().evaluate("root => { const map = root.lakeMap; return " + script + "; }");
    }

    private double number(String script) {
        return ((Number) ask(script)).doubleValue();
    }

    /** Clicks what lies on the map: a spot, or a candidate, by its id. */
    private void tap(String id, boolean withAFinger) {
        map().scrollIntoViewIfNeeded();
        map().evaluate(
                        "(root, id) => { const all = [...root.lakeMap.shown.places, ...root.lakeMap.shown.candidates];"
                                + " root.lakeMap.centre(all.find((one) => one.id === id), 12); }",
                        id);
        // What can be hit is that of the last picture: the one after the move must be drawn.
        page.waitForFunction(
                "id => { const map = document.querySelector('[data-lake-map]').lakeMap;"
                        + " return !map.frame && map.hits.some((hit) => hit.id === id && hit.members.length < 2); }",
                id);
        List<?> at = (List<?>) map().evaluate(
                        "(root, id) => { const box = root.querySelector('canvas').getBoundingClientRect();"
                                + " const { at } = root.lakeMap.hits.find((hit) => hit.id === id); return [box.left + at[0], box.top + at[1]]; }",
                        id);
        double x = ((Number) at.get(0)).doubleValue();
        double y = ((Number) at.get(1)).doubleValue();
        if (withAFinger) {
            page.touchscreen().tap(x, y);
        } else {
            page.mouse().click(x, y);
        }
    }

    @Test
    void theMapIsMovedAndAnswers(@RunningApp.Demo RunningApp demo) {
        enterDemo(demo, LAPTOP, "Map");
        map();

        page.locator("[data-lake]").focus();
        page.keyboard().press("+");
        assertThat(number("map.transform.k")).isCloseTo(1.6, org.assertj.core.api.Assertions.within(1e-9));
        page.keyboard().press("ArrowRight");
        assertThat(number("map.transform.x")).isNotEqualTo(0);
        page.keyboard().press("0");
        assertThat(number("map.transform.k")).isEqualTo(1);
        page.getByLabel("Closer", new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("All"))
                .click();

        tap("raven-wall", false);
        assertThat(page.locator("[data-run-words]")).containsText("mi on the water");
        assertThat(page.locator("#place-title")).hasText("Raven Wall");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Find water like this"))
                .click();
        assertThat(page.locator("[data-alike-list] button").first()).containsText("alike");
        assertThat(
                        number(
                                "map.depths.at(...Object.values(map.placeAt(map.canvas.clientWidth / 2, map.canvas.clientHeight / 2))).metres"))
                .as("the depth under the middle, m")
                .isBetween(0.5, 40.0);

        page.locator("[data-end=from]").focus();
        for (int i = 0; i < 12; i++) {
            page.keyboard().press("ArrowDown");
        }
        assertThat(page.locator("[data-band-words]")).hasText(Pattern.compile("12 ft to \\d+ ft: [\\d.]+ acres, .*"));
        assertThat(page.locator("tr.dimmed").first()).isAttached();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show all depths"))
                .click();

        page.locator(".layers summary").click();
        page.getByLabel("structure", new Page.GetByLabelOptions().setExact(true))
                .uncheck();
        page.reload();
        assertThat(ask("map.layers.structure")).as("remembered").isEqualTo(false);
        page.locator(".layers summary").click();
        page.getByLabel("structure", new Page.GetByLabelOptions().setExact(true))
                .check();

        int marked = (int) number("map.shown.places.length");
        page.locator("section[aria-labelledby=looks] tbody tr")
                .first()
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add the"))
                .click();
        assertThat(page.locator("main > .note")).containsText("added as a spot");
        assertThat((int) number("map.shown.places.length")).isEqualTo(marked + 1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo"))
                .click();
        page.locator(".stations")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Map"))
                .click();
        assertThat((int) number("map.shown.places.length")).isEqualTo(marked);

        looksRight("Map");
    }

    @Test
    void rankingsAndPlansLieOnTheMap(@RunningApp.Demo RunningApp demo) {
        enterDemo(demo, LAPTOP, "Rankings");
        tap("harth-bend", false);
        // Values that are computed meanwhile come into the page: the map stays as it is.
        page.evaluate(
                "() => { document.getElementById('content').dataset.again = 'true'; return import('/js/work.js').then((work) => work.watchWork()); }");
        assertThat(page.locator("[data-again]")).hasCount(0);
        assertThat(ask("map.shown.chosen")).isEqualTo("harth-bend");
        tap("sill-ledge", false);
        assertThat(page.locator("tr.chosen").first()).containsText("Sill Ledge");
        page.locator("[data-hour]").focus();
        page.keyboard().press("End");
        assertThat(page.locator("[data-hour-words]")).containsText("14:30");
        assertThat(page.locator("#at")).hasValue("14:30");
        assertThat(page).hasURL(Pattern.compile("at=14%3A30"));
        page.getByLabel("Zone").selectOption("deep");
        assertThat(page.locator("[data-ranking-list] tbody tr").first()).isVisible();
        looksRight("Rankings");

        page.locator(".stations")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Plan"))
                .click();
        Locator stops = page.locator(".stop-row");
        int before = stops.count();
        tap("long-meadow", false);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add it to the plan"))
                .click();
        assertThat(stops).hasCount(before + 1);
        assertThat((int) number("map.shown.legs.length")).isGreaterThan(2);

        // The number of the first stop is let fall on another spot: it is fished there instead.
        map().scrollIntoViewIfNeeded();
        ask("(map.all(), null)");
        page.evaluate("() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))");
        List<?> from = place("map.hits.find((hit) => hit.kind === 'stop' && hit.id === '0').at");
        List<?> to = place(
                "(({ lat, lon }) => map.onScreen(lat, lon))(map.shown.places.find(({ id }) => id === 'dam-riprap'))");
        page.mouse().move(number(from, 0), number(from, 1));
        page.mouse().down();
        page.mouse().move((number(from, 0) + number(to, 0)) / 2, (number(from, 1) + number(to, 1)) / 2);
        page.mouse().move(number(to, 0), number(to, 1));
        page.mouse().up();
        assertThat(page.locator("[id='stops/0/spot']")).hasValue("dam-riprap");
        assertThat(page.locator("[data-undo]")).isEnabled();
    }

    /** A place of the map's canvas on the screen. */
    private List<?> place(String script) {
        return (List<?>) map().evaluate(
                        "root => { const map = root.lakeMap; const box = map.canvas.getBoundingClientRect(); const [x, y] = "
                                + script + "; return [box.left + x, box.top + y]; }");
    }

    private static double number(List<?> place, int axis) {
        return ((Number) place.get(axis)).doubleValue();
    }

    /** On a slow line the map comes late: what was chosen meanwhile is answered when it is there. */
    @Test
    void aRunChosenBeforeTheMapIsThereIsToldWithIt(@RunningApp.Demo RunningApp demo) {
        enterDemo(demo, LAPTOP, "Map");
        List<Route> held = new ArrayList<>();
        page.route("**/map/sheet*", held::add);
        page.reload();
        page.getByLabel("From", new Page.GetByLabelOptions().setExact(true)).selectOption("ferry-docks");
        page.getByLabel("To", new Page.GetByLabelOptions().setExact(true)).selectOption("raven-wall");
        page.waitForCondition(() -> !held.isEmpty());
        held.forEach(Route::resume);
        assertThat(page.locator("[data-run-words]")).containsText("on the water");
    }

    @Test
    void fingersPinchAndTap(@RunningApp.Demo RunningApp demo) {
        page = Browser.touched(PHONE);
        enterDemo(demo, "Map");
        map().scrollIntoViewIfNeeded();
        List<?> middle = (List<?>)
                map().evaluate(
                                "root => { const box = root.querySelector('canvas').getBoundingClientRect(); return [box.left + box.width / 2, box.top + box.height / 2]; }");
        double x = ((Number) middle.get(0)).doubleValue();
        double y = ((Number) middle.get(1)).doubleValue();
        CDPSession fingers = page.context().newCDPSession(page);
        fingers.send("Input.dispatchTouchEvent", touch("touchStart", x, y, 30));
        for (int apart = 40; apart <= 120; apart += 20) {
            fingers.send("Input.dispatchTouchEvent", touch("touchMove", x, y, apart));
        }
        fingers.send("Input.dispatchTouchEvent", touch("touchEnd", x, y, 0));
        assertThat(number("map.transform.k")).as("two fingers apart").isGreaterThan(2);

        tap("kestle-docks", true);
        assertThat(page.locator("#place-title")).hasText("Kestle Docks");
        looksRight("Map");
    }

    /** Two fingers some pixels from a middle; none for 0. */
    private static JsonObject touch(String type, double x, double y, int apart) {
        JsonArray points = new JsonArray();
        for (int side = -1; apart > 0 && side <= 1; side += 2) {
            JsonObject point = new JsonObject();
            point.addProperty("x", x + side * apart);
            point.addProperty("y", y);
            points.add(point);
        }
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        return event;
    }
}
