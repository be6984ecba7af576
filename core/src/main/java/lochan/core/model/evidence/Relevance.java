package lochan.core.model.evidence;

import java.time.temporal.ChronoUnit;
import java.util.function.ToDoubleBiFunction;
import lochan.core.Assumptions;
import lochan.core.practice.Conditions;
import org.jspecify.annotations.Nullable;

/**
 * How much an hour of practice counts for an hour of competition: six factors, each in (0, 1], a value unknown on either side giving 1
 * ({@code model.md} §1; a discounted likelihood, the power prior of Ibrahim and Chen 2000).
 *
 * @param recency     2^(−age/H), age in whole days
 * @param timeOfDay   max(floor, exp(−½((u_i − u_h)/3)²)), u hours after sunrise
 * @param temperature max(floor, exp(−½(ΔT/5)²)), °C
 * @param clarity     max(floor, exp(−½(Δln v)²)), v visibility, m
 * @param wind        max(floor, exp(−½(Δ/5)²)), m/s
 * @param sky         0.93^steps
 */
public record Relevance(double recency, double timeOfDay, double temperature, double clarity, double wind, double sky) {

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
                known(then.sky(), now.sky(), (x, y) -> Math.pow(a.skyStep(), x.stepsTo(y))));
    }

    /** ω, the product of the six. */
    public double product() {
        return recency * timeOfDay * temperature * clarity * wind * sky;
    }

    private static double bell(double z, double floor) {
        return Math.max(floor, Math.exp(-z * z / 2));
    }

    private static <T> double known(@Nullable T then, @Nullable T now, ToDoubleBiFunction<T, T> factor) {
        return then == null || now == null ? 1 : factor.applyAsDouble(then, now);
    }
}
