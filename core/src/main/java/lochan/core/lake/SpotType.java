package lochan.core.lake;

import java.util.List;

/** Classes of place by their common names. An event may use others; these are offered. */
public final class SpotType {

    public static final List<String> COMMON = List.of(
            "grass-edge",
            "grass-flat",
            "dock-row",
            "laydown",
            "rock-point",
            "riprap",
            "bluff",
            "brush-pile",
            "channel-ledge",
            "hump",
            "saddle",
            "standing-timber",
            "staging-bank",
            "pocket");

    private static final int LONGEST = 64;

    private SpotType() {}

    /** The class in words: {@code grass-edge} is "grass edge". */
    public static String words(String spotType) {
        return spotType.replace('-', ' ');
    }

    /** The code of a class typed in words. */
    public static String code(String words) {
        return words.strip()
                .toLowerCase(java.util.Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "-")
                .replaceAll("^-|-$", "");
    }

    /** The code of a class that a file names, cut where it is too long; {@code unsorted} without a name. */
    public static String orUnsorted(String words) {
        String code = code(words);
        return code.isEmpty() ? "unsorted" : code.substring(0, Math.min(LONGEST, code.length()));
    }
}
