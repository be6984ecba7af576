package lochan.web.practice;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Bite;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.quantity.Units;
import lochan.web.page.Dates;

/** A day of practice as a band along the clock, in a drawing {@value #WIDTH} wide: stops, their strikes at their times, the hours. */
record DayBand(List<Piece> stops, List<Tick> hours) {

    static final double WIDTH = 1000;
    private static final Duration BESIDE = Duration.ofMinutes(20);
    private static final double LEAST_WIDTH = 3;

    /**
     * A stop.
     *
     * @param strikes places of its strikes
     */
    record Piece(int number, String spot, double x, double width, double middle, String words, List<Strike> strikes) { }

    /** @param landed whether it is drawn full */
    record Strike(double x, boolean landed, String words) { }

    record Tick(double x, String label) { }

    /** @param stops finished stops of one day, in order */
    static DayBand of(List<PracticeStop> stops, EventData event, Units units) {
        if (stops.isEmpty()) {
            return new DayBand(List.of(), List.of());
        }
        ZoneId zone = event.brief().timeZone();
        Instant from = stops.getFirst().start().minus(BESIDE);
        Instant to = stops.stream().map(PracticeStop::end).max(Instant::compareTo).orElseThrow().plus(BESIDE);
        double millis = Duration.between(from, to).toMillis();
        ToDoubleFunction<Instant> x = t -> WIDTH * Duration.between(from, t).toMillis() / millis;
        List<Piece> pieces = new ArrayList<>();
        for (PracticeStop s : stops) {
            double start = x.applyAsDouble(s.start());
            double width = Math.max(LEAST_WIDTH, x.applyAsDouble(s.end()) - start);
            String spot = event.spot(s.spotId()).orElseThrow().name();
            pieces.add(new Piece(pieces.size() + 1, spot, start, width, start + width / 2,
                    spot + ", " + Dates.clock(s.start(), zone) + " to " + Dates.clock(s.end(), zone) + ", " + s.bites().size() + " strikes",
                    strikes(s, start, width, x, zone, units)));
        }
        List<Tick> hours = new ArrayList<>();
        for (Instant t = from.atZone(zone).truncatedTo(ChronoUnit.HOURS).plusHours(1).toInstant(); t.isBefore(to); t = t.plus(Duration.ofHours(1))) {
            hours.add(new Tick(x.applyAsDouble(t), Dates.clock(t, zone)));
        }
        return new DayBand(pieces, hours);
    }

    /** Strikes at their times; those without one are spread over their stop. */
    private static List<Strike> strikes(PracticeStop stop, double start, double width, ToDoubleFunction<Instant> x, ZoneId zone, Units units) {
        long untimed = stop.bites().stream().filter(b -> b.at() == null).count();
        List<Strike> strikes = new ArrayList<>();
        int placed = 0;
        for (Bite b : stop.bites()) {
            double at = b.at() != null ? x.applyAsDouble(b.at()) : start + width * (++placed) / (untimed + 1);
            String when = b.at() == null ? "some time" : Dates.clock(b.at(), zone);
            strikes.add(new Strike(at, b.outcome() == Outcome.LANDED,
                    when + " " + b.outcome().code() + (b.size() == null ? "" : ", " + PracticeDay.shown(b.size(), units))));
        }
        return strikes;
    }
}
