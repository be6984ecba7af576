package lochan.web.account;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import lochan.web.shared.BusyException;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.password.PasswordEncoder;

/** Hashes a few passwords at a time: each takes 16 MB while it is hashed. Who would wait too long is sent away. */
final class BoundedPasswordEncoder implements PasswordEncoder {

    static final int AT_ONCE = 2;
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private final PasswordEncoder encoder;
    private final Semaphore room = new Semaphore(AT_ONCE, true);

    BoundedPasswordEncoder(PasswordEncoder encoder) {
        this.encoder = encoder;
    }

    @Override
    public String encode(@Nullable CharSequence password) {
        return within(() -> encoder.encode(password));
    }

    @Override
    public boolean matches(@Nullable CharSequence password, @Nullable String hash) {
        return within(() -> encoder.matches(password, hash));
    }

    private <T> T within(Supplier<T> hashing) {
        try {
            if (!room.tryAcquire(PATIENCE.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new BusyException();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new BusyException();
        }
        try {
            return hashing.get();
        } finally {
            room.release();
        }
    }
}
