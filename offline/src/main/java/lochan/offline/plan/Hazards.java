package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.offline.bag.Times;

/** What the angler's own forecast holds of lightning and wind in the hours that are left of a day, in words. */
public final class Hazards {

    private Hazards() {}

    public static List<String> of(EventData event, int day, Instant now, Units units) {
        CompetitionDay hours = event.day(day);
        List<ForecastPeriod> left = event.forecast().stream()
                .filter(f -> f.to().isAfter(now)
                        && f.to().isAfter(hours.start())
                        && f.from().isBefore(hours.checkIn()))
                .sorted(Comparator.comparing(ForecastPeriod::from))
                .toList();
        List<String> words = new ArrayList<>();
        for (Span s : spans(left, f -> Boolean.TRUE.equals(f.lightning()))) {
            words.add("Lightning in your forecast " + s.words(event)
                    + ": no run then. Off the water when thunder is heard, and 30 minutes after the last.");
        }
        Double most = event.boat().maxWindMps();
        double rough = most == null
                ? Assumptions.DEFAULTS.planning().roughWindMps()
                : Math.min(most, Assumptions.DEFAULTS.planning().roughWindMps());
        for (Span s : spans(left, f -> f.windMps() != null && f.windMps() >= rough)) {
            double wind = left.stream()
                    .filter(f -> !f.from().isBefore(s.from()) && !f.to().isAfter(s.to()))
                    .map(ForecastPeriod::windMps)
                    .filter(Objects::nonNull)
                    .max(Double::compare)
                    .orElse(rough);
            words.add("Wind up to " + units.speed(wind) + " in your forecast " + s.words(event)
                    + ": open water is rough, the run home slower. Stay off what is beyond the boat.");
        }
        return words;
    }

    private record Span(Instant from, Instant to) {

        String words(EventData event) {
            return Times.clock(from, event.timeZone()) + " to " + Times.clock(to, event.timeZone());
        }
    }

    /** Neighbouring periods joined. */
    private static List<Span> spans(List<ForecastPeriod> periods, Predicate<ForecastPeriod> which) {
        List<Span> spans = new ArrayList<>();
        for (ForecastPeriod p : periods) {
            if (which.test(p)) {
                boolean on = !spans.isEmpty() && !spans.getLast().to().isBefore(p.from());
                spans.add(on ? new Span(spans.removeLast().from(), p.to()) : new Span(p.from(), p.to()));
            }
        }
        return spans;
    }
}
