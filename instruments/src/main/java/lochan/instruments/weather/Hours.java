package lochan.instruments.weather;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.practice.Sky;
import org.jspecify.annotations.Nullable;

/**
 * Hours as they are read, in Lochan's units. What cannot be, as a wind of 400 m/s, is left out and counted: a field that a service gets wrong or renames
 * must not take the others with it.
 */
final class Hours {

    private static final Duration HOUR = Duration.ofHours(1);
    private static final Duration LONGEST = Duration.ofHours(24);
    private static final double STRONGEST_MPS = 90;
    private static final double MOST_RAIN_MM = 500;
    private static final double COLDEST_C = -60;
    private static final double WARMEST_C = 60;
    private static final double LOWEST_HPA = 850;
    private static final double HIGHEST_HPA = 1100;
    private static final double CLEAR_BELOW = 0.25;
    private static final double PARTLY_BELOW = 0.7;
    /** Less rain in an hour is drizzle that hardly wets. */
    private static final double RAIN_FROM_MM = 0.2;

    private final TreeMap<Instant, Hour> hours = new TreeMap<>();
    private int leftOut;

    /** What one hour says. */
    final class Hour {

        private final Instant from;
        private @Nullable Instant to;
        private @Nullable Double wind;
        private @Nullable Double gust;
        private @Nullable Double direction;
        private @Nullable Double cloud;
        private @Nullable Sky sky;
        private @Nullable Double rain;
        private @Nullable Double thunder;
        private @Nullable Double air;
        private @Nullable Double pressure;
        private boolean lightning;

        private Hour(Instant from) {
            this.from = from;
        }

        Hour to(@Nullable Instant end) {
            to = end;
            return this;
        }

        Hour wind(@Nullable Double mps) {
            wind = within(mps, 0, STRONGEST_MPS);
            return this;
        }

        Hour gust(@Nullable Double mps) {
            gust = within(mps, 0, STRONGEST_MPS);
            return this;
        }

        Hour from(@Nullable Double degrees) {
            direction = within(degrees, 0, 360);
            return this;
        }

        /** @param share of the sky, 0 to 1 */
        Hour cloud(@Nullable Double share) {
            cloud = within(share, 0, 1);
            return this;
        }

        Hour rain(@Nullable Double mm) {
            rain = within(mm, 0, MOST_RAIN_MM);
            return this;
        }

        Hour thunder(@Nullable Double chance) {
            thunder = within(chance, 0, 1);
            return this;
        }

        Hour air(@Nullable Double celsius) {
            air = within(celsius, COLDEST_C, WARMEST_C);
            return this;
        }

        Hour pressure(@Nullable Double hpa) {
            pressure = within(hpa, LOWEST_HPA, HIGHEST_HPA);
            return this;
        }

        /** The sky in a service's words or signs, as "Partly Sunny" or "rainshowersandthunder_day". */
        Hour words(@Nullable String text) {
            String t = text == null ? "" : text.toLowerCase(Locale.ROOT);
            lightning |= t.contains("thunder") || t.contains("lightning") || t.contains("tstorm");
            if (t.matches(".*(rain|shower|drizzle|thunder|storm|sleet|snow).*")) {
                sky = Sky.RAIN;
            } else if (t.matches(".*(partly|mostly sunny|mostly clear|fair|few clouds|scattered).*")) {
                sky = Sky.PARTLY;
            } else if (t.matches(".*(cloud|overcast|fog|mist).*")) {
                sky = Sky.CLOUDY;
            } else if (t.matches(".*(sunny|clear).*")) {
                sky = Sky.CLEAR;
            }
            return this;
        }

        /** The present weather by the World Meteorological Organization's code table 4677, 0 to 99. */
        Hour code(@Nullable Double code) {
            if (code != null) {
                lightning |= code >= 95;
                sky = code == 0 ? Sky.CLEAR : code <= 2 ? Sky.PARTLY : code < 50 ? Sky.CLOUDY : Sky.RAIN;
            }
            return this;
        }

        private boolean isEmpty() {
            return wind == null
                    && gust == null
                    && direction == null
                    && cloud == null
                    && sky == null
                    && rain == null
                    && thunder == null
                    && air == null
                    && pressure == null;
        }

        private ForecastPeriod period(@Nullable Instant next, ForecastPeriod.Origin origin) {
            Instant end = to != null && to.isAfter(from) && !to.isAfter(from.plus(LONGEST)) ? to : from.plus(HOUR);
            end = next != null && next.isBefore(end) ? next : end;
            boolean storm = lightning || (thunder != null && thunder >= ForecastPeriod.LIGHTNING_CHANCE);
            return ForecastPeriodBuilder.builder()
                    .from(from)
                    .to(end)
                    .windMps(wind)
                    .gustMps(gust)
                    .windFromDeg(direction)
                    .sky(sky())
                    .rainMm(rain)
                    .thunderChance(thunder)
                    .airTempC(air)
                    .pressureHpa(pressure)
                    .lightning(storm ? Boolean.TRUE : thunder == null ? null : Boolean.FALSE)
                    .origin(origin)
                    .build();
        }

        private @Nullable Sky sky() {
            if (rain != null && rain >= RAIN_FROM_MM) {
                return Sky.RAIN;
            }
            if (sky != null || cloud == null) {
                return sky;
            }
            return cloud < CLEAR_BELOW ? Sky.CLEAR : cloud < PARTLY_BELOW ? Sky.PARTLY : Sky.CLOUDY;
        }
    }

    private @Nullable Double within(@Nullable Double value, double least, double most) {
        if (value == null) {
            return null;
        }
        if (!(value >= least && value <= most)) {
            leftOut++;
            return null;
        }
        return value;
    }

    /** The hour that begins at a time; what is said of it twice, the last says. */
    Hour at(Instant from) {
        return hours.computeIfAbsent(from, Hour::new);
    }

    /** Counts a value that isn't a number, or a time that isn't one. */
    void leftOut() {
        leftOut++;
    }

    int countLeftOut() {
        return leftOut;
    }

    /** In their order, none overlapping. */
    List<ForecastPeriod> periods(ForecastPeriod.Origin origin) {
        List<ForecastPeriod> periods = new ArrayList<>();
        hours.forEach((from, hour) -> {
            if (!hour.isEmpty()) {
                periods.add(hour.period(hours.higherKey(from), origin));
            }
        });
        return periods;
    }
}
