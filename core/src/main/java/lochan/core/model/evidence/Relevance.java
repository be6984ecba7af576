package lochan.core.model.evidence;

import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.StringJoiner;
import java.util.function.ToDoubleBiFunction;
import lochan.core.Assumptions;
import lochan.core.practice.Conditions;
import lochan.core.practice.Signs;
import org.jspecify.annotations.Nullable;

/**
 * How much an hour of practice counts for an hour of competition: factors each in (0, 1], a value unknown on either side giving 1
 * ({@code model.md} §1; a discounted likelihood, the power prior of Ibrahim and Chen 2000).
 *
 * @param recency     2^(−age/H), age in whole days
 * @param timeOfDay   max(floor, exp(−½((u_i − u_h)/3)²)), u hours after sunrise
 * @param temperature max(floor, exp(−½(ΔT/5)²)), °C
 * @param clarity     max(floor, exp(−½(Δln v)²)), v visibility, m
 * @param wind        max(floor, exp(−½(Δ/5)²)), m/s
 * @param sky         0.93^steps
 * @param signs       what else anglers read
 */
public record Relevance(
        double recency, double timeOfDay, double temperature, double clarity, double wind, double sky, OfSigns signs) {

    /**
     * What else anglers read, 0.93 for each step that both are apart.
     *
     * @param clarityTrend clearing, steady, muddying
     * @param level        rising, steady, falling
     * @param current      none, slight, strong
     * @param front        whether one went through in the last day
     * @param bait         whether bait was there
     */
    public record OfSigns(double clarityTrend, double level, double current, double front, double bait) {

        /** Of nothing known. */
        public static final OfSigns NEUTRAL = new OfSigns(1, 1, 1, 1, 1);

        static OfSigns of(Slice slice, Signs now, @Nullable Boolean bait, double step) {
            Signs then = slice.conditions().signs();
            return new OfSigns(
                    steps(then.clarityTrend(), now.clarityTrend(), step),
                    steps(slice.water().level(), now.levelTrend(), step),
                    steps(then.current(), now.current(), step),
                    known(then.recentFront(), now.recentFront(), (x, y) -> x.equals(y) ? 1 : step),
                    known(then.baitSeen(), bait, (x, y) -> x.equals(y) ? 1 : step));
        }

        private static <E extends Enum<E>> double steps(@Nullable E then, @Nullable E now, double step) {
            return known(then, now, (x, y) -> Math.pow(step, Math.abs(x.ordinal() - y.ordinal())));
        }

        /** The product of the five. */
        public double product() {
            return clarityTrend * level * current * front * bait;
        }

        /** Those that are not 1, in words with their factor, as "level 0.93". */
        public String words() {
            StringJoiner words = new StringJoiner(", ");
            add(words, "clarity trend", clarityTrend);
            add(words, "level", level);
            add(words, "current", current);
            add(words, "front", front);
            add(words, "bait", bait);
            return words.toString();
        }

        private static void add(StringJoiner words, String name, double factor) {
            if (factor != 1) {
                words.add(String.format(Locale.ROOT, "%s %.2f", name, factor));
            }
        }
    }

    public static Relevance of(Slice slice, Bin bin, Assumptions.Relevance a) {
        Conditions then = slice.conditions();
        Conditions now = bin.conditions();
        long ageDays = Math.max(0, ChronoUnit.DAYS.between(slice.date(), bin.date()));
        return new Relevance(
                Math.pow(2, -ageDays / a.recencyHalfLifeDays()),
                bell((slice.hoursAfterSunrise() - bin.hoursAfterSunrise()) / a.timeOfDaySdHours(), a.timeOfDayFloor()),
                known(
                        then.waterTempC(),
                        now.waterTempC(),
                        (x, y) -> bell((x - y) / a.temperatureSdC(), a.conditionFloor())),
                known(
                        then.visibilityM(),
                        now.visibilityM(),
                        (x, y) -> bell(Math.log(x / y) / a.claritySdLn(), a.conditionFloor())),
                known(then.windMps(), now.windMps(), (x, y) -> bell((x - y) / a.windSdMps(), a.conditionFloor())),
                known(then.sky(), now.sky(), (x, y) -> Math.pow(a.skyStep(), x.stepsTo(y))),
                OfSigns.of(slice, now.signs(), bin.bait().get(slice.spotId()), a.signStep()));
    }

    /** ω, the product of all. */
    public double product() {
        return recency * timeOfDay * temperature * clarity * wind * sky * signs.product();
    }

    private static double bell(double z, double floor) {
        return Math.max(floor, Math.exp(-z * z / 2));
    }

    private static <T> double known(@Nullable T then, @Nullable T now, ToDoubleBiFunction<T, T> factor) {
        return then == null || now == null ? 1 : factor.applyAsDouble(then, now);
    }
}
