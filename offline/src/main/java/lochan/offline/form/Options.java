package lochan.offline.form;

import java.util.LinkedHashMap;
import java.util.Map;
import lochan.core.Coded;

/** Fixed choices as a form offers them. */
public final class Options {

    private Options() {}

    /** Codes with their words, in the order of the constants. */
    public static Map<String, String> of(Coded[] values) {
        Map<String, String> options = new LinkedHashMap<>();
        for (Coded v : values) {
            options.put(v.code(), v.words());
        }
        return options;
    }
}
