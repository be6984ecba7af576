package lochan.instruments.scale;

import java.time.Instant;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Weights from a scale that sends a line for each reading: {@code S 1543 g} when it stands still, {@code U 1480 g} while it moves; also in kg, lb, oz and
 * {@code 3 lb 6.5 oz}. A weighing is a weight that stands still after the scale was empty or moved. Safe for several threads.
 */
public final class ScaleReadings {

    private static final double GRAMS_PER_POUND = 453.59237;
    private static final double GRAMS_PER_OUNCE = GRAMS_PER_POUND / 16;
    /** Less on the scale is nothing. */
    private static final double LEAST_GRAMS = 50;

    private static final double MOST_GRAMS = 50_000;
    /** Weights that stand still and differ by less are one weighing. */
    private static final double SAME_GRAMS = 8;

    private static final Pattern LINE = Pattern.compile(
            "(S|ST|U|US)[ ,;]+(-?\\d{1,6}(?:\\.\\d{1,4})?)\\s*(kg|g|lb|oz)(?:\\s+(\\d{1,2}(?:\\.\\d{1,3})?)\\s*oz)?");

    private @Nullable Weighing last;
    private boolean armed = true;

    /**
     * A weighing.
     *
     * @param number rising by one
     */
    public record Weighing(long number, double grams, Instant at) {}

    /** Takes a line; says whether it was understood. */
    public synchronized boolean take(String line, Instant at) {
        Matcher m = LINE.matcher(line.strip());
        if (!m.matches()) {
            return false;
        }
        double grams = grams(Double.parseDouble(m.group(2)), m.group(3).toLowerCase(Locale.ROOT))
                + (m.group(4) == null ? 0 : Double.parseDouble(m.group(4)) * GRAMS_PER_OUNCE);
        boolean still = m.group(1).startsWith("S");
        if (grams < LEAST_GRAMS || grams > MOST_GRAMS) {
            armed = true;
        } else if (still) {
            if (armed || last == null || Math.abs(grams - last.grams) > SAME_GRAMS) {
                last = new Weighing(last == null ? 1 : last.number + 1, grams, at);
            }
            armed = false;
        }
        return true;
    }

    private static double grams(double value, String unit) {
        return switch (unit) {
            case "kg" -> value * 1000;
            case "lb" -> value * GRAMS_PER_POUND;
            case "oz" -> value * GRAMS_PER_OUNCE;
            default -> value;
        };
    }

    /** The last weighing; null before the first. */
    public synchronized @Nullable Weighing last() {
        return last;
    }
}
