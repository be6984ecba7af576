package lochan.web.shared;

import java.util.function.Predicate;
import java.util.stream.IntStream;
import lochan.core.lake.SpotType;

/** Codes for what an angler names. */
public final class Codes {

    private static final int LONGEST = 48;

    private Codes() {}

    /** A free code like a name: "Osk Point" is {@code osk-point}, the second one {@code osk-point-2}. */
    public static String of(String name, Predicate<String> isTaken) {
        String slug = SpotType.code(name);
        String base = slug.isEmpty() ? "unnamed" : slug.substring(0, Math.min(LONGEST, slug.length()));
        return isTaken.test(base)
                ? IntStream.iterate(2, i -> i + 1)
                        .mapToObj(i -> base + "-" + i)
                        .filter(isTaken.negate())
                        .findFirst()
                        .orElseThrow()
                : base;
    }
}
