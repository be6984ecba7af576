package lochan.web.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import lochan.web.TestServers;
import lochan.web.testing.RunningApp;
import lochan.web.testing.SampleEvents;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** A phone whose browser is killed at random moments loses no tap that its screen had confirmed. */
@Tag("slow")
@ExtendWith(TestServers.class)
class KilledPhoneTest extends Walk {

    private static final int KILLS = Boolean.getBoolean("lochan.long") ? 20 : 2;
    private static final int TAPS_BETWEEN = 10;
    private static final int MOST_MILLIS = 60;
    private static final List<String> OUTCOMES = List.of("Landed", "Lost", "Missed", "Shaken off");

    @TempDir
    private Path folder;

    private BrowserContext browser;

    @AfterEach
    @Override
    void leave() {
        browser.close();
    }

    @Test
    void everyTapThatWasConfirmedArrivesOnceAndInOrder(RunningApp app) {
        RunningApp.Account account = app.account();
        String path = SampleEvents.event(account.visitor(), "Dropped in the water");
        String boat = app.address() + SampleEvents.boat(path);
        start();
        enter(app, account);
        page.navigate(boat);
        untilKept(SampleEvents.boat(path));
        button("Start stop").click();
        browser.setOffline(true);
        Random random = new Random(7);
        List<String> logged = new ArrayList<>();
        for (int kill = 0; kill < KILLS; kill++) {
            for (int tap = 0; tap < TAPS_BETWEEN; tap++) {
                tap(random, logged);
                assertThat(bites()).hasCount(logged.size());
            }
            tap(random, logged);
            CompletableFuture.runAsync(
                            this::die,
                            CompletableFuture.delayedExecutor(random.nextInt(MOST_MILLIS), TimeUnit.MILLISECONDS))
                    .join();
            start();
            browser.setOffline(true);
            page.navigate(boat);
            assertThat(page.locator("#fishing")).isVisible();
            int kept = bites().count();
            assertThat(kept).as("all but the last were confirmed").isBetween(logged.size() - 1, logged.size());
            while (logged.size() > kept) {
                logged.removeLast();
            }
        }
        browser.setOffline(false);
        if (page.navigate(app.address() + "/events").url().contains("/sign-in")) {
            enter(app, account);
        }
        page.navigate(boat);
        assertThat(page.locator(".boat-head")).not().containsText("to send");
        assertThat(page.locator("[data-unsent]")).isHidden();
        assertThat(JsonMapper.shared()
                        .readTree(account.visitor().get(path + "/export").body())
                        .path("stops")
                        .get(0)
                        .path("bites")
                        .valueStream()
                        .map(b -> b.path("outcome").asString()))
                .containsExactlyElementsOf(logged);
    }

    private Locator bites() {
        return page.locator("section:has(#fishing) .log > li");
    }

    private void tap(Random random, List<String> logged) {
        String outcome = OUTCOMES.get(random.nextInt(OUTCOMES.size()));
        button(outcome).click();
        logged.add(outcome.startsWith("Shaken") ? "shaken" : outcome.toLowerCase(java.util.Locale.ROOT));
    }

    private void start() {
        browser = Browser.keeping(folder, PHONE);
        page = browser.pages().getFirst();
    }

    private void die() {
        try {
            new ProcessBuilder("pkill", "-9", "-f", folder.toString()).start().waitFor();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
