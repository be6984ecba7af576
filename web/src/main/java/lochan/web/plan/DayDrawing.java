package lochan.web.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import lochan.core.almanac.Almanac;
import lochan.core.event.CompetitionDay;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import lochan.offline.plan.RunWords;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/**
 * The day as a line of beads along the clock: where everything lies in a drawing {@value #WIDTH} wide.
 *
 * @param minutes length of the day
 * @param waits   ashore for the end of lightning
 * @param dark    stretches before sunrise and after sunset
 * @param light   when there is light, in words
 */
@RecordBuilder
public record DayDrawing(
        long minutes,
        List<Bead> beads,
        List<Way> ways,
        List<Ashore> waits,
        List<Tick> ticks,
        List<Sky> skies,
        List<Stretch> dark,
        String light,
        double marginFrom,
        double marginWidth) {

    static final double WIDTH = 1000;
    /** Letters of a name that fit into so much of the drawing. */
    private static final double LETTER = 8;

    private static final double LEAST_BEAD = 4;
    private static final double SKY_WORDS = 70;

    /**
     * A stop.
     *
     * @param number  from 1
     * @param arrive  minutes from the start of the day
     * @param leave   the same
     * @param name    as much of the spot's name as fits
     */
    @RecordBuilder
    record Bead(
            double x,
            double width,
            double middle,
            int number,
            long arrive,
            long leave,
            boolean locked,
            String name,
            String label) {}

    /**
     * A run to a stop, or home.
     *
     * @param late whether there is too little time for it
     */
    record Way(double from, double to, boolean late) {}

    /** A wait ashore. */
    record Ashore(double x, double width, String label) {}

    /** An hour of the clock. */
    public record Tick(double x, String label) {}

    record Stretch(double x, double width) {}

    /**
     * A part of the forecast.
     *
     * @param wind   in words
     * @param arrow  degrees to turn an arrow that points up, to show where the wind goes to; null: unknown
     * @param rough  whether open water counts as rough
     */
    @RecordBuilder
    record Sky(
            double x,
            double width,
            double middle,
            String wind,
            String sky,
            @Nullable Double arrow,
            boolean lightning,
            boolean rough,
            String label) {}

    static DayDrawing of(EventData event, Plan plan, List<PlanCheck.Leg> legs, Units units) {
        CompetitionDay day = event.day(plan.day());
        ZoneId zone = event.timeZone();
        Scale scale = new Scale(day);
        List<Bead> beads = new ArrayList<>();
        plan.stops().forEach(s -> beads.add(bead(event, s, beads.size() + 1, scale, zone)));
        List<Tick> ticks = new ArrayList<>();
        Instant first = day.start().atZone(zone).truncatedTo(ChronoUnit.HOURS).toInstant();
        for (Instant t = first.isBefore(day.start()) ? first.plus(Duration.ofHours(1)) : first;
                !t.isAfter(day.checkIn());
                t = t.plus(Duration.ofHours(1))) {
            ticks.add(new Tick(scale.x(t), Dates.clock(t, zone)));
        }
        Almanac almanac = Almanac.of(event.launch(), day.date(), zone);
        List<Stretch> dark = new ArrayList<>();
        if (almanac.sunrise() != null && almanac.sunrise().isAfter(day.start())) {
            dark.add(new Stretch(0, scale.x(almanac.sunrise())));
        }
        if (almanac.sunset() != null && almanac.sunset().isBefore(day.checkIn())) {
            dark.add(new Stretch(scale.x(almanac.sunset()), WIDTH - scale.x(almanac.sunset())));
        }
        double margin = scale.x(day.checkIn()
                .minus(Duration.ofMinutes(PlanValuation.ASSUMPTIONS.planning().checkInMarginMinutes())));
        return DayDrawingBuilder.builder()
                .minutes(Duration.between(day.start(), day.checkIn()).toMinutes())
                .beads(beads)
                .ways(ways(legs, scale))
                .waits(legs.stream()
                        .flatMap(l -> l.waits().stream())
                        .map(w -> new Ashore(
                                scale.x(w.arrive()), scale.x(w.until()) - scale.x(w.arrive()), RunWords.wait(w, event)))
                        .toList())
                .ticks(ticks)
                .skies(event.forecast().stream()
                        .filter(f -> f.from().isBefore(day.checkIn()) && f.to().isAfter(day.start()))
                        .map(f -> sky(f, scale, units))
                        .toList())
                .dark(dark)
                .light(light(almanac, zone))
                .marginFrom(margin)
                .marginWidth(WIDTH - margin)
                .build();
    }

    private static String light(Almanac almanac, ZoneId zone) {
        return almanac.sunrise() == null || almanac.sunset() == null
                ? "The sun neither rises nor sets that day."
                : "First light " + Dates.clock(almanac.firstLight(), zone) + ", sunrise "
                        + Dates.clock(almanac.sunrise(), zone) + ", sunset " + Dates.clock(almanac.sunset(), zone)
                        + ".";
    }

    private static Bead bead(EventData event, PlanStop s, int number, Scale scale, ZoneId zone) {
        double from = scale.x(s.arrive());
        double to = scale.x(s.leave());
        String spot = event.spot(s.spotId()).orElseThrow().name();
        String label = "Stop " + number + ": " + spot + ", "
                + event.presentation(s.presentationId()).orElseThrow().name() + ", " + Dates.clock(s.arrive(), zone)
                + " to " + Dates.clock(s.leave(), zone) + (s.locked() ? ", locked" : "");
        int letters = (int) ((to - from) / LETTER);
        String name = letters < 4 ? "" : spot.length() <= letters ? spot : spot.substring(0, letters - 1) + "…";
        return DayDrawingBeadBuilder.builder()
                .x(from)
                .width(Math.max(LEAST_BEAD, to - from))
                .middle((from + to) / 2)
                .number(number)
                .arrive(scale.minute(s.arrive()))
                .leave(scale.minute(s.leave()))
                .locked(s.locked())
                .name(name)
                .label(label)
                .build();
    }

    private static List<Way> ways(List<PlanCheck.Leg> legs, Scale scale) {
        List<Way> ways = new ArrayList<>();
        for (PlanCheck.Leg leg : legs) {
            Instant from = leg.passage().leaving();
            if (leg.needed() != null) {
                ways.add(new Way(scale.x(from), scale.x(from.plus(leg.needed())), !leg.fits()));
            }
        }
        return ways;
    }

    private static Sky sky(ForecastPeriod f, Scale scale, Units units) {
        double from = scale.x(f.from());
        double width = scale.x(f.to()) - from;
        boolean roomy = width >= SKY_WORDS;
        String wind = f.windMps() == null ? "" : units.speed(f.windMps());
        String side = f.windFromDeg() == null ? "" : DirectionText.words(f.windFromDeg());
        String sky = f.sky() == null ? "" : f.sky().code();
        boolean lightning = Boolean.TRUE.equals(f.lightning());
        boolean rough = f.windMps() != null
                && f.windMps() >= PlanValuation.ASSUMPTIONS.planning().roughWindMps();
        String label = "Wind " + (side + " " + wind).strip() + (rough ? ", rough on open water" : "")
                + (sky.isEmpty() ? "" : ", " + sky) + (lightning ? ", lightning" : "");
        return DayDrawingSkyBuilder.builder()
                .x(from)
                .width(width)
                .middle(from + width / 2)
                .wind(roomy ? (side + " " + wind).strip() : "")
                .sky(roomy ? sky : "")
                .arrow(f.windFromDeg() == null ? null : f.windFromDeg() + 180)
                .lightning(lightning)
                .rough(rough)
                .label(label)
                .build();
    }

    /** The clock of a day on the drawing. */
    private record Scale(CompetitionDay day) {

        double x(Instant time) {
            double share = (double) Duration.between(day.start(), time).toMillis()
                    / Duration.between(day.start(), day.checkIn()).toMillis();
            return Math.clamp(WIDTH * share, 0, WIDTH);
        }

        long minute(Instant time) {
            return Duration.between(day.start(), time).toMinutes();
        }
    }
}
