package lochan.web.lake;

import java.util.EnumMap;
import java.util.Map;
import java.util.TreeMap;
import lochan.core.lake.structure.Candidate.Kind;

/** The shape that marks each kind of candidate on maps and in lists: paths of SVG within ±9. */
public final class CandidateSigns {

    private static final Map<Kind, String> SHAPES = new EnumMap<>(Map.of(
            Kind.HUMP, "M-9 5C-5 5-4-6 0-6S5 5 9 5Z",
            Kind.SADDLE, "M-9 5V-5C-6-5-4 1 0 1S6-5 9-5V5Z",
            Kind.POINT, "M-9-6L9 0L-9 6Z",
            Kind.LEDGE, "M-9-5H1V5H9",
            Kind.BLUFF, "M-6-7V7M0-7V7M6-7V7M-6-7H6",
            Kind.FLAT, "M-9-3H9V3H-9Z",
            Kind.POCKET, "M-7-6V0A7 7 0 0 0 7 0V-6",
            Kind.STAGING, "M0-8L8 0L0 8L-8 0Z"));

    /** By the kind's code. */
    public static final Map<String, String> PATHS = paths();

    private CandidateSigns() {}

    private static Map<String, String> paths() {
        Map<String, String> paths = new TreeMap<>();
        SHAPES.forEach((kind, path) -> paths.put(kind.code(), path));
        return paths;
    }
}
