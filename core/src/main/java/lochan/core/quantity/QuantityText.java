package lochan.core.quantity;

import static lochan.core.quantity.Units.GRAMS_PER_OUNCE;
import static lochan.core.quantity.Units.GRAMS_PER_POUND;
import static lochan.core.quantity.Units.MM_PER_INCH;
import static lochan.core.quantity.Units.OUNCES_PER_POUND;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lochan.core.practice.FishSize;
import org.jspecify.annotations.Nullable;

/** Reads quantities as people type them. A unit that is typed wins over the angler's own. */
public final class QuantityText {

    /** Nine digits are more than anybody types, and stay finite. */
    private static final String NUMBER = "(\\d{1,9}(?:\\.\\d{1,9})?|\\.\\d{1,9})";

    private static final Pattern POUNDS_OUNCES_NAMED =
            Pattern.compile(NUMBER + " ?(?:lbs?|pounds?|#)[ ,-]*" + NUMBER + " ?(?:oz|ounces?)?");
    private static final Pattern POUNDS_OUNCES = Pattern.compile("(\\d{1,9})(?: ?- ?| )" + NUMBER);
    private static final Pattern WITH_UNIT = Pattern.compile("(-?)" + NUMBER + " ?([a-z°\"'/#]*)");
    private static final Pattern FRACTION = Pattern.compile("(?:(\\d{1,9}) )?(\\d{1,9})/(\\d{1,9}) ?([a-z\"]*)");
    private static final Pattern ABOUT = Pattern.compile("^(?:about|around|approx\\.?|roughly|maybe|ca\\.?|~) ?");
    private static final Pattern RANGE = Pattern.compile("(.+?) ?(?: to |–|\\.\\.) ?(.+)");
    private static final Pattern LENGTH = Pattern.compile(".*\\d ?(?:in|inch|inches|\"|cm|mm)");
    private static final Pattern FEET_INCHES =
            Pattern.compile("(\\d{1,3}) ?(?:-|ft|feet|') ?(\\d{1,2}) ?(?:in|inches|\")?");
    private static final List<String> NUMBER_WORDS = List.of(
            "zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve");

    private QuantityText() {}

    /** Grams of a weight: "3-4", "3 4", "3.25", "3lb4oz", "52 oz", "1.47 kg", "about two and a half". */
    public static double grams(String text, Units units) throws BadQuantityException {
        String t = ABOUT.matcher(normal(text)).replaceFirst("");
        Matcher named = POUNDS_OUNCES_NAMED.matcher(t);
        if (named.matches()) {
            return poundsOunces(text, named);
        }
        Matcher pair = POUNDS_OUNCES.matcher(t);
        if (pair.matches() && units.weight() != Units.Weight.KG) {
            return poundsOunces(text, pair);
        }
        Matcher one = WITH_UNIT.matcher(t);
        if (one.matches() && one.group(1).isEmpty()) {
            double value = Double.parseDouble(one.group(2));
            switch (one.group(3)) {
                case "" -> {
                    return value * (units.weight() == Units.Weight.KG ? 1000 : GRAMS_PER_POUND);
                }
                case "lb", "lbs", "pound", "pounds", "#" -> {
                    return value * GRAMS_PER_POUND;
                }
                case "oz", "ounce", "ounces" -> {
                    return value * GRAMS_PER_OUNCE;
                }
                case "kg" -> {
                    return value * 1000;
                }
                case "g", "grams" -> {
                    return value;
                }
                default -> {}
            }
        }
        throw (units.weight() == Units.Weight.KG ? QuantityProblem.WEIGHT_METRIC : QuantityProblem.WEIGHT).of(text);
    }

    /** Grams of a lure or sinker: "3/8", "1 1/2 oz", "0.5", "10 g"; a bare number is in ounces, or in grams for those who weigh in kilograms. */
    public static double lureGrams(String text, Units units) throws BadQuantityException {
        String t = normal(text);
        Matcher fraction = FRACTION.matcher(t);
        if (fraction.matches()
                && Integer.parseInt(fraction.group(3)) > 0
                && List.of("", "oz").contains(fraction.group(4))) {
            double whole = fraction.group(1) == null ? 0 : Double.parseDouble(fraction.group(1));
            return (whole + Double.parseDouble(fraction.group(2)) / Double.parseDouble(fraction.group(3)))
                    * GRAMS_PER_OUNCE;
        }
        boolean metric = units.weight() == Units.Weight.KG;
        return measured(
                text,
                metric ? "g" : "oz",
                Map.of(
                        "oz",
                        GRAMS_PER_OUNCE,
                        "ounce",
                        GRAMS_PER_OUNCE,
                        "ounces",
                        GRAMS_PER_OUNCE,
                        "g",
                        1.0,
                        "grams",
                        1.0),
                metric ? QuantityProblem.LURE_WEIGHT_METRIC : QuantityProblem.LURE_WEIGHT);
    }

    /** Kilograms that a line carries: "12", "12 lb", "5.4 kg". */
    public static double lineKg(String text, Units units) throws BadQuantityException {
        boolean metric = units.weight() == Units.Weight.KG;
        return measured(
                text,
                metric ? "kg" : "lb",
                Map.of(
                        "lb",
                        GRAMS_PER_POUND / 1000,
                        "lbs",
                        GRAMS_PER_POUND / 1000,
                        "#",
                        GRAMS_PER_POUND / 1000,
                        "kg",
                        1.0),
                metric ? QuantityProblem.LINE_STRENGTH_METRIC : QuantityProblem.LINE_STRENGTH);
    }

    /** Metres of a rod: "7", "7-2", "7 ft 2 in", "2.18 m"; a bare number is in feet, or in metres for those who measure in centimetres. */
    public static double rodMetres(String text, Units units) throws BadQuantityException {
        Matcher feet = FEET_INCHES.matcher(normal(text));
        if (feet.matches() && Integer.parseInt(feet.group(2)) < 12) {
            return (12 * Integer.parseInt(feet.group(1)) + Integer.parseInt(feet.group(2))) * MM_PER_INCH / 1000;
        }
        boolean metric = units.length() != Units.Length.IN;
        double foot = 12 * MM_PER_INCH / 1000;
        return measured(
                text,
                metric ? "m" : "ft",
                Map.of("ft", foot, "feet", foot, "'", foot, "m", 1.0, "cm", 0.01),
                metric ? QuantityProblem.ROD_LENGTH_METRIC : QuantityProblem.ROD_LENGTH);
    }

    private static double measured(String text, String usual, Map<String, Double> units, QuantityProblem otherwise)
            throws BadQuantityException {
        Matcher one = WITH_UNIT.matcher(normal(text));
        Double unit = one.matches() && one.group(1).isEmpty()
                ? units.get(one.group(3).isEmpty() ? usual : one.group(3))
                : null;
        if (unit == null) {
            throw otherwise.of(text);
        }
        return Double.parseDouble(one.group(2)) * unit;
    }

    /** Millimetres of a fish's length: "14", "14 1/2", "36 cm". */
    public static double mm(String text, Units units) throws BadQuantityException {
        String t = normal(text);
        Matcher fraction = FRACTION.matcher(t);
        if (fraction.matches() && Double.parseDouble(fraction.group(3)) > 0) {
            double whole = fraction.group(1) == null ? 0 : Double.parseDouble(fraction.group(1));
            return (whole + Double.parseDouble(fraction.group(2)) / Double.parseDouble(fraction.group(3)))
                    * lengthUnit(text, fraction.group(4), units);
        }
        Matcher one = WITH_UNIT.matcher(t);
        if (one.matches() && one.group(1).isEmpty()) {
            return Double.parseDouble(one.group(2)) * lengthUnit(text, one.group(3), units);
        }
        throw badLength(text);
    }

    /** Metres of a depth or visibility: "8", "8 ft", "2.5 m". */
    public static double metres(String text, Units units) throws BadQuantityException {
        Matcher one = WITH_UNIT.matcher(normal(text));
        if (one.matches() && one.group(1).isEmpty()) {
            double value = Double.parseDouble(one.group(2));
            switch (one.group(3)) {
                case "" -> {
                    return value * units.depth().metres();
                }
                case "ft", "feet", "foot", "'" -> {
                    return value * Units.Depth.FT.metres();
                }
                case "m", "metres", "meters" -> {
                    return value;
                }
                default -> {}
            }
        }
        throw QuantityProblem.DEPTH.of(text);
    }

    /** Degrees Celsius: "66", "66 F", "19 C". */
    public static double celsius(String text, Units units) throws BadQuantityException {
        Matcher one = WITH_UNIT.matcher(normal(text));
        if (one.matches()) {
            double value = Double.parseDouble(one.group(1) + one.group(2));
            switch (one.group(3).replace("°", "")) {
                case "" -> {
                    return units.temperature() == Units.Temperature.F ? (value - 32) * 5 / 9 : value;
                }
                case "f" -> {
                    return (value - 32) * 5 / 9;
                }
                case "c" -> {
                    return value;
                }
                default -> {}
            }
        }
        throw QuantityProblem.TEMPERATURE.of(text);
    }

    /** Metres a second: "10", "10 mph", "16 km/h", "4 m/s". */
    public static double mps(String text, Units units) throws BadQuantityException {
        Matcher one = WITH_UNIT.matcher(normal(text));
        if (one.matches() && one.group(1).isEmpty()) {
            double value = Double.parseDouble(one.group(2));
            switch (one.group(3)) {
                case "" -> {
                    return value * units.speed().mps();
                }
                case "mph" -> {
                    return value * Units.Speed.MPH.mps();
                }
                case "km/h", "kmh" -> {
                    return value * Units.Speed.KMH.mps();
                }
                case "m/s" -> {
                    return value;
                }
                default -> {}
            }
        }
        throw QuantityProblem.SPEED.of(text);
    }

    /**
     * The size of a fish: a weight, "about" a weight, a range "3 to 4", or a length with its unit.
     *
     * @param weighed whether a plain weight comes from the scale, not from a guess
     */
    public static FishSize size(String text, boolean weighed, Units units) throws BadQuantityException {
        String t = normal(text);
        Matcher range = RANGE.matcher(t);
        if (range.matches()) {
            double lo = grams(range.group(1), units);
            double hi = grams(range.group(2), units);
            return checked(text, Math.min(lo, hi) > 0 ? FishSize.range(Math.min(lo, hi), Math.max(lo, hi)) : null);
        }
        if (LENGTH.matcher(t).matches()) {
            double mm = mm(t, units);
            return checked(text, mm > 0 ? FishSize.length(mm) : null);
        }
        boolean about = ABOUT.matcher(t).find();
        double grams = grams(t, units);
        if (!(grams > 0)) {
            return checked(text, null);
        }
        return checked(text, weighed && !about ? FishSize.scale(grams) : FishSize.guess(grams));
    }

    private static FishSize checked(String text, @Nullable FishSize size) throws BadQuantityException {
        if (size == null) {
            throw QuantityProblem.SIZE_ZERO.of(text);
        }
        return size.typed(text.strip());
    }

    private static double poundsOunces(String text, Matcher match) throws BadQuantityException {
        double ounces = Double.parseDouble(match.group(2));
        if (!(ounces < OUNCES_PER_POUND)) {
            throw new BadQuantityException(QuantityProblem.OUNCES.with(text.strip(), match.group(2)));
        }
        return Double.parseDouble(match.group(1)) * GRAMS_PER_POUND + ounces * GRAMS_PER_OUNCE;
    }

    private static double lengthUnit(String text, String unit, Units units) throws BadQuantityException {
        return switch (unit) {
            case "" -> units.length().mm();
            case "in", "inch", "inches", "\"" -> MM_PER_INCH;
            case "cm" -> 10;
            case "mm" -> 1;
            default -> throw badLength(text);
        };
    }

    private static BadQuantityException badLength(String text) {
        return QuantityProblem.LENGTH.of(text);
    }

    private static String normal(String text) {
        String t = text.strip()
                .toLowerCase(Locale.ROOT)
                .replaceAll("\\s+", " ")
                .replace('”', '"')
                .replace('’', '\'');
        t = t.replaceAll("(\\d),(\\d)", "$1.$2");
        for (int i = 0; i < NUMBER_WORDS.size(); i++) {
            t = t.replaceAll("\\b" + NUMBER_WORDS.get(i) + "\\b", Integer.toString(i));
        }
        return t.replaceAll("(\\d+) and a half", "$1.5")
                .replaceAll("(\\d+) and a quarter", "$1.25")
                .replaceAll("(\\d+) and (?:3|a) quarters", "$1.75")
                .replaceAll("\\b(?:a )?half a pound", "0.5 lb")
                .replaceAll(" and a bit$", "");
    }
}
