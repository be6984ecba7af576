package lochan.web.demo;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.EsriGrid;
import lochan.eventformat.BoundedLines;
import lochan.eventformat.EventFileException;
import lochan.eventformat.EventFileReader;
import lochan.eventformat.TackleFile;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.gear.Tackles;
import lochan.web.lake.DepthSources;
import lochan.web.weather.StandInWeather;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Loads the shipped event files into the demo account, once, before the first page is answered. */
@Component
@ConditionalOnProperty("lochan.demo")
class DemoLoader implements SmartInitializingSingleton {

    /** The event to come, then the finished ones, the latest first. */
    private static final List<String> EVENTS =
            List.of("two-arms-open", "late-water", "long-light", "april-shakedown", "two-day-autumn", "may-opener");

    private static final String TACKLE = "demo/tackle.json";
    private static final String DEPTHS = "demo/velmarrow.asc";

    private final Accounts accounts;
    private final Events events;
    private final EventBook book;
    private final DepthSources depths;
    private final Tackles tackles;
    private final ObjectProvider<StandInWeather> weather;
    private final TransactionTemplate transaction;

    DemoLoader(
            Accounts accounts,
            Events events,
            EventBook book,
            DepthSources depths,
            Tackles tackles,
            ObjectProvider<StandInWeather> weather,
            TransactionTemplate transaction) {
        this.weather = weather;
        this.tackles = tackles;
        this.depths = depths;
        this.accounts = accounts;
        this.events = events;
        this.book = book;
        this.transaction = transaction;
    }

    /** The account's password is known to nobody: it is entered by the sign-in page's own button. */
    @Override
    public void afterSingletonsInstantiated() {
        transaction.executeWithoutResult(t -> {
            Angler demo = accounts.findOrMake("demo", UUID.randomUUID().toString());
            if (events.all(demo.accountId()).isEmpty()) {
                EVENTS.forEach(e -> load(demo, "demo/" + e + ".event.json"));
                loadTackle(demo);
                loadDepths(events.all(demo.accountId()).getFirst());
            }
            // At a port of its own in each start.
            weather.ifAvailable(w -> w.tell(events.all(demo.accountId()).getFirst()));
        });
    }

    private void loadDepths(EventKey event) {
        try (BufferedReader lines = new BufferedReader(
                new InputStreamReader(new ClassPathResource(DEPTHS).getInputStream(), StandardCharsets.UTF_8))) {
            depths.keepMap(event, EsriGrid.read(new BoundedLines(lines), null), "velmarrow.asc");
        } catch (IOException | BadGridException e) {
            throw new IllegalStateException("the shipped file " + DEPTHS + " cannot be loaded: " + e.getMessage(), e);
        }
    }

    private void loadTackle(Angler demo) {
        try (InputStream in = new ClassPathResource(TACKLE).getInputStream()) {
            tackles.add(demo.accountId(), TackleFile.read(in));
        } catch (IOException | EventFileException e) {
            throw new IllegalStateException("the shipped file " + TACKLE + " cannot be loaded: " + e.getMessage(), e);
        }
    }

    private void load(Angler demo, String file) {
        try (InputStream in = new ClassPathResource(file).getInputStream()) {
            book.add(demo.accountId(), EventFileReader.read(in));
        } catch (IOException | EventFileException e) {
            throw new IllegalStateException("the shipped file " + file + " cannot be loaded: " + e.getMessage(), e);
        }
    }
}
