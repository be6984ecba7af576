package lochan.browser.regex;

import java.util.ArrayList;
import java.util.List;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/**
 * A {@link java.util.regex.Pattern} that the browser matches. What the two write differently is translated: white space is that of ASCII,
 * and letters and digits of all scripts ({@code \p{…}}) ask for the browser's Unicode mode.
 */
public final class JsPattern {

    public static final int CASE_INSENSITIVE = 2;

    private static final String SPACES = " \\t\\n\\v\\f\\r";

    private final String pattern;
    /** Matches anywhere, from where the last match ended. */
    private final JSObject part;
    /** Matches a whole text. */
    private final JSObject whole;

    private JsPattern(String pattern, boolean anyCase) {
        this.pattern = pattern;
        String translated = translated(pattern);
        String flags = (pattern.contains("\\p{") ? "u" : "") + (anyCase ? "i" : "");
        this.part = make(translated, "g" + flags);
        this.whole = make("^(?:" + translated + ")$", flags);
    }

    @JSBody(
            params = {"pattern", "flags"},
            script = "return new RegExp(pattern, flags);")
    private static native JSObject make(String pattern, String flags);

    private static String translated(String pattern) {
        StringBuilder out = new StringBuilder();
        boolean inClass = false;
        for (int i = 0; i < pattern.length(); i++) {
            char c = pattern.charAt(i);
            if (c == '\\' && pattern.charAt(i + 1) == 's') {
                out.append(inClass ? SPACES : "[" + SPACES + "]");
                i++;
            } else if (c == '\\') {
                out.append(c).append(pattern.charAt(++i));
            } else {
                inClass = c == '[' || (inClass && c != ']');
                out.append(c);
            }
        }
        return out.toString();
    }

    /** @param pattern without possessive repetition, atomic groups and inner flags */
    public static JsPattern compile(String pattern) {
        return compile(pattern, 0);
    }

    /** @param flags {@link #CASE_INSENSITIVE} or 0 */
    public static JsPattern compile(String pattern, int flags) {
        return new JsPattern(pattern, (flags & CASE_INSENSITIVE) != 0);
    }

    public static boolean matches(String pattern, CharSequence text) {
        return compile(pattern).matcher(text).matches();
    }

    public JsMatcher matcher(CharSequence text) {
        return new JsMatcher(part, whole, text.toString());
    }

    public String[] split(CharSequence text) {
        return split(text, 0);
    }

    /** @param limit 0: as many parts as there are, without the empty ones at the end; the only one that is asked for */
    public String[] split(CharSequence text, int limit) {
        String all = text.toString();
        List<String> parts = new ArrayList<>();
        JsMatcher between = matcher(all);
        int from = 0;
        while (between.find()) {
            if (between.end() > 0) {
                parts.add(all.substring(from, between.start()));
                from = between.end();
            }
        }
        parts.add(all.substring(from));
        int count = parts.size();
        while (count > 1 && parts.get(count - 1).isEmpty()) {
            count--;
        }
        return parts.subList(0, count).toArray(new String[0]);
    }

    @Override
    public String toString() {
        return pattern;
    }
}
