package lochan.wording;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.ReasonCode;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/**
 * Gives the text of a message. A key is the name of its file and its name there: {@code rules.slot-order} is {@code
 * slot-order} in
 * {@code messages/rules.properties}. {@link Template} says how values stand in a message.
 */
public final class Wording {

    /** The files read so far; a file read twice at once is the same both times. */
    private static volatile Map<String, Map<String, Template>> files = Map.of();

    private Wording() {}

    /**
     * Returns a message with its values.
     *
     * @param values text, numbers, choices and reasons; null shows as nothing
     * @throws IllegalArgumentException when there is no such message, or it names a value that is not there
     */
    public static String text(String key, @Nullable Object... values) {
        return text(Units.USUAL, key, values);
    }

    /** Returns a message with its values, quantities in some units. */
    public static String text(Units units, String key, @Nullable Object... values) {
        return template(key).fill(Arrays.asList(values), v -> shown(v, units));
    }

    /** Returns a reason in words, its quantities in some units. */
    public static String text(Reason reason, Units units) {
        return template(reason.code().key()).fill(reason.values(), v -> shown(v, units));
    }

    /** Returns a message without values. */
    public static String text(ReasonCode code) {
        return template(code.key()).fill(List.of(), String::valueOf);
    }

    private static String shown(@Nullable Object value, Units units) {
        return switch (value) {
            case null -> "";
            case Reason r -> text(r, units);
            case ReasonCode c -> text(c);
            case Measure m -> units.show(m);
            case Coded c -> c.words();
            default -> value.toString();
        };
    }

    private static Template template(String key) {
        int dot = key.indexOf('.');
        Template template = dot < 0 ? null : file(key.substring(0, dot)).get(key.substring(dot + 1));
        if (template == null) {
            throw new IllegalArgumentException("no message " + key);
        }
        return template;
    }

    private static Map<String, Template> file(String file) {
        Map<String, Template> known = files.get(file);
        if (known != null) {
            return known;
        }
        Map<String, Template> templates = new HashMap<>();
        MessageFile.read(file).forEach((key, message) -> templates.put(key, new Template(message)));
        Map<String, Map<String, Template>> more = new HashMap<>(files);
        more.put(file, templates);
        files = more;
        return templates;
    }
}
