package lochan.core.planning.runs;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.practice.ForecastPeriod;

/**
 * Hours in which the boat is ashore or at a shelter: those whose forecast has lightning, and the half hour after.
 *
 * @param spans apart from each other, in their order
 */
public record LightningHours(List<Span> spans) {

    /** In [from, to). */
    public record Span(Instant from, Instant to) {

        public boolean overlaps(Instant begin, Instant end) {
            return from.isBefore(end) && to.isAfter(begin);
        }
    }

    public LightningHours {
        spans = List.copyOf(spans);
    }

    public static LightningHours of(List<ForecastPeriod> forecast, Assumptions.Planning planning) {
        return of(forecast, Duration.ofMinutes(planning.afterLightningMinutes()));
    }

    /** The lightning itself, without the half hour after. */
    public static List<Span> storms(List<ForecastPeriod> forecast) {
        return of(forecast, Duration.ZERO).spans;
    }

    private static LightningHours of(List<ForecastPeriod> forecast, Duration after) {
        List<Span> spans = new ArrayList<>();
        forecast.stream()
                .filter(f -> Boolean.TRUE.equals(f.lightning()))
                .sorted(Comparator.comparing(ForecastPeriod::from))
                .forEach(f -> {
                    Instant to = f.to().plus(after);
                    boolean on = !spans.isEmpty() && !spans.getLast().to().isBefore(f.from());
                    Span before = on ? spans.removeLast() : new Span(f.from(), to);
                    spans.add(new Span(before.from(), before.to().isAfter(to) ? before.to() : to));
                });
        return new LightningHours(spans);
    }

    /** Whether a time lies in one, its beginning not counted: until then a boat may be under way. */
    public boolean holds(Instant time) {
        return spans.stream().anyMatch(s -> time.isAfter(s.from) && time.isBefore(s.to));
    }

    /** The first that some of [from, to) lies in. */
    public Optional<Span> within(Instant from, Instant to) {
        return spans.stream().filter(s -> s.overlaps(from, to)).findFirst();
    }

    /** The first that ends after a time. */
    public Optional<Span> endingAfter(Instant time) {
        return spans.stream().filter(s -> s.to().isAfter(time)).findFirst();
    }
}
