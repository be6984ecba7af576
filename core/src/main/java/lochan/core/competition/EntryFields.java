package lochan.core.competition;

import java.time.Instant;
import java.util.function.Function;
import lochan.core.Coded;
import lochan.core.event.Species;
import org.jspecify.annotations.Nullable;

/**
 * The fields of one entry, where it is read from or written to: a JSON object, a row. Each method names a field and where the entry has
 * its value. Reading gives the value found and asks no entry; writing asks the entry, writes the value and gives it back.
 *
 * @param <E> the kind of entry
 */
public interface EntryFields<E extends Entry> {

    /** Gives the fields to read. They were checked when they were written; a missing field is null. */
    interface Source {

        @Nullable
        String text(String name);

        @Nullable
        Double number(String name);

        @Nullable
        Integer whole(String name);

        @Nullable
        Boolean truth(String name);

        @Nullable
        Instant time(String name);
    }

    /** Takes the fields to write; null: the entry has no such value. */
    interface Sink {

        void put(String name, @Nullable String value);

        void put(String name, @Nullable Double value);

        void put(String name, @Nullable Integer value);

        void put(String name, @Nullable Boolean value);

        void put(String name, @Nullable Instant value);
    }

    /** A source and a sink that knows its values by name and type. */
    interface ByType extends Source, Sink {

        /** Null: there is none. */
        <T> @Nullable T get(String name, Class<T> type);

        <T> void set(String name, Class<T> type, @Nullable T value);

        @Override
        default @Nullable String text(String name) {
            return get(name, String.class);
        }

        @Override
        default @Nullable Double number(String name) {
            return get(name, Double.class);
        }

        @Override
        default @Nullable Integer whole(String name) {
            return get(name, Integer.class);
        }

        @Override
        default @Nullable Boolean truth(String name) {
            return get(name, Boolean.class);
        }

        @Override
        default @Nullable Instant time(String name) {
            return get(name, Instant.class);
        }

        @Override
        default void put(String name, @Nullable String value) {
            set(name, String.class, value);
        }

        @Override
        default void put(String name, @Nullable Double value) {
            set(name, Double.class, value);
        }

        @Override
        default void put(String name, @Nullable Integer value) {
            set(name, Integer.class, value);
        }

        @Override
        default void put(String name, @Nullable Boolean value) {
            set(name, Boolean.class, value);
        }

        @Override
        default void put(String name, @Nullable Instant value) {
            set(name, Instant.class, value);
        }
    }

    /** The entry's own id. */
    String id();

    Instant at();

    /** Another entry's id. */
    String entry(String name, Function<E, String> of);

    /** A spot of the event; null: not noted. */
    @Nullable
    String spot(Function<E, String> of);

    /** A presentation of the event; null: not noted. */
    @Nullable
    String presentation(Function<E, String> of);

    /** A species of the event; null: unknown. */
    @Nullable
    Species species(Function<E, Species> of);

    /** A number from {@code least} to {@code most}; null: none. */
    @Nullable
    Double number(String name, double least, double most, Function<E, Double> of);

    /** A number from {@code least} to {@code most} that every such entry has. */
    double neededNumber(String name, double least, double most, Function<E, Double> of);

    /** A whole number from {@code least} to {@code most}; null: none. */
    @Nullable
    Integer whole(String name, int least, int most, Function<E, Integer> of);

    /** True or false; true when missing. */
    boolean trueUnlessSaid(String name, Function<E, Boolean> of);

    /** Text of {@code longest} characters at most; null: none. */
    @Nullable
    String text(String name, int longest, Function<E, String> of);

    /** A choice that an entry may leave open; where it does, nothing is written. */
    <C extends Enum<C> & Coded> @Nullable C choiceOrNull(String name, Class<C> type, Function<E, @Nullable C> of);

    /** A choice that every such entry has. */
    <C extends Enum<C> & Coded> C choice(String name, Class<C> type, Function<E, C> of);
}
