package lochan.core.practice.track;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import org.jspecify.annotations.Nullable;

/** The wind at a time, by what was noted around it. */
public final class WindAt {

    /** A wind noted longer away than this says nothing. */
    private static final Duration NEAR = Duration.ofHours(3);

    private WindAt() {}

    /** m/s: that noted at the stop begun nearest to the time, else that of the forecast; null when neither knows. */
    public static @Nullable Double of(Instant time, List<PracticeStop> stops, List<ForecastPeriod> forecast) {
        return stops.stream()
                .filter(s -> s.conditions().windMps() != null && away(s, time).compareTo(NEAR) <= 0)
                .min(Comparator.comparing(s -> away(s, time)))
                .map(s -> s.conditions().windMps())
                .or(() -> forecast.stream()
                        .filter(f -> f.holds(time) && f.windMps() != null)
                        .findFirst()
                        .map(ForecastPeriod::windMps))
                .orElse(null);
    }

    private static Duration away(PracticeStop stop, Instant time) {
        return Duration.between(stop.start(), time).abs();
    }
}
