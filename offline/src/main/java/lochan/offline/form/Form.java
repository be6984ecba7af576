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
import lochan.core.Violation;
import lochan.core.event.Position;
import lochan.core.quantity.BadQuantityException;
import lochan.core.quantity.PositionText;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
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

    /** Puts a quantity as it was typed, as long as that still means the same in these units. */
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
        violations.forEach(v -> error(v.field(), v.message()));
    }

    /** Quantities as typed, by field name, of those read so far. */
    public Map<String, String> entered() {
        return Map.copyOf(entered);
    }

    /** The same for some fields only. */
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
            error(name, e.getMessage());
            return null;
        }
    }

    /** A depth in metres of 0 to 300; null when empty or wrong. */
    public @Nullable Double depth(String name, String label) {
        Double depth = quantity(name, QuantityText::metres);
        if (depth != null && !(depth >= 0 && depth <= DEEPEST_M)) {
            error(name, label + " is at “" + value(name) + "”: expected 0 to 980 ft (300 m).");
        }
        return depth;
    }

    /** Adds an error when fish are told to be deeper than the water they are in. */
    public void checkAboveBottom(String name, @Nullable Double fishM, @Nullable Double waterM) {
        if (fishM != null && waterM != null && fishM > waterM) {
            error(name, "The fish is deeper than the water: exchange them.");
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
            // Told below, like what is no finite number.
        }
        error(name, "“" + value(name) + "” is no number: type it as 12 or 12.5.");
        return null;
    }

    public @Nullable Integer whole(String name) {
        if (!has(name)) {
            return null;
        }
        try {
            return Integer.valueOf(value(name));
        } catch (NumberFormatException e) {
            error(name, "“" + value(name) + "” is no whole number: type it as 5.");
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
            // Told below, like a year that cannot be meant.
        }
        error(name, "“" + value(name) + "” is no date: type it as 2027-05-29.");
        return null;
    }

    public @Nullable LocalTime time(String name) {
        if (!has(name)) {
            return null;
        }
        try {
            return LocalTime.parse(value(name).length() == 4 ? "0" + value(name) : value(name));
        } catch (DateTimeException e) {
            error(name, "“" + value(name) + "” is no time: type it as 06:00, on the 24-hour clock.");
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
            error(name, e.getMessage());
            return null;
        }
    }

    public <E extends Enum<E> & Coded> @Nullable E choice(String name, Class<E> type) {
        if (!has(name)) {
            return null;
        }
        E value = Coded.find(type, value(name)).orElse(null);
        if (value == null) {
            error(name, "“" + value(name) + "” is none of " + Coded.choices(type) + ": choose one of them.");
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
                error(name, "“" + value(name) + "” is neither yes nor no: choose one of them.");
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
            error(name, label + " has " + value(name).length() + " characters: expected at most " + longest + ".");
        }
        return has(name) ? value(name) : null;
    }

    /** Adds an error when a field that must be there is empty. */
    public void need(String name, String message) {
        if (!has(name)) {
            error(name, message);
        }
    }
}
