package lochan.core;

import java.util.Map;
import java.util.NoSuchElementException;

/** Values that must be there. */
public final class Lookup {

    private Lookup() {}

    /** @throws NoSuchElementException when the map has no value of the key */
    public static <K, V> V of(Map<K, V> map, K key) {
        V value = map.get(key);
        if (value == null) {
            throw new NoSuchElementException("nothing of " + key + " among " + map.keySet());
        }
        return value;
    }
}
