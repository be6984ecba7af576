package lochan.web.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Ticker;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Counts attempts to sign in, by name and by address, and refuses more than a few in a quarter of an hour. */
@Component
class SignInThrottle {

    static final int PER_NAME = 5;
    static final int PER_ADDRESS = 20;
    private static final Duration WINDOW = Duration.ofMinutes(15);
    private static final int MOST_REMEMBERED = 10_000;
    private static final long NANOS_PER_MILLI = 1_000_000;

    private final Cache<String, Integer> attempts;

    SignInThrottle(Clock clock) {
        Ticker ticker = () -> clock.millis() * NANOS_PER_MILLI;
        this.attempts = Caffeine.newBuilder().expireAfterWrite(WINDOW).maximumSize(MOST_REMEMBERED).ticker(ticker).build();
    }

    /** Notes an attempt; false when it is one too many. */
    boolean admits(String name, String address) {
        boolean byName = count("name " + key(name)) <= PER_NAME;
        boolean byAddress = count("address " + address) <= PER_ADDRESS;
        return byName && byAddress;
    }

    /** A right password clears the name, and its attempt counts against no address. */
    void clear(String name, String address) {
        attempts.invalidate("name " + key(name));
        attempts.asMap().computeIfPresent("address " + address, (k, n) -> n > 1 ? n - 1 : null);
    }

    private int count(String key) {
        return attempts.asMap().merge(key, 1, Integer::sum);
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
