package lochan.core.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.Randoms;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import org.apache.commons.rng.UniformRandomProvider;
import org.apache.commons.rng.sampling.distribution.ZigguratSampler;
import org.jspecify.annotations.Nullable;

/**
 * Weather as it may come where a forecast was given ({@code model.md}, Rehearsal): all of it some quarters of an hour earlier or later, more or less wind, from
 * somewhat elsewhere, and a thunderstorm or none by its chance. The widths are judgements.
 */
public final class ActualWeather {

    private static final double SHIFT_SD_QUARTERS = 2.5;
    private static final int MOST_QUARTERS = 6;
    private static final Duration QUARTER = Duration.ofMinutes(15);
    /** No weather comes earlier or later than this. */
    static final Duration MOST_SHIFT = QUARTER.multipliedBy(MOST_QUARTERS);

    private static final double LN_WIND_SD = 0.2;
    private static final double TURN_SD_DEG = 20;
    private static final double CIRCLE = 360;
    /** Lightning that a forecast has without a chance of it. */
    private static final double SAID_CHANCE = 0.8;

    private ActualWeather() {}

    /** @param seed the same seed gives the same weather */
    public static List<ForecastPeriod> of(List<ForecastPeriod> forecast, long seed) {
        UniformRandomProvider random = Randoms.of(seed);
        ZigguratSampler.NormalizedGaussian normal = ZigguratSampler.NormalizedGaussian.of(random);
        long quarters = Math.clamp(Math.round(SHIFT_SD_QUARTERS * normal.sample()), -MOST_QUARTERS, MOST_QUARTERS);
        Duration shift = QUARTER.multipliedBy(quarters);
        double wind = Math.exp(LN_WIND_SD * normal.sample());
        double turn = TURN_SD_DEG * normal.sample();
        double storm = random.nextDouble();
        List<ForecastPeriod> actual = new ArrayList<>();
        for (ForecastPeriod f : forecast) {
            actual.add(ForecastPeriodBuilder.builder(f.during(f.from().plus(shift), f.to().plus(shift)))
                    .windMps(times(f.windMps(), wind))
                    .gustMps(times(f.gustMps(), wind))
                    .windFromDeg(f.windFromDeg() == null ? null : turned(f.windFromDeg() + turn))
                    .lightning(lightning(f, storm))
                    .build());
        }
        actual.sort(Comparator.comparing(ForecastPeriod::from));
        return untilTheEnds(actual, forecast);
    }

    private static @Nullable Double times(@Nullable Double value, double factor) {
        return value == null ? null : Double.valueOf(value * factor);
    }

    private static double turned(double degrees) {
        return (degrees % CIRCLE + CIRCLE) % CIRCLE;
    }

    private static @Nullable Boolean lightning(ForecastPeriod f, double storm) {
        boolean said = Boolean.TRUE.equals(f.lightning());
        Double chance = f.thunderChance() == null && said ? Double.valueOf(SAID_CHANCE) : f.thunderChance();
        return chance == null ? f.lightning() : Boolean.valueOf(storm < chance);
    }

    /** The first and last forecasts hold to where the forecast begins and ends. */
    private static List<ForecastPeriod> untilTheEnds(List<ForecastPeriod> actual, List<ForecastPeriod> forecast) {
        if (actual.isEmpty()) {
            return actual;
        }
        Instant begins = forecast.stream()
                .map(ForecastPeriod::from)
                .min(Comparator.naturalOrder())
                .orElseThrow();
        Instant ends = forecast.stream()
                .map(ForecastPeriod::to)
                .max(Comparator.naturalOrder())
                .orElseThrow();
        ForecastPeriod first = actual.getFirst();
        if (first.from().isAfter(begins)) {
            actual.set(0, first.during(begins, first.to()));
        }
        ForecastPeriod last = actual.getLast();
        if (last.to().isBefore(ends)) {
            actual.set(actual.size() - 1, last.during(last.from(), ends));
        }
        return actual;
    }
}
