package lochan.web.shared;

import org.jspecify.annotations.Nullable;

/** Says that a file was not imported. */
public final class Refused {

    private Refused() {}

    public static String file(@Nullable String name, @Nullable String why) {
        return "“" + name + "” wasn't imported, and nothing was changed: " + why
                + (why != null && why.endsWith(".") ? "" : ".");
    }
}
