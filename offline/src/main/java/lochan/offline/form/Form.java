package lochan.offline.form;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Coded;
import lochan.core.Intake;
import lochan.core.Measure;
import lochan.core.Reason;
import lochan.core.Violation;
import lochan.core.event.Position;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The fields of a form as they were typed, with what is wrong beside each. Reading a field that is wrong gives null and an error, so that
 * all errors come out at once and nothing typed is lost.
 */
public final class Form {

    private static final double SAME = 1e-6;
    private static final double DEEPEST_M = 300;
    private static final String YES = "yes";
    private static final String NO = "no";

    private final Map<String, String> values = new LinkedHashMap<>();
    private final Map<String, List<String>> errors = new LinkedHashMap<>();
    private final Map<String, String> entered = new LinkedHashMap<>();
    private final Units units;

    public Form(Units units) {
        this.units = units;
    }

    public Form(Map<String, String> values, Units units) {
        this(units);
        values.forEach((k, v) -> this.values.put(k, Intake.text(v).strip()));
    }

    /** A quantity's reader, as {@code QuantityText::grams}. */
    public interface Reader {
        double read(String text, Units units) throws BadQuantityException;
    }

    public Form put(String name, @Nullable Object value) {
        values.put(name, value == null ? "" : value.toString());
        return this;
    }

    /** Puts a quantity as typed, as long as that still means the same in these units. */
    public Form put(String name, @Nullable Double value, Map<String, String> typed, Reader reader, String formatted) {
        String text = typed.get(name);
        return put(name, text != null && means(text, value, reader) ? text : formatted);
    }

    private boolean means(String text, @Nullable Double value, Reader reader) {
        try {
            return value != null && Math.abs(reader.read(text, units) - value) <= SAME * Math.abs(value);
        } catch (BadQuantityException e) {
            return false;
        }
    }

    public Units units() {
        return units;
    }

    public String value(String name) {
        return values.getOrDefault(name, "");
    }

    /** The fields whose names begin so, without that beginning. */
    public Map<String, String> below(String beginning) {
        Map<String, String> below = new LinkedHashMap<>();
        values.forEach((name, value) -> {
            if (name.startsWith(beginning)) {
                below.put(name.substring(beginning.length()), value);
            }
        });
        return below;
    }

    /** All fields as they were typed. */
    public Map<String, String> all() {
        return new LinkedHashMap<>(values);
    }

    public boolean has(String name) {
        return !value(name).isEmpty();
    }

    public List<String> errors(String name) {
        return errors.getOrDefault(name, List.of());
    }

    public Map<String, List<String>> allErrors() {
        return errors;
    }

    /** Adds what is wrong here to another form. */
    public void errorsInto(Form other) {
        errors.forEach((name, messages) -> messages.forEach(m -> other.error(name, m)));
    }

    public boolean ok() {
        return errors.isEmpty();
    }

    public void error(String name, @Nullable String message) {
        errors.computeIfAbsent(name, n -> new ArrayList<>()).add(message);
    }

    public void violations(List<Violation> violations) {
        violations.forEach(this::violation);
    }

    public void violation(Violation violation) {
        fail(violation.field(), violation.reason());
    }

    /** Quantities as typed, by field name, of those read so far. */
    public Map<String, String> entered() {
        return Map.copyOf(entered);
    }

    /** Returns the entries of some fields only. */
    public Map<String, String> entered(String... names) {
        Map<String, String> some = new LinkedHashMap<>(entered);
        some.keySet().retainAll(List.of(names));
        return Map.copyOf(some);
    }

    /** A quantity in SI; null when empty or wrong. */
    public @Nullable Double quantity(String name, Reader reader) {
        if (!has(name)) {
            return null;
        }
        try {
            double value = reader.read(value(name), units);
            entered.put(name, value(name));
            return value;
        } catch (BadQuantityException e) {
            fail(name, e.reason());
            return null;
        }
    }

    /** A depth in metres of 0 to 300; null when empty or wrong. */
    public @Nullable Double depth(String name, String label) {
        Double depth = quantity(name, QuantityText::metres);
        if (depth != null && !(depth >= 0 && depth <= DEEPEST_M)) {
            fail(name, "forms.depth-range", label, Measure.depth(DEEPEST_M), value(name));
        }
        return depth;
    }

    /** Adds an error when the fish are deeper than the water. */
    public void checkAboveBottom(String name, @Nullable Double fishM, @Nullable Double waterM) {
        if (fishM != null && waterM != null && fishM > waterM) {
            fail(name, "forms.fish-below-bottom");
        }
    }

    public @Nullable Double number(String name) {
        if (!has(name)) {
            return null;
        }
        try {
            double value = Double.parseDouble(value(name).replace(',', '.'));
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Reported below, as an infinite number is.
        }
        fail(name, "forms.number", value(name));
        return null;
    }

    public @Nullable Integer whole(String name) {
        if (!has(name)) {
            return null;
        }
        try {
            return Integer.valueOf(value(name));
        } catch (NumberFormatException e) {
            fail(name, "forms.whole", value(name));
            return null;
        }
    }

    public @Nullable LocalDate date(String name) {
        if (!has(name)) {
            return null;
        }
        try {
            LocalDate date = LocalDate.parse(value(name));
            if (Intake.isDate(date)) {
                return date;
            }
        } catch (DateTimeException e) {
            // Reported below, as an impossible year is.
        }
        fail(name, "forms.date", value(name));
        return null;
    }

    public @Nullable LocalTime time(String name) {
        if (!has(name)) {
            return null;
        }
        try {
            return LocalTime.parse(value(name).length() == 4 ? "0" + value(name) : value(name));
        } catch (DateTimeException e) {
            fail(name, "forms.time", value(name));
            return null;
        }
    }

    /** A position as people type it. */
    public @Nullable Position position(String name) {
        return position(name, PositionText::read);
    }

    /** A position in degrees, as the phone tells it. */
    public @Nullable Position degrees(String name) {
        return position(name, PositionText::degrees);
    }

    private interface Reading {
        Position read(String text) throws BadQuantityException;
    }

    private @Nullable Position position(String name, Reading reading) {
        if (!has(name)) {
            return null;
        }
        try {
            return reading.read(value(name));
        } catch (BadQuantityException e) {
            fail(name, e.reason());
            return null;
        }
    }

    public <E extends Enum<E> & Coded> @Nullable E choice(String name, Class<E> type) {
        if (!has(name)) {
            return null;
        }
        E value = Coded.find(type, value(name)).orElse(null);
        if (value == null) {
            fail(name, "forms.choice", value(name), Coded.choices(type));
        }
        return value;
    }

    /** Yes or no; null when empty. */
    public @Nullable Boolean truth(String name) {
        if (!has(name)) {
            return null;
        }
        return switch (value(name)) {
            case YES -> true;
            case NO -> false;
            default -> {
                fail(name, "forms.yes-or-no", value(name));
                yield null;
            }
        };
    }

    /** Puts yes or no; null leaves it open. */
    public Form put(String name, @Nullable Boolean value) {
        return put(name, value == null ? "" : (Object) (value ? YES : NO));
    }

    /** Puts a choice; null leaves it open. */
    public Form put(String name, @Nullable Coded value) {
        return put(name, value == null ? "" : (Object) value.code());
    }

    /** A short text of people's own; null when empty. */
    public @Nullable String words(String name, String label, int longest) {
        if (value(name).length() > longest) {
            fail(name, "forms.too-long", label, value(name).length(), longest);
        }
        return has(name) ? value(name) : null;
    }

    /** Adds a message of the message files as an error. */
    public void fail(String name, String key, Object... values) {
        error(name, Wording.text(units, key, values));
    }

    /** Adds a reason as an error. */
    public void fail(String name, Reason reason) {
        error(name, Wording.text(reason, units));
    }

    /** Adds a message of the message files as an error when a field that must be there is empty. */
    public void needs(String name, String key, Object... values) {
        if (!has(name)) {
            fail(name, key, values);
        }
    }
}
