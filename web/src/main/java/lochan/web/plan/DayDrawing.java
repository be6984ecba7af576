package lochan.web.plan;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.evidence.Sunrise;
import lochan.core.plan.Plan;
import lochan.web.page.Dates;

/** The day as a line of beads along the clock: where everything lies in a drawing {@value #WIDTH} wide. */
record BeadLine(List<Bead> beads, List<Tick> ticks, Double sunrise, double marginFrom, double marginWidth) {

    static final double WIDTH = 1000;

    /** A stop. */
    record Bead(double x, double width, double middle, int number, String label) { }

    /** An hour of the clock. */
    record Tick(double x, String label) { }

    static BeadLine of(EventData event, Plan plan, int marginMinutes) {
        CompetitionDay day = event.brief().day(plan.day());
        ZoneId zone = event.brief().timeZone();
        double millis = Duration.between(day.start(), day.checkIn()).toMillis();
        java.util.function.ToDoubleFunction<Instant> x =
                t -> Math.clamp(WIDTH * Duration.between(day.start(), t).toMillis() / millis, 0, WIDTH);
        List<Bead> beads = new ArrayList<>();
        plan.stops().forEach(s -> {
            double from = x.applyAsDouble(s.arrive());
            double to = x.applyAsDouble(s.leave());
            String label = event.spot(s.spotId()).orElseThrow().name() + ", " + event.presentation(s.presentationId()).orElseThrow().name()
                    + ", " + Dates.clock(s.arrive(), zone) + " to " + Dates.clock(s.leave(), zone);
            beads.add(new Bead(from, Math.max(4, to - from), (from + to) / 2, beads.size() + 1, label));
        });
        List<Tick> ticks = new ArrayList<>();
        Instant first = day.start().atZone(zone).truncatedTo(ChronoUnit.HOURS).toInstant();
        for (Instant t = first.isBefore(day.start()) ? first.plus(Duration.ofHours(1)) : first; !t.isAfter(day.checkIn()); t = t.plus(Duration.ofHours(1))) {
            ticks.add(new Tick(x.applyAsDouble(t), Dates.clock(t, zone)));
        }
        Instant sunrise = Sunrise.at(event.brief().launch(), day.date(), zone);
        Double sun = sunrise.isAfter(day.start()) && sunrise.isBefore(day.checkIn()) ? Double.valueOf(x.applyAsDouble(sunrise)) : null;
        double margin = x.applyAsDouble(day.checkIn().minus(Duration.ofMinutes(marginMinutes)));
        return new BeadLine(beads, ticks, sun, margin, WIDTH - margin);
    }
}
