package lochan.core;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** A fixed choice with the code it has in the event file, in the database and in forms. */
public interface Coded {

    String code();

    static <E extends Enum<E> & Coded> Optional<E> find(Class<E> type, String code) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> e.code().equals(code))
                .findFirst();
    }

    /** The code of a constant spelt as its name is: {@code STOP_AND_GO} is {@code stop-and-go}. */
    static String spelt(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
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
