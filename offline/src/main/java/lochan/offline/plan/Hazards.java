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
import lochan.wording.Wording;

/** Says what lightning and wind the angler's forecast has for the rest of a day. */
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
            words.add(Wording.text(
                    limit != null && wind >= limit ? "day.wind-over-limit" : "day.wind-rough",
                    units.speed(wind),
                    RunWords.span(s.from(), s.to(), event)));
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
        String hours = Wording.text("day.lightning", RunWords.span(span, event));
        boolean next = departures.lightning(now).filter(span::equals).isPresent();
        Departures.LeaveBy leave = next
                ? departures
                        .from(here, now)
                        .filter(Departures.LeaveBy::forShelter)
                        .orElse(null)
                : null;
        return hours + (leave == null ? "" : " " + shelter(leave, event, now, here)) + " "
                + Wording.text("day.thunder-sooner");
    }

    private static String shelter(Departures.LeaveBy leave, EventData event, Instant now, Position here) {
        String where = RunWords.destination(leave, event);
        if (leave.to().position().equals(here)) {
            return Wording.text("day.wait-here", where);
        }
        return leave.at().isAfter(now)
                ? Wording.text("day.wait-at", where, Times.clock(leave.at(), event.timeZone()))
                : Wording.text("day.wait-at-now", where);
    }

    private record Span(Instant from, Instant to) {}

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
