package lochan.core.competition;

import java.util.Collection;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Names of the tags fish wear in the well. */
public final class TagNames {

    private static final List<String> COLOURS = List.of("Red", "White", "Blue", "Yellow", "Green", "Orange", "Black", "Pink");

    private TagNames() { }

    /** The first {@code count} names. */
    public static List<String> first(int count) {
        return names().limit(count).toList();
    }

    static String firstFree(Collection<String> used) {
        return names().filter(t -> !used.contains(t)).findFirst().orElseThrow();
    }

    private static Stream<String> names() {
        return Stream.concat(COLOURS.stream(), IntStream.iterate(COLOURS.size() + 1, i -> i + 1).mapToObj(i -> "Tag " + i));
    }
}
