package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import lochan.core.Assumptions;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.runs.LightningHours;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.Units;
import lochan.offline.alarm.Alarm;
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
        Double most = event.boat().maxWindMps();
        double rough = most == null
                ? Assumptions.DEFAULTS.planning().roughWindMps()
                : Math.min(most, Assumptions.DEFAULTS.planning().roughWindMps());
        Double limit = event.boat().maxRunWindMps();
        for (Span s : spans(left, f -> f.windMps() != null && f.windMps() >= rough)) {
            double wind = left.stream()
                    .filter(f -> !f.from().isBefore(s.from()) && !f.to().isAfter(s.to()))
                    .map(ForecastPeriod::windMps)
                    .filter(Objects::nonNull)
                    .max(Double::compare)
                    .orElse(rough);
            words.add("Wind up to " + units.speed(wind) + " in your forecast " + s.words(event)
                    + (limit != null && wind >= limit
                            ? ": more than you run across open water in. Keep to the lee, or be in before."
                            : ": open water is rough, the run home slower. Stay off what is beyond the boat."));
        }
        return words;
    }

    /** When lightning hours that are to come begin, with where to be by then; under way and begun ones come first. */
    public static List<Alarm.Timed> lightning(EventData event, int day, DayRuns runs, Instant now, Position here) {
        CompetitionDay hours = event.day(day);
        Assumptions.Planning planning = Assumptions.DEFAULTS.planning();
        Departures departures = new Departures(event, day, planning, runs);
        return LightningHours.of(event.forecast(), planning).spans().stream()
                .filter(s -> s.to().isAfter(now) && s.overlaps(hours.start(), hours.checkIn()))
                .map(s -> new Alarm.Timed(s.from().toString(), s.from(), words(s, event, departures, now, here)))
                .toList();
    }

    private static String words(
            LightningHours.Span span, EventData event, Departures departures, Instant now, Position here) {
        String hours = "Lightning hours " + RunWords.span(span, event);
        boolean next = departures.lightning(now).filter(span::equals).isPresent();
        Departures.LeaveBy leave = next
                ? departures
                        .from(here, now)
                        .filter(Departures.LeaveBy::forShelter)
                        .orElse(null)
                : null;
        String where = leave == null ? "" : ": wait at " + RunWords.destination(leave, event);
        String by = leave == null || leave.to().position().equals(here)
                ? "."
                : leave.at().isAfter(now)
                        ? ", leave here by " + Times.clock(leave.at(), event.timeZone()) + "."
                        : ", go there now.";
        return hours + where + by + " Thunder sooner: ashore at once.";
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
