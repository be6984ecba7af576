package lochan.web.competition;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import lochan.web.account.AccountSessions;
import lochan.web.account.SessionEnded;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWritten;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The phones that have an event open, told when something of it was written: those of a team see each other's entries. */
@Component
class LogWatchers {

    private static final Duration LONGEST = Duration.ofMinutes(30);
    private static final Duration BEAT = Duration.ofSeconds(20);
    private static final int MOST_PAGES = 12;

    /**
     * A page that is open.
     *
     * @param session that it was opened in
     */
    private record Page(String session, SseEmitter stream) {}

    private final AccountSessions sessions;
    private final Map<EventKey, List<Page>> open = new ConcurrentHashMap<>();
    private final ScheduledExecutorService teller = Executors.newSingleThreadScheduledExecutor(r -> {
        Thread thread = new Thread(r, "log-watchers");
        thread.setDaemon(true);
        return thread;
    });

    LogWatchers(AccountSessions sessions) {
        this.sessions = sessions;
        var unused = teller.scheduleWithFixedDelay(
                () -> open.forEach((key, pages) -> pages.forEach(p -> beat(key, p))),
                BEAT.toSeconds(),
                BEAT.toSeconds(),
                TimeUnit.SECONDS);
    }

    /** A session may also end while its page is being opened, or by running out. */
    private void beat(EventKey key, Page page) {
        try {
            if (!sessions.isOpen(page.session())) {
                end(page);
                return;
            }
        } catch (DataAccessException | TransactionException e) {
            LoggerFactory.getLogger(LogWatchers.class).debug("not known now whether a session goes on", e);
        }
        send(key, page, SseEmitter.event().comment("beat"));
    }

    /** A page that wants news; of too many the one open longest is closed. */
    SseEmitter watch(EventKey key, String session) {
        SseEmitter stream = new SseEmitter(LONGEST.toMillis());
        Page page = new Page(session, stream);
        stream.onCompletion(() -> forget(key, page));
        stream.onTimeout(stream::complete);
        stream.onError(e -> forget(key, page));
        List<Page> pages = open.computeIfAbsent(key, k -> new CopyOnWriteArrayList<>());
        pages.add(page);
        if (pages.size() > MOST_PAGES) {
            pages.getFirst().stream().complete();
        }
        teller.execute(() -> beat(key, page));
        return stream;
    }

    /** A signed-out reader gets no more news. */
    @EventListener
    void end(SessionEnded over) {
        open.values().forEach(pages -> pages.stream()
                .filter(p -> p.session().equals(over.sessionId()))
                .forEach(LogWatchers::end));
    }

    /** Tells all pages of an event. */
    @EventListener
    void changed(EventWritten event) {
        EventKey key = event.key();
        if (open.containsKey(key) && !teller.isShutdown()) {
            teller.execute(() -> open.getOrDefault(key, List.of())
                    .forEach(p -> send(key, p, SseEmitter.event().name("log").data("changed"))));
        }
    }

    private void send(EventKey key, Page page, SseEmitter.SseEventBuilder what) {
        try {
            page.stream().send(what);
        } catch (IOException | IllegalStateException e) {
            forget(key, page);
        }
    }

    private void forget(EventKey key, Page page) {
        open.computeIfPresent(key, (k, pages) -> {
            pages.remove(page);
            return pages.isEmpty() ? null : pages;
        });
    }

    /** Before the application waits for answers that are still being given: these would go on until their pages are left. */
    @EventListener(ContextClosedEvent.class)
    void end() {
        teller.shutdownNow();
        open.values().forEach(pages -> pages.forEach(LogWatchers::end));
    }

    private static void end(Page page) {
        try {
            page.stream().complete();
        } catch (IllegalStateException e) {
            // Its reader went away meanwhile: no reader is left.
            LoggerFactory.getLogger(LogWatchers.class).debug("a page was gone already", e);
        }
    }
}
