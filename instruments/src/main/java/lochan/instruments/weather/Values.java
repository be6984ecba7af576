package lochan.instruments.weather;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Values as services write them, into Lochan's units. */
final class Values {

    private static final double MPS_PER_KNOT = 1852 / 3600.0;
    private static final double MPS_PER_MPH = 0.44704;
    private static final double HPA_PER_INCH = 33.8639;
    private static final double MM_PER_INCH = 25.4;
    private static final Pattern NUMBER = Pattern.compile("-?\\d+(?:\\.\\d+)?");

    private Values() {}

    /** A number of an object, also one written as text or as {@code {"value": 3, "unitCode": "…"}}; null where there is none. */
    static @Nullable Double number(@Nullable JsonNode node) {
        JsonNode value = node != null && node.isObject() ? node.get("value") : node;
        if (value == null || value.isNull()) {
            return null;
        }
        if (value.isNumber()) {
            return value.asDouble();
        }
        // "5 to 10 mph": the stronger of them.
        Double last = null;
        Matcher numbers = NUMBER.matcher(value.isString() ? value.asString() : "");
        while (numbers.find()) {
            last = Double.valueOf(numbers.group());
        }
        return last;
    }

    /** The unit that a value names itself, in its text or beside it; else the given one. */
    static String unit(@Nullable JsonNode node, String told) {
        if (node != null && node.isObject() && node.hasNonNull("unitCode")) {
            return node.get("unitCode").asString();
        }
        if (node != null && node.isString()) {
            String letters = node.asString()
                    .replaceAll("[^A-Za-z/°%]", " ")
                    .replace(" to ", " ")
                    .strip();
            return letters.isEmpty() ? told : letters;
        }
        return told;
    }

    static @Nullable Double mps(@Nullable Double value, String unit) {
        if (value == null) {
            return null;
        }
        String u = unit.toLowerCase(Locale.ROOT);
        if (u.contains("km")) {
            return value / 3.6;
        }
        if (u.contains("mph") || u.contains("mp/h") || u.contains("mi")) {
            return value * MPS_PER_MPH;
        }
        return u.contains("kn") || u.contains("kt") ? value * MPS_PER_KNOT : value;
    }

    static @Nullable Double celsius(@Nullable Double value, String unit) {
        return value != null
                        && (unit.endsWith("F") || unit.toLowerCase(Locale.ROOT).contains("fahrenheit"))
                ? Double.valueOf((value - 32) / 1.8)
                : value;
    }

    static @Nullable Double hpa(@Nullable Double value, String unit) {
        if (value == null) {
            return null;
        }
        String u = unit.toLowerCase(Locale.ROOT);
        if (u.contains("in")) {
            return value * HPA_PER_INCH;
        }
        if (u.endsWith(":pa") || u.equals("pa")) {
            return value / 100;
        }
        return u.contains("kpa") ? value * 10 : value;
    }

    static @Nullable Double mm(@Nullable Double value, String unit) {
        return value != null && unit.toLowerCase(Locale.ROOT).contains("in")
                ? Double.valueOf(value * MM_PER_INCH)
                : value;
    }

    /** A share, also where it comes in per cent. */
    static @Nullable Double share(@Nullable Double value, String unit) {
        return value != null && (unit.contains("%") || unit.contains("percent")) ? Double.valueOf(value / 100) : value;
    }

    /** A time with its offset, or of a zone without; empty where it is none. */
    static Optional<Instant> time(@Nullable String text, ZoneId zone) {
        if (text == null) {
            return Optional.empty();
        }
        String t = text.strip().replace(' ', 'T');
        try {
            return Optional.of(
                    t.matches(".*(Z|[+-]\\d\\d:?\\d\\d)$")
                            ? OffsetDateTime.parse(t.replaceFirst("([+-]\\d\\d)(\\d\\d)$", "$1:$2"))
                                    .toInstant()
                            : LocalDateTime.parse(t).atZone(zone).toInstant());
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
