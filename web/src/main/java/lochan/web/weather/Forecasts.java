package lochan.web.weather;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.quantity.Instants;
import lochan.web.eventbook.DayMoves;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/**
 * The weather of an event, as the angler typed it, a file brought it or a service told it. What was typed goes before the rest, but for lightning: what any of
 * them says of it holds.
 */
@Service
@Order(EventPart.REST)
public class Forecasts implements EventPart {

    private final ForecastRepository repository;
    private final WeatherFetcher fetcher;
    private final Clock clock;

    Forecasts(ForecastRepository repository, WeatherFetcher fetcher, Clock clock) {
        this.repository = repository;
        this.fetcher = fetcher;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        fetcher.lookedAt(key);
        event.forecast(forecast(key));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        repository.add(key, event.forecast());
    }

    @Override
    public String onDays(EventKey key, DayMoves moves) {
        return repository.current(key).stream().anyMatch(f -> moves.at(f.from()).isPresent()) ? "the forecast" : "";
    }

    @Override
    @EventWrite
    public void move(EventKey key, DayMoves moves) {
        List<ForecastPeriod> all = repository.current(key);
        List<ForecastPeriod> moved = all.stream()
                .map(f -> moves.at(f.from())
                        .map(by -> ForecastPeriodBuilder.builder(f)
                                .from(moves.shifted(f.from(), by))
                                .to(moves.shifted(f.to(), by))
                                .build())
                        .orElse(f))
                .toList();
        if (!moved.equals(all)) {
            repository.replace(key, moved, clock.instant());
        }
    }

    /** What holds, in order of time, none overlapping. */
    public List<ForecastPeriod> forecast(EventKey key) {
        List<ForecastPeriod> all = repository.current(key);
        List<ForecastPeriod> typed = all.stream()
                .filter(f -> f.origin() == ForecastPeriod.Origin.TYPED)
                .toList();
        if (typed.size() == all.size()) {
            return typed;
        }
        List<ForecastPeriod> others = all.stream()
                .filter(f -> f.origin() != ForecastPeriod.Origin.TYPED)
                .toList();
        List<ForecastPeriod> storms =
                others.stream().filter(f -> Boolean.TRUE.equals(f.lightning())).toList();
        List<ForecastPeriod> merged = new ArrayList<>();
        typed.forEach(t -> merged.addAll(withLightning(t, storms)));
        others.forEach(f -> merged.addAll(without(f, typed)));
        merged.sort(Comparator.comparing(ForecastPeriod::from));
        return List.copyOf(merged);
    }

    /** A typed part with the lightning that others tell of in it: there it is theirs, with what was typed of the rest. */
    private static List<ForecastPeriod> withLightning(ForecastPeriod typed, List<ForecastPeriod> storms) {
        if (Boolean.TRUE.equals(typed.lightning())) {
            return List.of(typed);
        }
        List<ForecastPeriod> parts = new ArrayList<>(without(typed, storms));
        for (ForecastPeriod storm : storms) {
            if (storm.overlaps(typed)) {
                parts.add(ForecastPeriodBuilder.builder(typed.during(
                                Instants.later(storm.from(), typed.from()), Instants.earlier(storm.to(), typed.to())))
                        .thunderChance(storm.thunderChance())
                        .lightning(true)
                        .origin(storm.origin())
                        .build());
            }
        }
        return parts;
    }

    /** What of an hour the typed parts leave. */
    private static List<ForecastPeriod> without(ForecastPeriod hour, List<ForecastPeriod> typed) {
        List<ForecastPeriod> left = new ArrayList<>();
        Instant from = hour.from();
        for (ForecastPeriod t : typed) {
            if (t.overlaps(hour)) {
                if (t.from().isAfter(from)) {
                    left.add(hour.during(from, t.from()));
                }
                from = Instants.later(t.to(), from);
            }
        }
        if (from.isBefore(hour.to())) {
            left.add(hour.during(from, hour.to()));
        }
        return left;
    }

    /** As it is stored, typed rows and hours that lie under them too. */
    List<ForecastPeriod> stored(EventKey key) {
        return repository.current(key);
    }

    @EventWrite
    public void replace(EventKey key, List<ForecastPeriod> forecast) {
        repository.replace(key, forecast, clock.instant());
    }

    /** Takes hours of a file, in the place of those that there are for the same time. */
    @EventWrite
    void take(EventKey key, List<ForecastPeriod> hours) {
        List<ForecastPeriod> all = new ArrayList<>(hours);
        repository.current(key).stream()
                .filter(f -> f.origin() == ForecastPeriod.Origin.TYPED
                        || hours.stream().noneMatch(f::overlaps))
                .forEach(all::add);
        repository.replace(key, all, clock.instant());
    }

    /** Removes all hours that were not typed. */
    @EventWrite
    void removeHours(EventKey key) {
        repository.replace(
                key,
                repository.current(key).stream()
                        .filter(f -> f.origin() == ForecastPeriod.Origin.TYPED)
                        .toList(),
                clock.instant());
    }

    /** Brings back the forecast before this one; a second time this one again. */
    @EventWrite
    public void undo(EventKey key) {
        repository.swap(key, clock.instant());
    }
}
