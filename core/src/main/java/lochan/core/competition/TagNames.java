package lochan.core.competition;

import java.util.Collection;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Names of the tags fish wear in the livewell. */
public final class TagNames {

    private static final List<String> COLOURS =
            List.of("Red", "White", "Blue", "Yellow", "Green", "Orange", "Black", "Pink");

    private TagNames() {}

    /** The first {@code count} names, the angler's own before the usual ones. */
    public static List<String> first(List<String> own, int count) {
        return names(own).limit(count).toList();
    }

    static String firstFree(List<String> own, Collection<String> used) {
        return names(own).filter(t -> !used.contains(t)).findFirst().orElseThrow();
    }

    private static Stream<String> names(List<String> own) {
        return Stream.concat(own.stream(), usual().filter(name -> own.stream().noneMatch(name::equalsIgnoreCase)));
    }

    private static Stream<String> usual() {
        return Stream.concat(
                COLOURS.stream(),
                IntStream.iterate(COLOURS.size() + 1, i -> i + 1).mapToObj(i -> "Tag " + i));
    }
}
