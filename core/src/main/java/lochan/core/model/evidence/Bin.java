package lochan.core.model.evidence;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.almanac.FrontSign;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Signs;
import lochan.core.practice.SignsBuilder;
import org.jspecify.annotations.Nullable;

/**
 * A part [start, end) of a competition day in which rates are taken as constant.
 *
 * @param hoursAfterSunrise of its middle
 * @param conditions        the forecast at its middle, with the trends, current and front that were last noted within two days before
 * @param bait              by spot, whether bait was there when it was last looked for within two days before; other spots are left out
 */
public record Bin(
        LocalDate date,
        Instant start,
        Instant end,
        double hoursAfterSunrise,
        Conditions conditions,
        Map<String, Boolean> bait) {

    public Bin {
        bait = Map.copyOf(bait);
    }

    /** Older notes say nothing about now. */
    private static final Duration LASTS = Duration.ofDays(2);

    /** The bins from the day's start until check-in; the last one may reach past it. */
    public static List<Bin> ofDay(EventData event, int day, Assumptions assumptions) {
        CompetitionDay competition = event.day(day);
        Duration length = Duration.ofMinutes(assumptions.planning().binMinutes());
        Instant sunrise = Sunrise.at(event.launch(), competition.date(), event.timeZone());
        List<Bin> bins = new ArrayList<>();
        for (Instant t = competition.start(); t.isBefore(competition.checkIn()); t = t.plus(length)) {
            Instant middle = t.plus(length.dividedBy(2));
            Conditions conditions = event.forecast().stream()
                    .filter(p -> p.holds(middle))
                    .findFirst()
                    .map(ForecastPeriod::conditions)
                    .orElse(Conditions.UNKNOWN);
            bins.add(new Bin(
                    competition.date(),
                    t,
                    t.plus(length),
                    Sunrise.hoursAfter(sunrise, middle),
                    withLastNoted(conditions, event, t),
                    bait(event, t)));
        }
        return bins;
    }

    private static Map<String, Boolean> bait(EventData event, Instant time) {
        Map<String, Boolean> bait = new TreeMap<>();
        Stream<Looked> stops = event.stops().stream()
                .filter(s -> s.conditions().signs().baitSeen() != null)
                .map(s ->
                        new Looked(s.spotId(), s.start(), s.conditions().signs().baitSeen()));
        Stream<Looked> waypoints = event.waypoints().stream()
                .filter(w -> w.spotId() != null && w.fish().bait() != null)
                .map(w -> new Looked(w.spotId(), w.at(), w.fish().bait()));
        Stream.concat(stops, waypoints)
                .filter(l -> l.at.isBefore(time) && l.at.isAfter(time.minus(LASTS)))
                .sorted(Comparator.comparing(Looked::at))
                .forEach(l -> bait.put(l.spotId, l.bait));
        return bait;
    }

    private record Looked(String spotId, Instant at, boolean bait) {}

    private static Conditions withLastNoted(Conditions forecast, EventData event, Instant time) {
        List<Signs> noted = event.stops().stream()
                .filter(s -> s.start().isBefore(time) && s.start().isAfter(time.minus(LASTS)))
                .sorted(Comparator.comparing(PracticeStop::start).reversed())
                .map(s -> s.conditions().signs())
                .toList();
        Signs signs = SignsBuilder.builder(forecast.signs())
                .clarityTrend(first(noted, Signs::clarityTrend))
                .levelTrend(LevelTrends.of(first(noted, Signs::levelTrend), event, time))
                .current(first(noted, Signs::current))
                .recentFront(FrontSign.byPressure(time, event.forecast()).orElse(first(noted, Signs::recentFront)))
                .build();
        return new Conditions(
                forecast.waterTempC(),
                forecast.visibilityM(),
                forecast.windMps(),
                forecast.sky(),
                forecast.boatsNear(),
                signs,
                forecast.entered());
    }

    private static <T> @Nullable T first(List<Signs> noted, Function<Signs, @Nullable T> of) {
        return noted.stream().map(of).filter(Objects::nonNull).findFirst().orElse(null);
    }
}
