package lochan.web.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import io.github.bucket4j.TimeMeter;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.time.Duration;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Makes who guesses wait longer and longer, and nobody else: attempts are counted for an account from an address, for an address, and, far more
 * generously, for an account from everywhere. An owner who comes from another address than the guesser is let in.
 */
@Component
class SignInThrottle {

    /** Attempts in quick succession before the first wait. */
    static final int FREE = 4;

    static final Duration FIRST_WAIT = Duration.ofSeconds(2);

    /** From one address, to whatever accounts: a family or a club behind one router signs in without a wait. */
    static final int FREE_PER_ADDRESS = 20;

    private static final int FREE_PER_ACCOUNT = 100;
    private static final Duration REMEMBERED = Duration.ofHours(2);
    private static final int MOST_REMEMBERED = 20_000;
    private static final int PREFIX_BYTES = 8;

    /** One attempt after another waits 2 s, from the tenth on 15 s, from the twentieth on a minute. */
    private static final List<Bandwidth> GROWING =
            List.of(slow(FREE, FIRST_WAIT), slow(10, Duration.ofSeconds(15)), slow(20, Duration.ofMinutes(1)));

    private static final List<Bandwidth> OF_ADDRESS =
            List.of(slow(FREE_PER_ADDRESS, Duration.ofSeconds(5)), slow(60, Duration.ofSeconds(30)));
    private static final List<Bandwidth> OF_ACCOUNT = List.of(slow(FREE_PER_ACCOUNT, Duration.ofSeconds(10)));

    private final TimeMeter time;
    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .expireAfterAccess(REMEMBERED)
            .maximumSize(MOST_REMEMBERED)
            .build();

    @Autowired
    SignInThrottle() {
        this(TimeMeter.SYSTEM_MILLISECONDS);
    }

    SignInThrottle(TimeMeter time) {
        this.time = time;
    }

    private static Bandwidth slow(int capacity, Duration each) {
        return Bandwidth.builder().capacity(capacity).refillGreedy(1, each).build();
    }

    /**
     * Counts an attempt.
     *
     * @param account id of the account that is tried, however its name was spelt; null: there is none of that name
     * @return how long to wait before the next; empty: this one may go on
     */
    Optional<Duration> attempt(@Nullable Long account, String address) {
        return keys(account, address)
                .map(k -> bucket(k).tryConsumeAndReturnRemaining(1))
                .filter(p -> !p.isConsumed())
                .map(ConsumptionProbe::getNanosToWaitForRefill)
                .max(Long::compare)
                .map(Duration::ofNanos);
    }

    /** A right password: what was counted for the account from that address is forgotten, and its attempt counts nowhere. */
    void succeeded(long account, String address) {
        buckets.invalidate(pair(account, address));
        bucket(ofAddress(address)).addTokens(1);
        bucket(ofAccount(account)).addTokens(1);
    }

    private static Stream<String> keys(@Nullable Long account, String address) {
        return account == null
                ? Stream.of(ofAddress(address))
                : Stream.of(pair(account, address), ofAddress(address), ofAccount(account));
    }

    private Bucket bucket(String key) {
        return buckets.get(key, k -> {
            var builder = Bucket.builder().withCustomTimePrecision(time);
            limits(k).forEach(builder::addLimit);
            return builder.build();
        });
    }

    private static List<Bandwidth> limits(String key) {
        return switch (key.charAt(0)) {
            case 'p' -> GROWING;
            case 'a' -> OF_ADDRESS;
            default -> OF_ACCOUNT;
        };
    }

    private static String pair(long account, String address) {
        return "p " + account + " " + network(address);
    }

    private static String ofAddress(String address) {
        return "a " + network(address);
    }

    private static String ofAccount(long account) {
        return "n " + account;
    }

    /** Who has one address of the sixth version has all of its network. */
    private static String network(String address) {
        try {
            InetAddress known = InetAddress.ofLiteral(address);
            return known instanceof Inet6Address
                    ? HexFormat.of().formatHex(Arrays.copyOf(known.getAddress(), PREFIX_BYTES))
                    : known.getHostAddress();
        } catch (IllegalArgumentException e) {
            return "unknown";
        }
    }
}
