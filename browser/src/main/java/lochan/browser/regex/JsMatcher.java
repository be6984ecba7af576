package lochan.browser.regex;

import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** A {@link java.util.regex.Matcher} over the browser's regular expressions. */
public final class JsMatcher {

    private final JSObject part;
    private final JSObject whole;
    private final String text;
    private int from;
    private @Nullable JSObject found;

    JsMatcher(JSObject part, JSObject whole, String text) {
        this.part = part;
        this.whole = whole;
        this.text = text;
    }

    @JSBody(
            params = {"expression", "text", "from"},
            script = "expression.lastIndex = from; return expression.exec(text);")
    private static native @Nullable JSObject match(JSObject expression, String text, int from);

    @JSBody(
            params = {"match", "group"},
            script = "var text = match[group]; return text === undefined ? null : text;")
    private static native @Nullable String group(@Nullable JSObject match, int group);

    @JSBody(
            params = {"match"},
            script = "return match.index;")
    private static native int start(@Nullable JSObject match);

    public boolean matches() {
        found = match(whole, text, 0);
        return found != null;
    }

    public boolean find() {
        found = from > text.length() ? null : match(part, text, from);
        if (found == null) {
            return false;
        }
        // Past a match of nothing, so that the next one is another.
        from = Math.max(end(), start() == end() ? end() + 1 : 0);
        return true;
    }

    public String group() {
        return text.substring(start(), end());
    }

    public @Nullable String group(int group) {
        return group(found, group);
    }

    public int start() {
        return start(found);
    }

    public int end() {
        String all = group(found, 0);
        return start() + (all == null ? 0 : all.length());
    }

    /** @param with {@code $1} and so on are groups; a backslash takes the next character as it is */
    public String replaceAll(String with) {
        return replaced(with, Integer.MAX_VALUE);
    }

    /** @param with as for {@link #replaceAll} */
    public String replaceFirst(String with) {
        return replaced(with, 1);
    }

    private String replaced(String with, int most) {
        StringBuilder out = new StringBuilder();
        from = 0;
        int after = 0;
        for (int i = 0; i < most && find(); i++) {
            out.append(text, after, start());
            replace(with, out);
            after = end();
        }
        return out.append(text, after, text.length()).toString();
    }

    private void replace(String with, StringBuilder out) {
        for (int i = 0; i < with.length(); i++) {
            char c = with.charAt(i);
            if (c == '\\') {
                out.append(with.charAt(++i));
            } else if (c == '$') {
                String group = group(with.charAt(++i) - '0');
                out.append(group == null ? "" : group);
            } else {
                out.append(c);
            }
        }
    }
}
