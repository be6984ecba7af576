package lochan.core.almanac;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lochan.core.practice.ForecastPeriod;
import org.jspecify.annotations.Nullable;

/**
 * Whether hourly weather shows that a cold front went through: the pressure falls to a trough and rises behind it by {@value #LEAST_HPA} hPa or more within
 * six hours each, and the air cools by {@value #LEAST_COOLING_C} °C or more, or the wind turns by 45° or more, from before to behind. The numbers are
 * judgements on the usual passage of middle latitudes.
 */
final class PressureFront {

    private static final Duration ASIDE = Duration.ofHours(6);
    private static final double LEAST_HPA = 1.5;
    private static final double LEAST_COOLING_C = 3;
    private static final double LEAST_TURN_DEG = 45;
    /** Fewer hours with a pressure tell nothing. */
    private static final int LEAST_HOURS = 12;

    private PressureFront() {}

    /** @return empty where too few hours of the time before have a pressure */
    static Optional<Boolean> at(Instant time, List<ForecastPeriod> weather) {
        List<ForecastPeriod> hours = weather.stream()
                .filter(f -> f.pressureHpa() != null
                        && !f.from().isAfter(time)
                        && f.from().isAfter(time.minus(FrontSign.LOOK_BACK)))
                .sorted(Comparator.comparing(ForecastPeriod::from))
                .toList();
        return hours.size() < LEAST_HOURS
                ? Optional.empty()
                : Optional.of(hours.stream().anyMatch(trough -> isFront(trough, hours)));
    }

    private static boolean isFront(ForecastPeriod trough, List<ForecastPeriod> hours) {
        ForecastPeriod before = hour(trough.from().minus(ASIDE), hours);
        ForecastPeriod behind = hour(trough.from().plus(ASIDE), hours);
        return before != null
                && behind != null
                && above(before, trough) >= LEAST_HPA
                && above(behind, trough) >= LEAST_HPA
                && (cooled(before, behind) || turned(before, behind));
    }

    private static @Nullable ForecastPeriod hour(Instant time, List<ForecastPeriod> hours) {
        return hours.stream().filter(h -> h.holds(time)).findFirst().orElse(null);
    }

    private static double above(ForecastPeriod of, ForecastPeriod trough) {
        return of.pressureHpa() == null || trough.pressureHpa() == null ? 0 : of.pressureHpa() - trough.pressureHpa();
    }

    private static boolean cooled(ForecastPeriod before, ForecastPeriod behind) {
        return before.airTempC() != null
                && behind.airTempC() != null
                && before.airTempC() - behind.airTempC() >= LEAST_COOLING_C;
    }

    private static boolean turned(ForecastPeriod before, ForecastPeriod behind) {
        return before.windFromDeg() != null
                && behind.windFromDeg() != null
                && Math.abs(Math.IEEEremainder(behind.windFromDeg() - before.windFromDeg(), 360)) >= LEAST_TURN_DEG;
    }
}
