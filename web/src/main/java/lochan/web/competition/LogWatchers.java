package lochan.web.competition;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import lochan.web.brief.EventKey;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The pages that are open on a log, told when it has grown: the phones of a team see each other's entries. */
@Component
class LogWatchers {

    private static final Duration LONGEST = Duration.ofMinutes(30);
    private static final Duration BEAT = Duration.ofSeconds(20);
    private static final int MOST_PAGES = 12;

    private final Map<EventKey, List<SseEmitter>> open = new ConcurrentHashMap<>();
    private final ScheduledExecutorService teller = Executors.newSingleThreadScheduledExecutor(r -> {
        Thread thread = new Thread(r, "log-watchers");
        thread.setDaemon(true);
        return thread;
    });

    LogWatchers() {
        teller.scheduleWithFixedDelay(() -> open.forEach((key, pages) -> pages.forEach(p -> send(key, p, SseEmitter.event().comment("beat")))), BEAT.toSeconds(), BEAT.toSeconds(), TimeUnit.SECONDS);
    }

    /** A page that wants to be told; of too many the one longest open is let go. */
    SseEmitter watch(EventKey key) {
        SseEmitter page = new SseEmitter(LONGEST.toMillis());
        page.onCompletion(() -> forget(key, page));
        page.onTimeout(page::complete);
        page.onError(e -> forget(key, page));
        List<SseEmitter> pages = open.computeIfAbsent(key, k -> new CopyOnWriteArrayList<>());
        pages.add(page);
        if (pages.size() > MOST_PAGES) {
            pages.getFirst().complete();
        }
        teller.execute(() -> send(key, page, SseEmitter.event().comment("open")));
        return page;
    }

    /** Tells all pages of a log. */
    void changed(EventKey key) {
        if (!teller.isShutdown()) {
            teller.execute(() -> open.getOrDefault(key, List.of()).forEach(p -> send(key, p, SseEmitter.event().name("log").data("changed"))));
        }
    }

    private void send(EventKey key, SseEmitter page, SseEmitter.SseEventBuilder what) {
        try {
            page.send(what);
        } catch (IOException | IllegalStateException e) {
            forget(key, page);
        }
    }

    private void forget(EventKey key, SseEmitter page) {
        open.computeIfPresent(key, (k, pages) -> {
            pages.remove(page);
            return pages.isEmpty() ? null : pages;
        });
    }

    @PreDestroy
    void end() {
        teller.shutdownNow();
        open.values().forEach(pages -> pages.forEach(LogWatchers::end));
    }

    private static void end(SseEmitter page) {
        try {
            page.complete();
        } catch (IllegalStateException e) {
            // Its reader went away meanwhile: nobody is left to be told.
            LoggerFactory.getLogger(LogWatchers.class).debug("a page was gone already", e);
        }
    }
}
