package lochan.web.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.almanac.Almanac;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.ForecastPeriod;
import lochan.core.quantity.DirectionText;
import lochan.core.quantity.Units;
import lochan.offline.plan.PatternWords;
import lochan.offline.plan.PlanWords;
import lochan.offline.plan.RunWords;
import lochan.web.shared.Dates;
import org.jspecify.annotations.Nullable;

/**
 * A plan as it is printed: everything in words.
 *
 * @param leaveBy  what to leave for at the end, and by when; empty: nothing is known
 * @param late     what is wrong with its runs and stops
 * @param waitHome where to wait on the way home; null: nowhere
 * @param triggers when to leave the main pattern, and for what
 * @param computed whether backups were computed for the current plan
 * @param lightning whether the forecast has any
 */
@RecordBuilder
record PlanSheet(
        String event,
        String day,
        String name,
        String hours,
        String light,
        List<String> forecast,
        List<Row> rows,
        String leaveBy,
        List<String> late,
        @Nullable String waitHome,
        List<String> triggers,
        boolean computed,
        boolean lightning) {

    /**
     * A stop.
     *
     * @param run  to it
     * @param waiting where to wait on the way to it; null: nowhere
     */
    record Row(
            int number,
            String times,
            String spot,
            String position,
            String depth,
            String presentation,
            String run,
            @Nullable String waiting) {}

    /** @param ladder null: not computed */
    static PlanSheet of(EventData event, Plan plan, DayRuns runs, Backups.@Nullable Ladder ladder, Units units) {
        CompetitionDay day = event.day(plan.day());
        ZoneId zone = event.timeZone();
        Almanac almanac = Almanac.of(event.launch(), day.date(), zone);
        List<PlanCheck.Leg> legs = PlanCheck.legs(event, plan, PlanValuation.ASSUMPTIONS.planning(), runs);
        List<Row> rows = new ArrayList<>();
        for (PlanStop s : plan.stops()) {
            PlanCheck.Leg leg = legs.get(rows.size());
            rows.add(row(rows.size() + 1, s, leg, event, units));
        }
        String leaveBy = PlanPage.leaveBy(event, plan, runs)
                .map(l -> "LEAVE FOR "
                        + RunWords.destination(l, event).toUpperCase(Locale.ROOT)
                        + " BY " + Dates.clock(l.at(), zone) + (l.forShelter() ? ": LIGHTNING" : ""))
                .orElse("");
        List<ForecastPeriod> sky = event.forecast().stream()
                .filter(f -> f.from().isBefore(day.checkIn()) && f.to().isAfter(day.start()))
                .toList();
        return PlanSheetBuilder.builder()
                .event(event.name())
                .day("Day " + plan.day() + ", " + Dates.day(day.date()))
                .name(plan.name() == null ? "Plan" : plan.name())
                .hours("start " + Dates.clock(day.start(), zone) + ", check-in " + Dates.clock(day.checkIn(), zone))
                .light(
                        almanac.sunrise() == null || almanac.sunset() == null
                                ? ""
                                : "first light " + Dates.clock(almanac.firstLight(), zone) + ", sunrise "
                                        + Dates.clock(almanac.sunrise(), zone) + ", sunset "
                                        + Dates.clock(almanac.sunset(), zone))
                .forecast(sky.stream().map(f -> sky(f, day, zone, units)).toList())
                .rows(rows)
                .leaveBy(leaveBy)
                .late(RunWords.troubles(event, plan, legs, PlanValuation.ASSUMPTIONS.planning()))
                .waitHome(RunWords.waits(legs.getLast(), event).orElse(null))
                .triggers(
                        ladder == null
                                ? List.of()
                                : ladder.backups().stream()
                                        .map(b -> trigger(b, event))
                                        .toList())
                .computed(ladder != null)
                .lightning(sky.stream().anyMatch(f -> Boolean.TRUE.equals(f.lightning())))
                .build();
    }

    private static Row row(int number, PlanStop s, PlanCheck.Leg leg, EventData event, Units units) {
        Spot spot = event.spot(s.spotId()).orElseThrow();
        ZoneId zone = event.timeZone();
        String depth = spot.depthMaxM() == null
                ? ""
                : (spot.depthMinM() == null ? "" : units.depth(spot.depthMinM()).replaceFirst(" .*", "") + "–")
                        + units.depth(spot.depthMaxM());
        return new Row(
                number,
                Dates.clock(s.arrive(), zone) + " – " + Dates.clock(s.leave(), zone),
                spot.name(),
                degreesAndMinutes(spot.position()),
                depth,
                event.presentation(s.presentationId()).orElseThrow().name(),
                way(leg, units),
                RunWords.waits(leg, event).orElse(null));
    }

    private static String way(PlanCheck.Leg leg, Units units) {
        if (leg.run() == null) {
            return "no way by water";
        }
        if (leg.needed() == null) {
            return "lightning before you are ashore";
        }
        return leg.needed().isZero()
                ? "stay"
                : "run " + units.distance(leg.run().metres()) + ", "
                        + (leg.waits().isEmpty() ? leg.needed() : leg.run().time())
                                .plusSeconds(59)
                                .toMinutes()
                        + " min" + (leg.waits().isEmpty() ? "" : ", with a wait ashore")
                        + (leg.inLee() ? ", in the lee" : "");
    }

    private static String sky(ForecastPeriod f, CompetitionDay day, ZoneId zone, Units units) {
        String wind = f.windMps() == null
                ? ""
                : (f.windFromDeg() == null ? "" : DirectionText.words(f.windFromDeg()) + " ")
                        + units.speed(f.windMps());
        return Dates.clock(f.from().isBefore(day.start()) ? day.start() : f.from(), zone) + "–"
                + Dates.clock(f.to().isAfter(day.checkIn()) ? day.checkIn() : f.to(), zone) + " " + wind
                + (f.sky() == null ? "" : " " + f.sky().code())
                + (Boolean.TRUE.equals(f.lightning()) ? " LIGHTNING" : "");
    }

    private static String trigger(Backups.Backup b, EventData event) {
        String when = b.triggers().isEmpty()
                ? "When the main pattern fails"
                : String.join(
                        "; ",
                        b.triggers().stream()
                                .map(t -> PlanWords.trigger(t, event))
                                .toList());
        return when + ": " + PatternWords.of(b.pattern(), event) + ", first at "
                + PlanWords.spot(b.stops().getFirst().spotId(), event) + ".";
    }

    /** As plotters show it: 42° 37.812' N 116° 54.630' W. */
    static String degreesAndMinutes(Position p) {
        return part(p.lat(), "N", "S") + " " + part(p.lon(), "E", "W");
    }

    private static String part(double degrees, String positive, String negative) {
        long thousandths = Math.round(Math.abs(degrees) * 60_000);
        return String.format(
                Locale.ROOT,
                "%d° %06.3f' %s",
                thousandths / 60_000,
                thousandths % 60_000 / 1000.0,
                degrees < 0 ? negative : positive);
    }
}
