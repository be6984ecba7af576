package lochan.core.quantity;

import lochan.core.Coded;
import lochan.core.Measure;
import org.jspecify.annotations.Nullable;

/** The units an angler reads and types. Values inside stay SI; formatting rounds to what can be read at a glance. */
public record Units(Weight weight, Length length, Depth depth, Temperature temperature, Speed speed) {

    public static final Units USUAL = new Units(Weight.LB_OZ, Length.IN, Depth.FT, Temperature.F, Speed.MPH);

    /** The units of files. */
    public static final Units METRIC = new Units(Weight.KG, Length.CM, Depth.M, Temperature.C, Speed.KMH);

    static final double GRAMS_PER_OUNCE = 28.349523125;
    static final int OUNCES_PER_POUND = 16;
    static final double GRAMS_PER_POUND = OUNCES_PER_POUND * GRAMS_PER_OUNCE;
    static final double MM_PER_INCH = 25.4;
    private static final double M_PER_FOOT = 0.3048;
    private static final double M2_PER_ACRE = 4046.8564224;
    private static final double M_PER_YARD = 0.9144;
    static final double M_PER_MILE = 1609.344;

    /** Weights of fish. */
    public enum Weight implements Coded {
        LB_OZ("lb-oz"),
        LB("lb"),
        KG("kg");

        private final String code;

        Weight(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    /** Lengths of fish. */
    public enum Length implements Coded {
        IN("in"),
        CM("cm");

        private final String code;

        Length(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }

        double mm() {
            return this == IN ? MM_PER_INCH : 10;
        }
    }

    /** Depths and visibility. */
    public enum Depth implements Coded {
        FT("ft"),
        M("m");

        private final String code;

        Depth(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }

        /** This unit in metres. */
        public double metres() {
            return this == FT ? M_PER_FOOT : 1;
        }
    }

    /** Temperatures of water. */
    public enum Temperature implements Coded {
        F("F"),
        C("C");

        private final String code;

        Temperature(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    /** Speeds of wind and boat. */
    public enum Speed implements Coded {
        MPH("mph"),
        KMH("km/h");

        private final String code;

        Speed(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }

        /** Metres a second in one of it. */
        public double mps() {
            return this == MPH ? M_PER_MILE / 3600 : 1 / 3.6;
        }
    }

    /** Returns a quantity with its unit. */
    public String show(Measure measure) {
        double value = measure.value();
        return switch (measure.kind()) {
            case WEIGHT -> weight(value);
            case LENGTH -> length(value);
            case DEPTH -> depth(value);
            case VISIBILITY -> visibility(value);
            case TEMPERATURE -> temperature(value);
            case SPEED -> speed(value);
            case REACH -> reach(value);
            case AREA -> area(value);
            case LURE_WEIGHT -> lureWeight(value);
            case LINE_STRENGTH -> lineStrength(value);
        };
    }

    /** A weight with its unit, to the nearest ounce, hundredth of a pound or 10 g; "–" for null or NaN. */
    public String weight(@Nullable Double grams) {
        if (grams == null || grams.isNaN()) {
            return "–";
        }
        return switch (weight) {
            case LB_OZ -> {
                long ounces = Math.round(grams / GRAMS_PER_OUNCE);
                yield ounces / OUNCES_PER_POUND + " lb " + ounces % OUNCES_PER_POUND + " oz";
            }
            case LB -> number(grams / GRAMS_PER_POUND, 2) + " lb";
            case KG -> number(grams / 1000, 2) + " kg";
        };
    }

    /** A length of a fish with its unit, to a hundredth of an inch or a millimetre: quarter inches are what rulers show. */
    public String length(@Nullable Double mm) {
        return mm == null ? "–" : plain(mm / length.mm(), length == Length.IN ? 2 : 1) + " " + length.code();
    }

    /** A depth with its unit, to the foot or tenth of a metre. */
    public String depth(@Nullable Double metres) {
        return metres == null ? "–" : number(metres / depth.metres(), depth == Depth.FT ? 0 : 1) + " " + depth.code();
    }

    /** A visibility with its unit, to a tenth. */
    public String visibility(Double metres) {
        return metres == null ? "–" : number(metres / depth.metres(), 1) + " " + depth.code();
    }

    /** A temperature with its unit, to the degree. */
    public String temperature(Double celsius) {
        return celsius == null
                ? "–"
                : number(temperature == Temperature.F ? celsius * 9 / 5 + 32 : celsius, 0) + " °" + temperature.code();
    }

    /** A speed with its unit, whole. */
    public String speed(Double mps) {
        return mps == null ? "–" : number(mps / speed.mps(), 0) + " " + speed.code();
    }

    /** A way over the water with its unit, to a tenth of a mile or kilometre. */
    public String distance(double metres) {
        return speed == Speed.MPH ? number(metres / M_PER_MILE, 1) + " mi" : number(metres / 1000, 1) + " km";
    }

    /** How far something on the water is, yards or metres, whole. */
    public String reach(double metres) {
        return depth == Depth.FT ? number(metres / M_PER_YARD, 0) + " yd" : number(metres, 0) + " m";
    }

    /** An area of water with its unit, acres or hectares. */
    public String area(double m2) {
        return speed == Speed.MPH
                ? number(m2 / M2_PER_ACRE, m2 < 100 * M2_PER_ACRE ? 1 : 0) + " acres"
                : number(m2 / 10_000, m2 < 1e6 ? 1 : 0) + " ha";
    }

    /** Of a lure or sinker with its unit: ounces as they are stamped on, to the thirty-second, or grams to a tenth. */
    public String lureWeight(@Nullable Double grams) {
        if (grams == null) {
            return "–";
        }
        return weight == Weight.KG ? plain(grams, 1) + " g" : ounces(grams) + " oz";
    }

    private static String ounces(double grams) {
        long parts = Math.max(1, Math.round(OUNCE_PARTS * grams / GRAMS_PER_OUNCE));
        long whole = parts / OUNCE_PARTS;
        long rest = parts % OUNCE_PARTS;
        // Ounces are stamped in halves of halves: only a power of two can be shared.
        long common = Long.lowestOneBit(rest | OUNCE_PARTS);
        String fraction = rest == 0 ? "" : rest / common + "/" + OUNCE_PARTS / common;
        if (whole == 0) {
            return fraction;
        }
        if (fraction.isEmpty()) {
            return Long.toString(whole);
        }
        return whole + " " + fraction;
    }

    /** Of a lure as typed. */
    public String typedLureWeight(@Nullable Double grams) {
        if (grams == null) {
            return "";
        }
        if (weight == Weight.KG) {
            return plain(grams, 1);
        }
        return ounces(grams);
    }

    /** What a line carries with its unit, to half a pound or a tenth of a kilogram. */
    public String lineStrength(Double kg) {
        return kg == null ? "–" : typedLineStrength(kg) + (weight == Weight.KG ? " kg" : " lb");
    }

    /** Returns a line's test as typed. */
    public String typedLineStrength(Double kg) {
        if (kg == null) {
            return "";
        }
        if (weight == Weight.KG) {
            return plain(kg, 1);
        }
        return plain(Math.round(2000 * kg / GRAMS_PER_POUND) / 2.0, 1);
    }

    /** The length of a rod with its unit. */
    public String rodLength(double metres) {
        if (length != Length.IN) {
            return plain(metres, 2) + " m";
        }
        long inches = Math.round(1000 * metres / MM_PER_INCH);
        return inches / 12 + " ft" + (inches % 12 == 0 ? "" : " " + inches % 12 + " in");
    }

    /** Returns a rod's length as typed. */
    public String typedRodLength(double metres) {
        return length == Length.IN ? rodLength(metres) : plain(metres, 2);
    }

    /** The speed of a lure with its unit, to a tenth. */
    public String lureSpeed(double mps) {
        return plain(mps / speed.mps(), 1) + " " + speed.code();
    }

    /** A weight as a person would type it in these units: reading it back gives the weight shown. */
    public String typedWeight(@Nullable Double grams) {
        if (grams == null) {
            return "";
        }
        return switch (weight) {
            case LB_OZ -> {
                double ounces = Math.round(10 * grams / GRAMS_PER_OUNCE) / 10.0;
                yield (long) (ounces / OUNCES_PER_POUND) + "-" + plain(ounces % OUNCES_PER_POUND, 1);
            }
            case LB -> plain(grams / GRAMS_PER_POUND, 3);
            case KG -> plain(grams / 1000, 3);
        };
    }

    /** A length as typed. */
    public String typedLength(@Nullable Double mm) {
        return mm == null ? "" : plain(mm / length.mm(), 2);
    }

    /** A depth or visibility as typed. */
    public String typedDepth(@Nullable Double metres) {
        return metres == null ? "" : plain(metres / depth.metres(), 2);
    }

    /** A temperature as typed. */
    public String typedTemperature(@Nullable Double celsius) {
        return celsius == null ? "" : plain(temperature == Temperature.F ? celsius * 9 / 5 + 32 : celsius, 1);
    }

    /** A speed as typed. */
    public String typedSpeed(@Nullable Double mps) {
        return mps == null ? "" : plain(mps / speed.mps(), 1);
    }

    private static final double[] POWERS = {1, 10, 100, 1e3, 1e4, 1e5, 1e6};
    /** From there on a double has no decimals to round. */
    private static final double WHOLE_FROM = 0x1p52;
    /** Splits a double into halves whose products are exact: 2²⁷ + 1 (Dekker 1971). */
    private static final double SPLITTER = 0x1p27 + 1;

    /** Weights of lures come in thirty-seconds of an ounce. */
    private static final long OUNCE_PARTS = 32;

    /**
     * Returns a number with so many decimals; halves as people write them (0.125, though no double is 2.675) are
     * rounded up.
     */
    static String number(double value, int decimals) {
        double scaled = Math.floor(Math.abs(value) * POWERS[decimals]);
        // Correctly rounded, so that it is the double people mean by the half.
        boolean up = scaled < WHOLE_FROM && Math.abs(value) >= (2 * scaled + 1) / (2 * POWERS[decimals]);
        return digits(value, up ? scaled + 1 : scaled, decimals);
    }

    /** Returns a number with at most so many decimals, rounded by its exact value, without trailing zeros. */
    public static String plain(double value, int decimals) {
        double scaled = Math.floor(Math.abs(value) * POWERS[decimals]);
        boolean up = scaled < WHOLE_FROM && isAtLeastHalf(Math.abs(value), POWERS[decimals], scaled);
        String text = digits(value, up ? scaled + 1 : scaled, decimals);
        int end = text.length();
        while (decimals > 0 && text.charAt(end - 1) == '0') {
            end--;
        }
        return text.substring(0, decimals > 0 && text.charAt(end - 1) == '.' ? end - 1 : end);
    }

    /** Tells whether value·power − floor ≥ 1/2, exactly: the product's rounding error is computed too (Dekker 1971). */
    private static boolean isAtLeastHalf(double value, double power, double floor) {
        double product = value * power;
        double high = SPLITTER * value - (SPLITTER * value - value);
        double low = value - high;
        double powerHigh = SPLITTER * power - (SPLITTER * power - power);
        double powerLow = power - powerHigh;
        double error = high * powerHigh - product + high * powerLow + low * powerHigh + low * powerLow;
        return product - (floor + 0.5) + error >= 0;
    }

    private static String digits(double value, double scaled, int decimals) {
        if (!Double.isFinite(value)) {
            return "–";
        }
        long all = (long) scaled;
        StringBuilder digits = new StringBuilder(Long.toString(all));
        while (digits.length() <= decimals) {
            digits.insert(0, '0');
        }
        if (decimals > 0) {
            digits.insert(digits.length() - decimals, '.');
        }
        return (value < 0 && all > 0 ? "-" : "") + digits;
    }
}
