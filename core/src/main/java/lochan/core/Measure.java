package lochan.core;

/**
 * A quantity with its kind, which {@link lochan.core.quantity.Units#show} writes in the angler's units.
 *
 * @param kind  what it measures
 * @param value grams of weights, kg of lines, millimetres of lengths, else SI: m, °C, m/s, m²
 */
public record Measure(Kind kind, double value) {

    /** What a quantity measures. */
    public enum Kind {
        WEIGHT,
        LENGTH,
        DEPTH,
        VISIBILITY,
        TEMPERATURE,
        SPEED,
        REACH,
        AREA,
        LURE_WEIGHT,
        LINE_STRENGTH
    }

    /** Returns a fish's weight. */
    public static Measure weight(double grams) {
        return new Measure(Kind.WEIGHT, grams);
    }

    /** Returns a fish's length. */
    public static Measure length(double mm) {
        return new Measure(Kind.LENGTH, mm);
    }

    /** Returns a depth of water, fish or lure. */
    public static Measure depth(double metres) {
        return new Measure(Kind.DEPTH, metres);
    }

    /** Returns how far one sees into the water. */
    public static Measure visibility(double metres) {
        return new Measure(Kind.VISIBILITY, metres);
    }

    /** Returns a water temperature. */
    public static Measure temperature(double celsius) {
        return new Measure(Kind.TEMPERATURE, celsius);
    }

    /** Returns a speed of wind or boat. */
    public static Measure speed(double mps) {
        return new Measure(Kind.SPEED, mps);
    }

    /** Returns a distance within sight, in yards or meters. */
    public static Measure reach(double metres) {
        return new Measure(Kind.REACH, metres);
    }

    /** Returns an area of water. */
    public static Measure area(double m2) {
        return new Measure(Kind.AREA, m2);
    }

    /** Returns a lure's weight. */
    public static Measure lureWeight(double grams) {
        return new Measure(Kind.LURE_WEIGHT, grams);
    }

    /** Returns a line's test, given in kg. */
    public static Measure lineStrength(double kg) {
        return new Measure(Kind.LINE_STRENGTH, kg);
    }
}
