package lochan.core.model.evidence;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import lochan.core.almanac.FrontSign;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Signs;
import lochan.core.practice.SignsBuilder;
import org.jspecify.annotations.Nullable;

/**
 * What files and services say of the weather at practice, in the place of missing values: wind, its direction, the sky,
 * and whether a front went through.
 * Logged values always win, and none of this is stored.
 */
public final class ObservedWeather {

    private ObservedWeather() {}

    /** The event with the conditions of its stops filled in. */
    public static EventData filled(EventData event) {
        List<ForecastPeriod> weather = event.forecast().stream()
                .filter(f -> f.origin() != ForecastPeriod.Origin.TYPED)
                .toList();
        return weather.isEmpty()
                ? event
                : event.withStops(event.stops().stream()
                        .map(s -> s.withConditions(of(s, weather)))
                        .toList());
    }

    /** The conditions of a stop with what the weather of its middle adds to them. */
    static Conditions of(PracticeStop stop, List<ForecastPeriod> weather) {
        Instant middle = stop.end() == null
                ? stop.start()
                : stop.start().plus(Duration.between(stop.start(), stop.end()).dividedBy(2));
        Conditions logged = stop.conditions();
        ForecastPeriod then =
                weather.stream().filter(f -> f.holds(middle)).findFirst().orElse(null);
        if (then == null) {
            return logged;
        }
        Signs signs = logged.signs();
        return new Conditions(
                logged.waterTempC(),
                logged.visibilityM(),
                or(logged.windMps(), then.windMps()),
                or(logged.sky(), then.sky()),
                logged.boatsNear(),
                SignsBuilder.builder(signs)
                        .windFromDeg(or(signs.windFromDeg(), then.windFromDeg()))
                        .recentFront(or(
                                signs.recentFront(),
                                FrontSign.byPressure(middle, weather).orElse(null)))
                        .build(),
                logged.entered());
    }

    /** Returns the conditions the weather adds to a stop, without those logged; null when it adds nothing. */
    public static @Nullable Conditions added(PracticeStop stop, EventData event) {
        List<ForecastPeriod> weather = event.forecast().stream()
                .filter(f -> f.origin() != ForecastPeriod.Origin.TYPED)
                .toList();
        Conditions logged = stop.conditions();
        Conditions with = of(stop, weather);
        return with.equals(logged)
                ? null
                : new Conditions(
                        null,
                        null,
                        logged.windMps() == null ? with.windMps() : null,
                        logged.sky() == null ? with.sky() : null,
                        null,
                        SignsBuilder.builder(Signs.UNKNOWN)
                                .windFromDeg(
                                        logged.signs().windFromDeg() == null
                                                ? with.signs().windFromDeg()
                                                : null)
                                .recentFront(
                                        logged.signs().recentFront() == null
                                                ? with.signs().recentFront()
                                                : null)
                                .build(),
                        Map.of());
    }

    private static <T> @Nullable T or(@Nullable T logged, @Nullable T weather) {
        return logged == null ? weather : logged;
    }
}
