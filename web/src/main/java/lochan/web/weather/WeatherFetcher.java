package lochan.web.weather;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpTimeoutException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import lochan.core.Bounds;
import lochan.core.event.Event;
import lochan.core.practice.ForecastPeriod;
import lochan.instruments.weather.WeatherFileException;
import lochan.instruments.weather.WeatherReading;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import lochan.web.shared.NotThereException;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Asks weather services at their intervals, beside the pages: no page ever waits for one. An event is asked for from when it is first looked at until the day
 * after its last one. An answer that is late, too large or not to be read leaves the last good one.
 */
@Component
class WeatherFetcher {

    private static final Logger LOG = LoggerFactory.getLogger(WeatherFetcher.class);
    private static final Duration ANSWER = Duration.ofSeconds(Bounds.ANSWER_SECONDS);
    private static final int AT_A_TIME = 4;
    private static final int MOST_WATCHED = 2000;
    private static final int LONGEST_TROUBLE = 500;

    private final WeatherSources sources;
    private final Events events;
    private final Clock clock;
    private final boolean allowInside;
    private volatile @Nullable String standIn;
    /** Events that were looked at, and those that are asked for now. */
    private final Map<EventKey, Instant> watched = new ConcurrentHashMap<>();

    private final Set<EventKey> asking = ConcurrentHashMap.newKeySet();
    private volatile Instant lastTurn = Instant.MIN;
    private final Semaphore room = new Semaphore(AT_A_TIME);
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private final WeatherClient client;

    WeatherFetcher(
            WeatherSources sources,
            Events events,
            Clock clock,
            @Value("${lochan.weather.inside:false}") boolean allowInside) {
        this.sources = sources;
        this.events = events;
        this.clock = clock;
        this.allowInside = allowInside;
        this.client = new WeatherClient(SystemDefaultDnsResolver.INSTANCE, this::isInsideAllowed, ANSWER);
    }

    /** Remembers that somebody looks at an event: its weather is asked for from now on. */
    void lookedAt(EventKey key) {
        if (watched.size() < MOST_WATCHED) {
            watched.putIfAbsent(key, Instant.MIN);
        }
    }

    /** Looks at once, and not at the next turn. */
    void lookNow(EventKey key) {
        watched.put(key, Instant.MIN);
        turn();
    }

    @Scheduled(initialDelayString = "PT5S", fixedDelayString = "PT20S")
    void turn() {
        Instant now = clock.instant();
        if (now.isBefore(lastTurn)) {
            // The clock was set back: what was to be asked at a time is asked now.
            watched.replaceAll((key, next) -> Instant.MIN);
        }
        lastTurn = now;
        watched.forEach((key, next) -> {
            if (!now.isBefore(next) && asking.add(key)) {
                threads.execute(() -> {
                    try {
                        watched.put(key, asked(key, now));
                    } catch (NotThereException e) {
                        watched.remove(key);
                    } catch (RuntimeException e) {
                        LOG.warn("the weather of an event could not be kept: {}", e.getMessage());
                        watched.put(key, now.plus(Duration.ofMinutes(WeatherSource.LEAST_MINUTES)));
                    } finally {
                        asking.remove(key);
                    }
                });
            }
        });
    }

    /** Asks where it is due; gives when to look again. */
    private Instant asked(EventKey key, Instant now) {
        WeatherSource source = sources.find(key).orElse(null);
        if (source == null || !source.isDue(now)) {
            return now.plus(Duration.ofMinutes(1));
        }
        Event event = events.event(key);
        ZoneId zone = event.timeZone();
        Instant over =
                event.days().getLast().date().plusDays(2).atStartOfDay(zone).toInstant();
        if (now.isAfter(over)) {
            return over.plus(Duration.ofDays(365));
        }
        room.acquireUninterruptibly();
        try {
            WeatherReading read = answer(event, source, zone);
            sources.tried(key, source.answered(read, now), read.hours());
        } catch (IOException | WeatherFileException | InterruptedException e) {
            String trouble = words(e);
            sources.tried(
                    key,
                    source.failed(trouble.substring(0, Math.min(trouble.length(), LONGEST_TROUBLE)), now),
                    List.of());
        } finally {
            room.release();
        }
        return now.plus(Duration.ofMinutes(1));
    }

    private static String words(Exception e) {
        return switch (e) {
            case OutsideAddress.RefusedException r -> String.valueOf(r.getMessage());
            case WeatherFileException w -> "its answer cannot be used: " + w.getMessage();
            case HttpTimeoutException t -> "no answer within " + ANSWER.toSeconds() + " seconds";
            case ConnectException c -> "it cannot be reached";
            default -> "it broke off: " + e;
        };
    }

    private WeatherReading answer(Event event, WeatherSource source, ZoneId zone)
            throws IOException, WeatherFileException, InterruptedException {
        String filled = source.address()
                .replace(
                        "{lat}",
                        String.format(Locale.ROOT, "%.4f", event.launch().lat()))
                .replace(
                        "{lon}",
                        String.format(Locale.ROOT, "%.4f", event.launch().lon()));
        URI address = OutsideAddress.check(filled, allowsInside(filled));
        return WeatherReading.read(client.get(address), zone, ForecastPeriod.Origin.SERVICE);
    }

    /** Whether an address inside the own network may be asked: where that is allowed, and at the demo's own service. */
    boolean allowsInside(String address) {
        return allowInside || (standIn != null && address.startsWith(standIn + "/"));
    }

    private boolean isInsideAllowed(String host) {
        String own = standIn;
        return allowInside || (own != null && host.equals(URI.create(own).getHost()));
    }

    /** Lets the demo's own service be asked. */
    void allow(String address) {
        standIn = address;
    }

    @PreDestroy
    void close() throws IOException {
        client.close();
        threads.shutdownNow();
    }
}
