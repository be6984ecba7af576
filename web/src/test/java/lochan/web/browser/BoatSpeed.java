package lochan.web.browser;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Locale;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import lochan.web.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * Measures the boat's app without a signal, the processor of its page slowed {@value #SLOWED} times, and writes what it measured to the file
 * that the property {@code lochan.speed} names. The app's worker is not slowed.
 */
@ExtendWith(TestServers.class)
@EnabledIfSystemProperty(named = "lochan.speed", matches = ".+")
class BoatSpeed extends Walk {

    private static final int SLOWED = 4;
    private static final int TIMES = 9;
    /** Before each: what follows from the last one has been computed. */
    private static final int PAUSE_MILLIS = 3000;

    private static final Locator.WaitForOptions PATIENT = new Locator.WaitForOptions().setTimeout(120_000);

    /** Notes when the bag stands on the screen and a frame later, ms since the page was asked for. */
    private static final String NOTE_OPENING = """
            new MutationObserver((_, me) => {
              if (!document.querySelector('.boat-head') || !document.body.dataset.ready) return;
              me.disconnect();
              requestAnimationFrame(() => setTimeout(() => { window.opened = performance.now(); }));
            }).observe(document, { childList: true, subtree: true, attributes: true });
            """;

    /** From the tap until the decision has been painted, ms. */
    private static final String NOTE_ANSWER = """
            () => {
              delete window.took;
              const log = document.querySelectorAll('.log > li').length;
              document.querySelector('#log-fish').closest('section').querySelector('button.act').addEventListener('click', ({ timeStamp }) => {
                new MutationObserver((_, me) => {
                  if (document.querySelectorAll('.log > li').length === log) return;
                  me.disconnect();
                  requestAnimationFrame(() => setTimeout(() => { window.took = performance.now() - timeStamp; }));
                }).observe(document, { childList: true, subtree: true, characterData: true });
              }, { once: true, capture: true });
            }
            """;

    /** From a bite that was missed until the advice that follows from it is kept, ms. */
    private static final String ADVICE = """
            async () => {
              const db = await new Promise(done => { const opening = indexedDB.open('lochan-boat'); opening.onsuccess = () => done(opening.result); });
              const planned = () => new Promise(done => {
                const kept = db.transaction('events').objectStore('events').get(location.pathname);
                kept.onsuccess = () => done(kept.result.plan.now);
              });
              const before = await planned();
              const tapped = performance.now();
              document.querySelector('[data-form=missed] button').click();
              while (await planned() === before) await new Promise(done => setTimeout(done, 20));
              db.close();
              return performance.now() - tapped;
            }
            """;

    private static final String FRAMES = """
            () => new Promise(done => {
              const lake = document.querySelector('canvas[data-lake]');
              const { x, y, width, height } = lake.getBoundingClientRect();
              const at = i => ({ bubbles: true, view: window, clientX: x + width / 2 + 60 * Math.sin(i / 9), clientY: y + height / 2 + 40 * Math.cos(i / 7) });
              lake.dispatchEvent(new MouseEvent('mousedown', at(0)));
              const begun = performance.now();
              let frames = 0;
              const next = () => {
                frames += 1;
                window.dispatchEvent(new MouseEvent('mousemove', at(frames)));
                if (performance.now() - begun < 3000) requestAnimationFrame(next);
                else { window.dispatchEvent(new MouseEvent('mouseup', at(frames))); done(frames * 1000 / (performance.now() - begun)); }
              };
              requestAnimationFrame(next);
            })
            """;

    @Test
    void measure(@RunningApp.Demo RunningApp demo) throws IOException {
        Visitor ashore = signIn(demo, PHONE);
        String path = SampleEvents.demoAgain(ashore);
        ashore.post("/demo/clock", "moment", "DAY_1_MORNING");
        page.addInitScript(NOTE_OPENING);
        String boat = SampleEvents.boat(path);
        page.navigate(demo.address() + boat);
        untilKept(boat);
        screen("Plan");
        page.locator(".outlook").waitFor(PATIENT);
        page.context().setOffline(true);
        CDPSession session = page.context().newCDPSession(page);
        slow(session, SLOWED);

        StringBuilder report = new StringBuilder();
        report.append(line(
                "boat: opens without a signal, ms", IntStream.range(0, TIMES).mapToDouble(i -> {
                    page.waitForTimeout(PAUSE_MILLIS);
                    page.reload();
                    page.waitForFunction("() => window.opened");
                    return number("() => window.opened");
                })));
        screen("Plan");
        page.locator(".outlook").waitFor(PATIENT);
        screen("Log");
        report.append(
                line("boat: answers after a fish, ms", IntStream.range(0, TIMES).mapToDouble(i -> {
                    page.waitForTimeout(PAUSE_MILLIS);
                    field("Weight").first().fill(2 + i / 4 + "-" + (i * 5) % 16);
                    page.evaluate(NOTE_ANSWER);
                    button("Log fish").click();
                    page.waitForFunction("() => window.took");
                    return number("() => window.took");
                })));
        report.append(
                line("boat: advises after a bite, ms", IntStream.range(0, TIMES).mapToDouble(i -> {
                    page.waitForTimeout(PAUSE_MILLIS);
                    return number(ADVICE);
                })));
        screen("Map");
        page.locator("canvas[data-lake]").waitFor();
        report.append(line(
                "boat: frames a second while the map is moved",
                IntStream.range(0, 3).mapToDouble(i -> number(FRAMES))));
        slow(session, 1);
        Files.writeString(
                Path.of(System.getProperty("lochan.speed")),
                report,
                StandardOpenOption.CREATE,
                StandardOpenOption.APPEND);
        ashore.post("/demo/clock", "moment", "LAST_PRACTICE_EVENING");
    }

    private static void slow(CDPSession session, int times) {
        JsonObject rate = new JsonObject();
        rate.addProperty("rate", times);
        session.send("Emulation.setCPUThrottlingRate", rate);
    }

    private double number(String script) {
        return ((Number) page.evaluate(script)).doubleValue();
    }

    private static String line(String what, DoubleStream measured) {
        List<Double> took = measured.boxed().toList();
        List<Double> sorted = took.stream().sorted().toList();
        return String.format(
                Locale.ROOT,
                "%-46s %5.0f at first, %.0f in the middle, %.0f least, %.0f most%n",
                what,
                took.getFirst(),
                sorted.get(sorted.size() / 2),
                sorted.getFirst(),
                sorted.getLast());
    }

    private void screen(String name) {
        page.locator(".boat-bar")
                .getByRole(
                        com.microsoft.playwright.options.AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name))
                .click();
    }
}
