package lochan.core.practice;

import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/**
 * The size of a fish, as far as it is known. Which numbers must be given depends on {@code how}; others may be.
 *
 * @param how        where the size comes from
 * @param grams      weight by scale or guess
 * @param loGrams    lower end of a range
 * @param hiGrams    upper end of a range
 * @param mm         total length
 * @param guessGrams the guess made before the fish went on the scale
 * @param entered    what was typed; null: nothing was
 */
public record FishSize(
        How how,
        @Nullable Double grams,
        @Nullable Double loGrams,
        @Nullable Double hiGrams,
        @Nullable Double mm,
        @Nullable Double guessGrams,
        @Nullable String entered) {

    /** Where a size comes from. */
    public enum How implements Coded {
        SCALE("scale"),
        GUESS("guess"),
        RANGE("range"),
        LENGTH("length");

        private final String code;

        How(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    /** @throws IllegalArgumentException when a number is missing or not above 0, or a range runs backwards */
    public FishSize {
        positive("grams", grams, how == How.SCALE || how == How.GUESS);
        positive("loGrams", loGrams, how == How.RANGE);
        positive("hiGrams", hiGrams, how == How.RANGE);
        positive("mm", mm, how == How.LENGTH);
        positive("guessGrams", guessGrams, false);
        if (loGrams != null && hiGrams != null && loGrams > hiGrams) {
            throw new IllegalArgumentException(
                    "the range runs from " + loGrams + " down to " + hiGrams + " g: exchange them");
        }
    }

    public static FishSize scale(double grams) {
        return new FishSize(How.SCALE, grams, null, null, null, null, null);
    }

    public static FishSize guess(double grams) {
        return new FishSize(How.GUESS, grams, null, null, null, null, null);
    }

    public static FishSize range(double loGrams, double hiGrams) {
        return new FishSize(How.RANGE, null, loGrams, hiGrams, null, null, null);
    }

    public static FishSize length(double mm) {
        return new FishSize(How.LENGTH, null, null, null, mm, null, null);
    }

    /** A weight that it stands for, the geometric middle of a range; null for a length alone. */
    public @Nullable Double middleGrams() {
        return loGrams != null && hiGrams != null ? Double.valueOf(Math.sqrt(loGrams * hiGrams)) : grams;
    }

    /** Returns the size with the text typed for it. */
    public FishSize typed(String text) {
        return new FishSize(how, grams, loGrams, hiGrams, mm, guessGrams, text);
    }

    private static void positive(String name, @Nullable Double value, boolean needed) {
        if (value == null ? needed : !(value > 0)) {
            throw new IllegalArgumentException(name + " is " + value + ", expected more than 0");
        }
    }
}
