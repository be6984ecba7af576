package lochan.web.demo;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.UUID;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.brief.Briefs;
import lochan.web.eventbook.EventBook;
import lochan.web.eventfile.EventFileException;
import lochan.web.eventfile.EventFileReader;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Loads the shipped event files into the demo account, once, before the first page is answered. */
@Component
@ConditionalOnProperty("lochan.demo")
class DemoLoader implements SmartInitializingSingleton {

    static final List<String> FILES = List.of("demo/two-arms-open.event.json", "demo/april-shakedown.event.json");

    private final Accounts accounts;
    private final Briefs briefs;
    private final EventBook events;
    private final TransactionTemplate transaction;

    DemoLoader(Accounts accounts, Briefs briefs, EventBook events, TransactionTemplate transaction) {
        this.accounts = accounts;
        this.briefs = briefs;
        this.events = events;
        this.transaction = transaction;
    }

    /** The account's password is known to nobody: it is entered by the sign-in page's own button. */
    @Override
    public void afterSingletonsInstantiated() {
        transaction.executeWithoutResult(t -> {
            Angler demo = accounts.findOrMake("demo", UUID.randomUUID().toString());
            if (briefs.all(demo.accountId()).isEmpty()) {
                FILES.forEach(f -> load(demo, f));
            }
        });
    }

    private void load(Angler demo, String file) {
        try (InputStream in = new ClassPathResource(file).getInputStream()) {
            events.add(demo.accountId(), EventFileReader.read(in));
        } catch (IOException | EventFileException e) {
            throw new IllegalStateException("the shipped file " + file + " cannot be loaded: " + e.getMessage(), e);
        }
    }
}
