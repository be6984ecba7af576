package lochan.offline.json;

import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lochan.core.Coded;
import lochan.core.competition.EntryFields;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/** An object read by its fields, wherever it lies; one that is missing is null. What it has was checked when it was written. */
public interface Fields extends EntryFields.Source {

    boolean has(String name);

    /** Null: it is missing. */
    @Nullable
    Fields object(String name);

    /** Empty where it is missing. */
    <T> List<T> list(String name, Function<Fields, T> read);

    List<String> texts(String name);

    double[] numbers(String name);

    /** Lists of numbers, as of positions. */
    List<double[]> lists(String name);

    /** All fields as text; those that are null are left out. */
    Map<String, String> all();

    default boolean truth(String name, boolean instead) {
        Boolean said = truth(name);
        return said == null ? instead : said;
    }

    /**
     * A value that is always sent.
     *
     * @throws IllegalArgumentException when it is not there
     */
    default <T> T needed(String name, Function<String, @Nullable T> read) {
        T value = read.apply(name);
        if (value == null) {
            throw new IllegalArgumentException("the page was sent no " + name);
        }
        return value;
    }

    default <E extends Enum<E> & Coded> E code(Class<E> type, String name) {
        return Coded.get(type, needed(name, this::text));
    }

    /** Null: it is missing. */
    default <E extends Enum<E> & Coded> @Nullable E codeOrNull(Class<E> type, String name) {
        return has(name) ? code(type, name) : null;
    }

    /** Of an object with {@code lat} and {@code lon}. */
    default Position position() {
        return new Position(needed("lat", this::number), needed("lon", this::number));
    }

    /** A time of day; null: it is missing. */
    default @Nullable LocalTime clock(String name) {
        String text = text(name);
        return text == null ? null : LocalTime.parse(text);
    }
}
