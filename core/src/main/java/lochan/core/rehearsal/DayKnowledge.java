package lochan.core.rehearsal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import lochan.core.model.scenario.DayModel;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.LightningHours;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.ForecastPeriodBuilder;
import lochan.core.quantity.Instants;

/**
 * What can be known of a rehearsed day while it goes: the forecast, but a storm that has come is known with its end, and is the one that was forecast about that
 * time. What was forecast and has not come is expected until its hours are over.
 */
public final class DayKnowledge {

    private final DayModel model;
    private final DayRuns runs;
    private final List<LightningHours.Span> storms;
    private final Map<Integer, DayModel> byStorms = new ConcurrentHashMap<>();

    /**
     * @param model  of the day, by the forecast
     * @param runs   in the weather that is forecast
     * @param actual the weather as it comes
     */
    public DayKnowledge(DayModel model, DayRuns runs, List<ForecastPeriod> actual) {
        this.model = model;
        this.runs = runs;
        this.storms = LightningHours.storms(actual);
    }

    public DayRuns runs() {
        return runs;
    }

    /** Before the day begins. */
    public DayModel atFirst() {
        return model;
    }

    /** Storms that have come by a time: where it is the same, the same is known. */
    public int storms(Instant now) {
        return (int) storms.stream().filter(s -> !s.from().isAfter(now)).count();
    }

    public DayModel at(Instant now) {
        int come = storms(now);
        return come == 0 ? model : byStorms.computeIfAbsent(come, this::after);
    }

    private DayModel after(int come) {
        List<ForecastPeriod> forecast = model.event().forecast();
        List<LightningHours.Span> there = storms.subList(0, come);
        List<LightningHours.Span> lightning = Stream.concat(
                        there.stream(), LightningHours.storms(forecast).stream().filter(f -> there.stream()
                                .noneMatch(s -> s.overlaps(
                                        f.from().minus(ActualWeather.MOST_SHIFT),
                                        f.to().plus(ActualWeather.MOST_SHIFT)))))
                .toList();
        NavigableSet<Instant> edges = new TreeSet<>();
        lightning.forEach(s -> edges.addAll(List.of(s.from(), s.to())));
        List<ForecastPeriod> known = new ArrayList<>();
        for (ForecastPeriod period : forecast) {
            Instant from = period.from();
            for (Instant edge : edges.subSet(from, false, period.to(), false)) {
                known.add(part(period, from, edge, lightning));
                from = edge;
            }
            known.add(part(period, from, period.to(), lightning));
        }
        forecast.stream().max(Comparator.comparing(ForecastPeriod::to)).ifPresent(last -> there.stream()
                .filter(s -> s.to().isAfter(last.to()))
                .forEach(s -> known.add(part(last, Instants.later(s.from(), last.to()), s.to(), lightning))));
        return model.withLightning(known);
    }

    private static ForecastPeriod part(
            ForecastPeriod period, Instant from, Instant to, List<LightningHours.Span> lightning) {
        ForecastPeriod part = period.during(from, to);
        boolean holds = lightning.stream().anyMatch(s -> s.overlaps(from, to));
        return holds == Boolean.TRUE.equals(period.lightning())
                ? part
                : ForecastPeriodBuilder.builder(part)
                        .lightning(holds)
                        .thunderChance(null)
                        .build();
    }
}
