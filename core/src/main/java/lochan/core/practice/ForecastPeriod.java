package lochan.core.practice;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.Map;
import lochan.core.Coded;
import org.jspecify.annotations.Nullable;

/**
 * A part of the weather, forecast or observed, good for [from, to); null where nothing is said.
 *
 * @param windMps       mean wind, m/s
 * @param gustMps       strongest gust, m/s
 * @param windFromDeg   direction the wind comes from, degrees from north
 * @param rainMm        rain that falls meanwhile, mm
 * @param thunderChance chance of thunder, 0 to 1
 * @param airTempC      temperature of the air, °C
 * @param pressureHpa   air pressure at sea level, hPa
 * @param lightning     whether lightning is expected; null: not said
 */
@RecordBuilder
public record ForecastPeriod(
        Instant from,
        Instant to,
        @Nullable Double windMps,
        @Nullable Double gustMps,
        @Nullable Double windFromDeg,
        @Nullable Sky sky,
        @Nullable Double rainMm,
        @Nullable Double thunderChance,
        @Nullable Double airTempC,
        @Nullable Double pressureHpa,
        @Nullable Double waterTempC,
        @Nullable Double visibilityM,
        @Nullable Boolean lightning,
        Origin origin) {

    /** Chance of thunder from which hours count as lightning: one in five, a judgement on the careful side. */
    public static final double LIGHTNING_CHANCE = 0.2;

    /** Where a period comes from. */
    public enum Origin implements Coded {
        TYPED("typed"),
        FILE("file"),
        SERVICE("service");

        private final String code;

        Origin(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    /** One as it is typed. */
    public ForecastPeriod(
            Instant from,
            Instant to,
            @Nullable Double windMps,
            @Nullable Double windFromDeg,
            @Nullable Sky sky,
            @Nullable Double waterTempC,
            @Nullable Double visibilityM,
            @Nullable Boolean lightning) {
        this(
                from,
                to,
                windMps,
                null,
                windFromDeg,
                sky,
                null,
                null,
                null,
                null,
                waterTempC,
                visibilityM,
                lightning,
                Origin.TYPED);
    }

    public boolean holds(Instant time) {
        return !time.isBefore(from) && time.isBefore(to);
    }

    public boolean overlaps(ForecastPeriod other) {
        return from.isBefore(other.to) && to.isAfter(other.from);
    }

    /** Returns the period at other times. */
    public ForecastPeriod during(Instant begin, Instant end) {
        return ForecastPeriodBuilder.builder(this).from(begin).to(end).build();
    }

    /** Returns the period with another wind speed from the same side. */
    public ForecastPeriod withWind(double mps) {
        return ForecastPeriodBuilder.builder(this).windMps(mps).build();
    }

    public Conditions conditions() {
        Signs signs =
                SignsBuilder.builder(Signs.UNKNOWN).windFromDeg(windFromDeg).build();
        return new Conditions(waterTempC, visibilityM, windMps, sky, null, signs, Map.of());
    }
}
