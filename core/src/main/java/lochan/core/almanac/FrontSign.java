package lochan.core.almanac;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import org.jspecify.annotations.Nullable;

/**
 * Whether logged conditions look like a cold front gone through. In middle latitudes its passage turns the wind clockwise in the north,
 * from the southern half round to the north-west (counter-clockwise in the south), and cools the water within a day or so: a turn of 45° or
 * more within {@link #LOOK_BACK} counts, unless the water warmed meanwhile. It is a hint to the angler, who says what it was.
 */
public final class FrontSign {

    public static final Duration LOOK_BACK = Duration.ofHours(36);
    private static final double LEAST_TURN_DEG = 45;
    private static final double MOST_TURN_DEG = 180;
    private static final double WARMER_C = 0.5;

    private FrontSign() {}

    private record Reading(
            Instant at, double windFromDeg, @Nullable Double waterTempC) {}

    /**
     * @param stops    practice with its conditions
     * @param forecast what it said of the wind
     * @param north    whether the place lies north of the equator
     * @return by the pressure of hourly weather where there is some; else empty when fewer than two directions of the wind are known in the time before
     */
    public static Optional<Boolean> at(
            Instant time, List<PracticeStop> stops, List<ForecastPeriod> forecast, boolean north) {
        Optional<Boolean> measured = byPressure(time, forecast);
        if (measured.isPresent()) {
            return measured;
        }
        List<Reading> readings = new ArrayList<>();
        for (PracticeStop s : stops) {
            add(readings, s.start(), s.conditions().signs().windFromDeg(), s.conditions(), time);
        }
        for (ForecastPeriod f : forecast) {
            add(readings, f.from(), f.windFromDeg(), f.conditions(), time);
        }
        if (readings.size() < 2) {
            return Optional.empty();
        }
        readings.sort(Comparator.comparing(Reading::at));
        Reading last = readings.getLast();
        return Optional.of(readings.stream().anyMatch(r -> turned(r, last, north) && !warmer(r, last)));
    }

    /** Returns the sign of a front from the pressure of hourly weather; empty when there is too little of it. */
    public static Optional<Boolean> byPressure(Instant time, List<ForecastPeriod> weather) {
        return PressureFront.at(time, weather);
    }

    private static void add(
            List<Reading> readings, Instant at, @Nullable Double windFromDeg, Conditions conditions, Instant time) {
        if (windFromDeg != null && !at.isAfter(time) && at.isAfter(time.minus(LOOK_BACK))) {
            readings.add(new Reading(at, windFromDeg, conditions.waterTempC()));
        }
    }

    private static boolean turned(Reading before, Reading after, boolean north) {
        double clockwise = ((after.windFromDeg() - before.windFromDeg()) % 360 + 360) % 360;
        double turn = north ? clockwise : (360 - clockwise) % 360;
        return turn >= LEAST_TURN_DEG && turn <= MOST_TURN_DEG;
    }

    private static boolean warmer(Reading before, Reading after) {
        return before.waterTempC() != null
                && after.waterTempC() != null
                && after.waterTempC() - before.waterTempC() >= WARMER_C;
    }
}
