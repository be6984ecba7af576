package lochan.web.shared;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.Supplier;

/**
 * Keeps computed results by key, as long as their inputs are unchanged. When it is full, the one used least recently
 * goes.
 *
 * @param <K> what it was computed for
 * @param <V> what was computed
 */
public final class Kept<K, V> {

    private final Cache<K, Known<V>> known;

    private record Known<V>(Object basis, V value) {}

    /** @param most values kept at a time: large ones are better few */
    public Kept(int most) {
        known = Caffeine.newBuilder().maximumSize(most).build();
    }

    /**
     * @param basis   what the value rests on now
     * @param compute makes the value, where none is known on this basis
     */
    public V get(K key, Object basis, Supplier<V> compute) {
        Known<V> kept = known.getIfPresent(key);
        if (kept == null || !kept.basis().equals(basis)) {
            kept = new Known<>(basis, compute.get());
            known.put(key, kept);
        }
        return kept.value();
    }
}
