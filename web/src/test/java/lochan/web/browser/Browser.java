package lochan.web.browser;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Headless Chromium as Debian ships it: one for all walks of a JVM, which ends with it. */
final class Browser {

    /** Long: machines that run many things at once are slow at times, and waiting costs only where something is wrong. */
    private static final double TIMEOUT_MILLIS = 40_000;

    /** The first that is there: the one without a window of its own takes a quarter less of the processor. */
    private static final Path CHROMIUM = Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")
            .map(Path::of)
            .filter(Files::isExecutable)
            .findFirst()
            .orElseThrow(() -> new IllegalStateException("Chromium is missing: ./check installs it."));

    private static final List<String> ARGUMENTS = List.of(
            "--no-sandbox",
            "--disable-dev-shm-usage",
            "--disable-gpu",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");

    /** Started when first asked for. */
    private static final class Shared {
        static final Browser BROWSER = new Browser();
    }

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final com.microsoft.playwright.Browser chromium = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions().setExecutablePath(CHROMIUM).setArgs(ARGUMENTS));

    private Browser() {
        PlaywrightAssertions.setDefaultAssertionTimeout(TIMEOUT_MILLIS);
    }

    /** A fresh window of a size, as of a new visitor. */
    static Page window(Walk.Size size) {
        return Shared.BROWSER.open(size, false);
    }

    /** Returns a page of a touch device. */
    static Page touched(Walk.Size size) {
        return Shared.BROWSER.open(size, true);
    }

    /** A browser of its own that keeps what it stores in a folder: what is left there when it is killed it finds again. */
    static BrowserContext keeping(Path folder, Walk.Size size) {
        return Shared.BROWSER
                .playwright
                .chromium()
                .launchPersistentContext(
                        folder,
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(CHROMIUM)
                                .setArgs(ARGUMENTS)
                                .setViewportSize(size.width(), size.height()));
    }

    private Page open(Walk.Size size, boolean touch) {
        BrowserContext context = chromium.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(size.width(), size.height())
                .setDeviceScaleFactor(1)
                .setHasTouch(touch)
                .setLocale("en-US")
                .setTimezoneId("America/Boise"));
        context.setDefaultTimeout(TIMEOUT_MILLIS);
        return context.newPage();
    }
}
