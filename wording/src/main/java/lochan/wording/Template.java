package lochan.wording;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A message with places for values: <code>{0}</code> shows the first value, <code>{0|bite|bites}</code> chooses a word
 * by it, the first for 1 and
 * the second for all other numbers, and <code>{0?text}</code> shows the text where the first value is not empty; the
 * text may hold places itself.
 * Any other brace is an error.
 */
final class Template {

    private final String pattern;

    Template(String pattern) {
        this.pattern = pattern;
    }

    /**
     * Returns the message with its values.
     *
     * @param shown how a value is written
     * @throws IllegalArgumentException when the message names a value that is not there, or is not well-formed
     */
    String fill(List<?> values, Function<@Nullable Object, String> shown) {
        StringBuilder text = new StringBuilder();
        fill(pattern, values, shown, text);
        return text.toString();
    }

    private void fill(String part, List<?> values, Function<@Nullable Object, String> shown, StringBuilder text) {
        int at = 0;
        for (int open = part.indexOf('{'); open >= 0; open = part.indexOf('{', at)) {
            int close = closing(part, open);
            text.append(part, at, open);
            place(part.substring(open + 1, close), values, shown, text);
            at = close + 1;
        }
        text.append(part, at, part.length());
    }

    private int closing(String part, int open) {
        int depth = 0;
        for (int i = open; i < part.length(); i++) {
            char c = part.charAt(i);
            depth += c == '{' ? 1 : c == '}' ? -1 : 0;
            if (depth == 0) {
                return i;
            }
        }
        throw new IllegalArgumentException("no closing brace in \"" + pattern + "\"");
    }

    private void place(String place, List<?> values, Function<@Nullable Object, String> shown, StringBuilder text) {
        int digits = 0;
        while (digits < place.length() && Character.isDigit(place.charAt(digits))) {
            digits++;
        }
        int index = digits == 0 ? -1 : Integer.parseInt(place.substring(0, digits));
        if (index < 0 || index >= values.size()) {
            throw new IllegalArgumentException(
                    "\"" + pattern + "\" names {" + place + "}, and there are " + values.size() + " values");
        }
        Object value = values.get(index);
        String rest = place.substring(digits);
        if (rest.isEmpty()) {
            text.append(shown.apply(value));
        } else if (rest.startsWith("?")) {
            if (!shown.apply(value).isEmpty()) {
                fill(rest.substring(1), values, shown, text);
            }
        } else {
            int between = rest.indexOf('|', 1);
            if (rest.charAt(0) != '|' || between < 0 || rest.indexOf('|', between + 1) >= 0) {
                throw new IllegalArgumentException("{" + place + "} in \"" + pattern + "\": expected {0|one|many}");
            }
            boolean one = "1".equals(shown.apply(value));
            text.append(one ? rest.substring(1, between) : rest.substring(between + 1));
        }
    }
}
