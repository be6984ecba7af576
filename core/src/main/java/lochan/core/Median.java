package lochan.core;

import java.util.Arrays;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** The middle of some numbers. */
public final class Median {

    private Median() {}

    /**
     * The upper of both middle ones where there is an even number.
     *
     * @param values unknown ones are null and left out
     * @param least  how many it takes
     * @return null where fewer are known
     */
    public static @Nullable Double of(Stream<@Nullable Double> values, int least) {
        double[] sorted = values.filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .sorted()
                .toArray();
        return sorted.length < least ? null : Double.valueOf(sorted[sorted.length / 2]);
    }

    /** The mean of both middle ones where there is an even number; NaN of none. */
    public static double of(double[] values) {
        if (values.length == 0) {
            return Double.NaN;
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }
}
