package lochan.instruments.standin;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.practice.Sky;

/**
 * Weather that never was, the same for the same seed whenever it is asked for: every few days a cold front with falling and rising pressure, the wind turning
 * from the south-west to the north-west, cooler air behind it and, in warm hours, thunder along it.
 */
public final class MadeUpWeather {

    private static final long HOUR_SECONDS = 3600;
    private static final long DAY_HOURS = 24;
    private static final double MEAN_DAYS_BETWEEN_FRONTS = 3;
    private static final double DAY_ANGLE = 2 * Math.PI / DAY_HOURS;

    private final long seed;

    /** An hour, as {@link ForecastPeriod} has it. */
    record Hour(
            Instant from,
            Instant to,
            double windMps,
            double gustMps,
            double windFromDeg,
            Sky sky,
            double rainMm,
            double thunderChance,
            double airTempC,
            double pressureHpa) {

        boolean lightning() {
            return thunderChance >= ForecastPeriod.LIGHTNING_CHANCE;
        }
    }

    public MadeUpWeather(long seed) {
        this.seed = seed;
    }

    /** So many hours from the one that holds a time on, as they would be read. */
    public List<ForecastPeriod> periods(Instant from, int count) {
        return hours(from, count).stream()
                .map(h -> ForecastPeriodBuilder.builder()
                        .from(h.from)
                        .to(h.to)
                        .windMps(h.windMps)
                        .gustMps(h.gustMps)
                        .windFromDeg(h.windFromDeg)
                        .sky(h.sky)
                        .rainMm(h.rainMm)
                        .thunderChance(h.thunderChance)
                        .airTempC(h.airTempC)
                        .pressureHpa(h.pressureHpa)
                        .lightning(h.lightning())
                        .origin(ForecastPeriod.Origin.SERVICE)
                        .build())
                .toList();
    }

    List<Hour> hours(Instant from, int count) {
        long first = Math.floorDiv(from.getEpochSecond(), HOUR_SECONDS);
        List<Hour> hours = new ArrayList<>();
        for (long h = first; h < first + count; h++) {
            hours.add(hour(h));
        }
        return hours;
    }

    /** Hours since the last front, or to the next where below 0: the nearer of them. */
    private double fromFront(long hour) {
        double nearest = Double.MAX_VALUE;
        long day = Math.floorDiv(hour, DAY_HOURS);
        for (long d = day - 3; d <= day + 3; d++) {
            Random random = new Random(seed * 31 + d);
            random.nextInt();
            if (random.nextDouble() < 1 / MEAN_DAYS_BETWEEN_FRONTS) {
                double away = hour - (d * DAY_HOURS + DAY_HOURS * random.nextDouble());
                nearest = Math.abs(away) < Math.abs(nearest) ? away : nearest;
            }
        }
        return nearest;
    }

    private Hour hour(long h) {
        double away = fromFront(h);
        Random random = new Random(seed ^ (h * 0x9E3779B97F4A7C15L));
        random.nextInt();
        double warmth = -Math.cos(DAY_ANGLE * Math.floorMod(h - 10, DAY_HOURS));
        boolean near = Math.abs(away) < 48;
        double closeness = near ? Math.exp(-Math.abs(away) / 4) : 0;
        double wind = 2 + 1.5 * (1 + warmth) / 2 + 8 * closeness + random.nextDouble();
        double behind = near && away > 0 ? Math.exp(-away / 30) : 0;
        double direction = near && away <= 0 ? 205 + 25 * closeness : near ? 310 - 60 * (1 - behind) : 190;
        double thunder = Math.abs(away) < 3 && warmth > -0.2 ? 0.25 + 0.5 * closeness : 0.02;
        double rain = Math.abs(away) < 5 ? 3 * closeness : 0;
        double pressure = 1016 - (near ? 9 * Math.exp(-away * away / 72) : 0) + 3 * behind;
        Sky sky = rain > 0.2
                ? Sky.RAIN
                : Math.abs(away) < 14 ? Sky.CLOUDY : random.nextInt(3) == 0 ? Sky.CLEAR : Sky.PARTLY;
        Instant from = Instant.ofEpochSecond(h * HOUR_SECONDS);
        return new Hour(
                from,
                from.plus(Duration.ofHours(1)),
                tenths(wind),
                tenths(wind * 1.45),
                Math.round(direction),
                sky,
                tenths(rain),
                Math.round(100 * thunder) / 100.0,
                tenths(19 + 6 * warmth - 6 * behind),
                tenths(pressure));
    }

    private static double tenths(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
