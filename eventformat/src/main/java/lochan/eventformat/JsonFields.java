package lochan.eventformat;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import lochan.core.Bounds;
import lochan.core.Coded;
import lochan.core.Intake;
import lochan.core.Violation;
import lochan.eventformat.EventFileException.Problem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The fields of one JSON object: each is read once, by name; what is wrong is collected, what nobody read is kept. */
final class JsonFields {

    private static final int LONGEST_TEXT = 10_000;
    private static final int LONGEST_SHOWN = 60;
    private static final int LONGEST_POINTER = 255;
    private static final int MOST_UNKNOWN = 2_000;
    private static final int MOST_UNKNOWN_CHARACTERS = 1_000_000;

    private final JsonNode node;
    private final String pointer;
    private final String keptAs;
    private final Context context;
    private final Set<String> known = new HashSet<>();

    /** Collects problems and unknown fields while a file is read. */
    static final class Context {
        final List<Problem> problems = new ArrayList<>();
        final Map<String, String> extras = new java.util.LinkedHashMap<>();
        int leftOut;
        private int kept;

        /** Keeps unknown fields, as far as there is room for them. */
        private void keep(String pointer, ObjectNode unknown) {
            String text = unknown.toString();
            if (pointer.length() > LONGEST_POINTER
                    || extras.size() >= MOST_UNKNOWN
                    || kept + text.length() > MOST_UNKNOWN_CHARACTERS) {
                leftOut++;
            } else {
                kept += text.length();
                extras.put(pointer, text);
            }
        }
    }

    /**
     * @param pointer where the object stands
     * @param keptAs  the pointer its unknown fields are kept under
     */
    JsonFields(@Nullable JsonNode node, String pointer, String keptAs, Context context) {
        this.context = context;
        this.pointer = pointer;
        this.keptAs = keptAs;
        if (node != null && !node.isMissingNode() && !node.isNull() && !node.isObject()) {
            problem("", "found " + shown(node) + ", expected an object");
        }
        this.node = node != null && node.isObject() ? node : JsonNodeFactory.instance.objectNode();
    }

    String pointer() {
        return pointer;
    }

    boolean has(String name) {
        return node.hasNonNull(name);
    }

    void problem(String name, String message) {
        context.problems.add(new Problem(name.isEmpty() ? pointer : pointer + "/" + name, message));
    }

    void violations(List<Violation> violations) {
        violations.forEach(v -> context.problems.add(Problem.of(pointer + "/", v)));
    }

    /** Reads a field so that it is not kept as unknown. */
    private @Nullable JsonNode take(String name) {
        known.add(name);
        JsonNode value = node.get(name);
        return value == null || value.isNull() ? null : value;
    }

    /** Returns a field unread; null when missing. */
    @Nullable
    JsonNode raw(String name) {
        return take(name);
    }

    private void missing(String name, String expected) {
        problem(name, "missing, expected " + expected);
    }

    private void wrong(String name, JsonNode found, String expected) {
        problem(name, "found " + shown(found) + ", expected " + expected);
    }

    private static String shown(JsonNode node) {
        String text = node.isContainer() ? (node.isArray() ? "a list" : "an object") : node.toString();
        return Intake.shortened(text, LONGEST_SHOWN);
    }

    /** Needed; empty when missing or no text. */
    String text(String name) {
        return needed(name, "text", textOrNull(name), "");
    }

    /** A value that is needed; another in the place of one that is missing or wrong, which is collected as a problem. */
    private <T> T needed(String name, String expected, @Nullable T value, T instead) {
        if (value != null) {
            return value;
        }
        if (!has(name)) {
            missing(name, expected);
        }
        return instead;
    }

    @Nullable
    String textOrNull(String name) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        if (value.isString() && value.asString().length() <= LONGEST_TEXT) {
            return Intake.text(value.asString());
        }
        wrong(name, value, "text");
        return null;
    }

    /** Text with a greatest length, as the records hold it; empty when missing or too long. */
    String shortText(String name, int longest) {
        return needed(name, "text", shortTextOrNull(name, longest), "");
    }

    @Nullable
    String shortTextOrNull(String name, int longest) {
        String value = textOrNull(name);
        if (value != null && value.length() > longest) {
            problem(name, "has " + value.length() + " characters, expected " + longest + " at most");
            return null;
        }
        return value;
    }

    /** An id as {@link Intake#isId} has it. */
    String id(String name) {
        return needed(name, "an id", idOrNull(name), "");
    }

    @Nullable
    String idOrNull(String name) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        if (value.isString() && Intake.isId(value.asString())) {
            return value.asString();
        }
        wrong(name, value, "an id of 1 to " + Intake.LONGEST_ID + " plain characters, no spaces at its ends");
        return null;
    }

    double number(String name, double least, double most) {
        return needed(name, "a number", numberOrNull(name, least, most), least);
    }

    @Nullable
    Double numberOrNull(String name, double least, double most) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        String expected = "a number from " + plain(least) + " to " + plain(most);
        double number = value.isNumber() ? number(value) : Double.NaN;
        if (number >= least && number <= most) {
            return number;
        }
        wrong(name, value, expected);
        return null;
    }

    /** A number whatever its size: what is too large is infinite. */
    private static double number(JsonNode value) {
        return value.decimalValue().doubleValue();
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
    }

    @Nullable
    Integer wholeOrNull(String name, int least, int most) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        double number = value.isNumber() ? number(value) : Double.NaN;
        if (number == Math.rint(number) && number >= least && number <= most) {
            return (int) number;
        }
        wrong(name, value, "a whole number from " + least + " to " + most);
        return null;
    }

    int whole(String name, int least, int most, int instead) {
        Integer value = wholeOrNull(name, least, most);
        return value == null ? instead : value;
    }

    @Nullable
    Boolean truthOrNull(String name) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        if (value.isBoolean()) {
            return value.asBoolean();
        }
        wrong(name, value, "true or false");
        return null;
    }

    /** Needed; the first of them when missing or wrong. */
    <E extends Enum<E> & Coded> E choice(String name, Class<E> type) {
        E value = neededChoice(name, type);
        return value != null ? value : type.getEnumConstants()[0];
    }

    /** Needed; null when missing or wrong, which is collected as a problem. */
    <E extends Enum<E> & Coded> @Nullable E neededChoice(String name, Class<E> type) {
        if (!has(name)) {
            missing(name, "one of " + Coded.choices(type));
        }
        return choiceOrNull(name, type);
    }

    <E extends Enum<E> & Coded> @Nullable E choiceOrNull(String name, Class<E> type) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        E found = value.isString() ? Coded.find(type, value.asString()).orElse(null) : null;
        if (found == null) {
            wrong(name, value, "one of " + Coded.choices(type));
        }
        return found;
    }

    /** A time to the millisecond. */
    Instant time(String name) {
        return needed(name, "a time with offset", timeOrNull(name), Instant.EPOCH);
    }

    @Nullable
    Instant timeOrNull(String name) {
        JsonNode value = take(name);
        if (value == null) {
            return null;
        }
        try {
            Instant time = OffsetDateTime.parse(value.isString() ? value.asString() : "")
                    .toInstant()
                    .truncatedTo(ChronoUnit.MILLIS);
            if (Intake.isTime(time)) {
                return time;
            }
        } catch (DateTimeException e) {
            // Told below, like a year out of range.
        }
        wrong(name, value, "a time with offset as 2027-05-29T06:00:00-06:00");
        return null;
    }

    LocalDate date(String name) {
        JsonNode value = take(name);
        return needed(name, "a date", value == null ? null : date(name, value), LocalDate.EPOCH);
    }

    private LocalDate date(String name, JsonNode value) {
        try {
            LocalDate date = LocalDate.parse(value.isString() ? value.asString() : "");
            if (Intake.isDate(date)) {
                return date;
            }
        } catch (DateTimeException e) {
            // Told below, like a year out of range.
        }
        wrong(name, value, "a date as 2027-05-29");
        return LocalDate.EPOCH;
    }

    List<LocalDate> dates(String name) {
        List<LocalDate> dates = new ArrayList<>();
        elements(name).forEach((i, value) -> dates.add(date(name + "/" + i, value)));
        return dates;
    }

    List<String> texts(String name) {
        List<String> texts = new ArrayList<>();
        elements(name).forEach((i, value) -> texts.add(text(name + "/" + i, value)));
        return texts;
    }

    private String text(String name, JsonNode value) {
        if (value.isString()) {
            return Intake.text(value.asString());
        }
        wrong(name, value, "text");
        return "";
    }

    private Map<Integer, JsonNode> elements(String name) {
        JsonNode value = take(name);
        Map<Integer, JsonNode> elements = new java.util.LinkedHashMap<>();
        if (value != null && !value.isArray()) {
            wrong(name, value, "a list");
        } else if (value != null) {
            for (int i = 0; i < value.size(); i++) {
                elements.put(i, value.get(i));
            }
        }
        return elements;
    }

    /** An object below this one; empty when missing. */
    JsonFields object(String name) {
        return new JsonFields(take(name), pointer + "/" + name, keptAs + "/" + name, context);
    }

    /** The objects of a list, their unknown fields kept by position. */
    <T> List<T> list(String name, BiFunction<JsonFields, Integer, T> read) {
        return list(name, null, read);
    }

    /** The objects of a list, their unknown fields kept by their id; a second object with one id is a problem. */
    <T> List<T> list(String name, @Nullable String idField, BiFunction<JsonFields, Integer, T> read) {
        List<T> list = new ArrayList<>();
        Map<String, Integer> ids = new HashMap<>();
        int most = Bounds.ofList(name);
        if (node.path(name).size() > most) {
            problem(name, "has " + node.path(name).size() + " elements, expected at most " + most);
            return list;
        }
        elements(name).forEach((i, value) -> {
            String id = idField == null || !value.isObject()
                    ? null
                    : value.path(idField).asString("");
            JsonFields fields = new JsonFields(
                    value,
                    pointer + "/" + name + "/" + i,
                    keptAs + "/" + name + "/" + (id == null ? i.toString() : escape(id)),
                    context);
            if (idField != null && id != null && !id.isEmpty() && ids.putIfAbsent(id, i) != null) {
                fields.problem(
                        idField,
                        "found \"" + id + "\" a second time (first at " + pointer + "/" + name + "/" + ids.get(id)
                                + "), expected an id of its own");
            }
            list.add(read.apply(fields, i));
            fields.keepUnknown();
        });
        return list;
    }

    static String escape(String id) {
        return id.replace("~", "~0").replace("/", "~1");
    }

    /**
     * Quantities as they were typed. One text stands for the only quantity of its object.
     *
     * @param only the name of the quantity a plain text is for
     */
    Map<String, String> entered(String only) {
        JsonNode value = take("entered");
        if (value == null) {
            return Map.of();
        }
        if (value.isString()) {
            return Map.of(only, Intake.text(value.asString()));
        }
        Map<String, String> entered = new HashMap<>();
        if (value.isObject()) {
            value.properties()
                    .forEach(e -> entered.put(Intake.text(e.getKey()), text("entered/" + e.getKey(), e.getValue())));
        } else {
            wrong("entered", value, "text, or an object of texts");
        }
        return entered;
    }

    /** Keeps what nobody read. */
    void keepUnknown() {
        ObjectNode rest = JsonNodeFactory.instance.objectNode();
        node.properties().stream()
                .filter(e -> !known.contains(e.getKey()))
                .forEach(e -> rest.set(e.getKey(), e.getValue()));
        if (!rest.isEmpty()) {
            context.keep(keptAs, rest);
        }
    }
}
