package lochan.core.practice;

import java.time.Instant;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A part of the forecast, good for [from, to); null where it says nothing.
 *
 * @param windFromDeg direction the wind comes from, degrees from north
 * @param lightning   whether lightning is expected; null: not said
 */
public record ForecastPeriod(
        Instant from,
        Instant to,
        @Nullable Double windMps,
        @Nullable Double windFromDeg,
        @Nullable Sky sky,
        @Nullable Double waterTempC,
        @Nullable Double visibilityM,
        @Nullable Boolean lightning) {

    public boolean holds(Instant time) {
        return !time.isBefore(from) && time.isBefore(to);
    }

    /** The same with another wind from the same side. */
    public ForecastPeriod withWind(double mps) {
        return new ForecastPeriod(from, to, mps, windFromDeg, sky, waterTempC, visibilityM, lightning);
    }

    public Conditions conditions() {
        Signs signs =
                SignsBuilder.builder(Signs.UNKNOWN).windFromDeg(windFromDeg).build();
        return new Conditions(waterTempC, visibilityM, windMps, sky, null, signs, Map.of());
    }
}
