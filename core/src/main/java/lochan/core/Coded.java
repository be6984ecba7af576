package lochan.core;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A fixed choice with the code it has in the event file, in the database and in forms. */
public interface Coded {

    String code();

    static <E extends Enum<E> & Coded> Optional<E> find(Class<E> type, @Nullable String code) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> e.code().equals(code))
                .findFirst();
    }

    /**
     * The choice of a code that was checked when it was written.
     *
     * @throws IllegalArgumentException with the codes there are, where it is none of them
     */
    static <E extends Enum<E> & Coded> E get(Class<E> type, String code) {
        return find(type, code)
                .orElseThrow(
                        () -> new IllegalArgumentException("found \"" + code + "\", expected one of " + choices(type)));
    }

    /** The same; null where there is no code. */
    static <E extends Enum<E> & Coded> @Nullable E getOrNull(Class<E> type, @Nullable String code) {
        return code == null ? null : get(type, code);
    }

    /** The code of a choice; null where there is none. */
    static @Nullable String codeOrNull(@Nullable Coded value) {
        return value == null ? null : value.code();
    }

    /** The code of a constant spelt as its name is: {@code STOP_AND_GO} is {@code stop-and-go}. */
    static String spelt(Enum<?> constant) {
        return spelt(constant.name());
    }

    /** Returns a constant's name as codes and keys are spelt: {@code STOP_AND_GO} is {@code stop-and-go}. */
    static String spelt(String name) {
        return name.toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** A code in words: {@code stop-and-go} is "stop and go". */
    default String words() {
        return code().replace('-', ' ');
    }

    /** The codes of a choice, for messages. */
    static <E extends Enum<E> & Coded> String choices(Class<E> type) {
        return Arrays.stream(type.getEnumConstants()).map(Coded::code).collect(Collectors.joining(", "));
    }
}
