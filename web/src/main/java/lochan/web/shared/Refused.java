package lochan.web.shared;

import org.jspecify.annotations.Nullable;

/** What is said of a file that was not taken in. */
public final class Refused {

    private Refused() {}

    /** @param why without its full stop */
    public static String file(@Nullable String name, @Nullable String why) {
        return "“" + name + "” was not imported; nothing was changed: " + why + ".";
    }
}
