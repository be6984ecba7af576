package lochan.web.demo;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.competition.Entry;
import lochan.core.event.Boat;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Rules;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Sky;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFile;
import lochan.eventformat.EventFileWriter;

/**
 * Makes the numbers of the demo's event files. Lake, towns, spots and events are invented; the coordinates lie in empty country.
 * {@code main} writes the files into the folder given.
 */
public final class DemoEvents {

    static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(DemoWorld.ZONE).toInstant();
    }

    public static EventData twoArmsOpen() {
        return DemoNotes.addedTo(new DemoEvents().open());
    }

    private EventData open() {
        List<SpeciesRule> species = List.of(
                new SpeciesRule(Species.LARGEMOUTH, 355.6, null, Map.of("minLengthMm", "14")),
                new SpeciesRule(Species.SMALLMOUTH, 355.6, null, Map.of("minLengthMm", "14")),
                new SpeciesRule(Species.SPOTTED, 304.8, null, Map.of("minLengthMm", "12")));
        Event event = new Event(
                "Two Arms Open, Velmarrow Reservoir",
                DemoWorld.ZONE,
                1,
                List.of(day("2027-06-01"), day("2027-06-02"), day("2027-06-03"), day("2027-06-04")),
                List.of(
                        new CompetitionDay(day("2027-06-05"), at("2027-06-05T06:00"), at("2027-06-05T15:00")),
                        new CompetitionDay(day("2027-06-06"), at("2027-06-06T06:00"), at("2027-06-06T14:00"))),
                new Event.Ramp(DemoWorld.LAUNCH, DemoWorld.LAUNCH),
                new Rules(
                        Format.LIMIT_WEIGHT,
                        5,
                        grams("15-0"),
                        5.0,
                        species,
                        new Penalties(grams("0-4"), grams("1-0"), 15.0, grams("1-0")),
                        new Gear(3, List.of("umbrella-rig"))),
                Map.of(
                        "targetGrams",
                        "15-0",
                        "penalties/deadFishGrams",
                        "0-4",
                        "penalties/shortFishGrams",
                        "1-0",
                        "penalties/lateGramsPerMinute",
                        "1-0"));
        DemoWorld world = new DemoWorld("the open");
        List<PracticeStop> stops = new ArrayList<>();
        stops.addAll(world.practice(
                "2027-06-01",
                new Conditions(18.6, 1.2, 2.5, Sky.PARTLY, null),
                List.of(
                        "05:35 harth-grass walking-topwater+swim-jig 75",
                        "07:10 fallen-alder flipping-jig 25",
                        "07:55 long-meadow swim-jig 50",
                        "09:05 maudlin-point medium-crankbait 45",
                        "10:10 dam-riprap medium-crankbait 35",
                        "11:05 kestle-docks stick-worm 50",
                        "12:15 sill-ledge carolina-rig 60",
                        "13:35 pale-hump drop-shot 45",
                        "14:40 cold-wall shaky-head 40")));
        stops.addAll(world.practice(
                "2027-06-02",
                new Conditions(18.9, 1.1, 4.5, Sky.CLOUDY, null),
                List.of(
                        "05:30 sill-grass walking-topwater 40",
                        "06:20 sill-grass swim-jig 45",
                        "07:25 three-trunks flipping-jig+stick-worm 35",
                        "08:20 split-point medium-crankbait+shaky-head 60",
                        "09:40 ferry-docks stick-worm 55",
                        "10:50 kestle-docks stick-worm 45",
                        "11:50 sill-ledge carolina-rig+drop-shot 70",
                        "13:20 lost-hump drop-shot 40",
                        "14:15 raven-wall shaky-head 45")));
        stops.addAll(world.practice(
                "2027-06-03",
                new Conditions(19.4, 1.4, 2.0, Sky.CLEAR, null),
                List.of(
                        "05:35 long-meadow walking-topwater+swim-jig 80",
                        "07:15 fallen-alder flipping-jig 20",
                        "07:50 causeway medium-crankbait 40",
                        "08:45 harth-bend carolina-rig 55",
                        "10:00 parson-brush flipping-jig 30",
                        "10:45 kestle-docks stick-worm+flipping-jig 60",
                        "12:00 pale-hump drop-shot+carolina-rig 60",
                        "13:20 ferry-docks flipping-jig 45",
                        "14:25 maudlin-point shaky-head 40")));
        stops.addAll(world.practice(
                "2027-06-04",
                new Conditions(19.8, 1.5, 3.5, Sky.PARTLY, null),
                List.of(
                        "05:30 harth-grass walking-topwater+swim-jig 70",
                        "07:00 harth-grass stick-worm 30",
                        "07:50 harth-bend carolina-rig+drop-shot 65",
                        "09:15 split-point medium-crankbait 40",
                        "10:15 parson-brush flipping-jig 25",
                        "11:00 sill-ledge drop-shot 50",
                        "12:10 dam-riprap medium-crankbait 30",
                        "12:55 pale-hump drop-shot 45",
                        "14:00 drowned-copse drop-shot 40")));
        List<ForecastPeriod> forecast = List.of(
                new ForecastPeriod(
                        at("2027-06-05T00:00"), at("2027-06-05T10:00"), 2.0, 225.0, Sky.PARTLY, 19.8, 1.5, false),
                new ForecastPeriod(
                        at("2027-06-05T10:00"), at("2027-06-05T13:00"), 5.0, 270.0, Sky.CLOUDY, 20.2, 1.4, false),
                new ForecastPeriod(
                        at("2027-06-05T13:00"), at("2027-06-05T20:00"), 9.0, 315.0, Sky.CLOUDY, 20.0, 1.2, false),
                new ForecastPeriod(
                        at("2027-06-06T00:00"), at("2027-06-06T11:00"), 4.0, 300.0, Sky.RAIN, 19.2, 1.1, false),
                new ForecastPeriod(
                        at("2027-06-06T11:00"), at("2027-06-06T20:00"), 3.0, 250.0, Sky.PARTLY, 19.6, 1.1, null));
        Plan plan = new Plan(
                1,
                "Grass, brush, ledges",
                List.of(
                        stop("harth-grass", "walking-topwater", "06:10", "07:00"),
                                stop("harth-grass", "swim-jig", "07:00", "08:00"),
                        stop("parson-brush", "flipping-jig", "08:10", "08:45"),
                                stop("pale-hump", "drop-shot", "08:55", "10:15"),
                        stop("sill-ledge", "carolina-rig", "10:25", "12:40"),
                                stop("harth-bend", "carolina-rig", "12:50", "14:30")));
        List<Entry> log = new DemoDay(event, new DemoWorld("the first day"), "a")
                .until(at("2027-06-05T09:40"))
                .fished(plan.stops())
                .log();
        return EventData.builder(event, new Boat(20, 12, 4, 8.5, 13.4, null, null, Map.of()))
                .lake(new DemoLake(DemoWorld.spots()).lake())
                .spots(DemoWorld.spots())
                .presentations(DemoWorld.PRESENTATIONS)
                .stops(stops)
                .forecast(forecast)
                .plans(List.of(plan))
                .competition(log)
                .build();
    }

    static LocalDate day(String date) {
        return LocalDate.parse(date);
    }

    private static PlanStop stop(String spot, String presentation, String arrive, String leave) {
        return plan("2027-06-05", spot, presentation, arrive, leave);
    }

    static PlanStop plan(String date, String spot, String presentation, String arrive, String leave) {
        return new PlanStop(spot, presentation, at(date + "T" + arrive), at(date + "T" + leave));
    }

    static double grams(String typed) {
        try {
            return lochan.core.quantity.QuantityText.grams(typed, Units.USUAL);
        } catch (lochan.core.quantity.BadQuantityException e) {
            throw new IllegalArgumentException(e);
        }
    }

    public static void main(String[] arguments) throws IOException {
        Path folder = Files.createDirectories(Path.of(arguments[0]));
        write(twoArmsOpen(), folder.resolve("two-arms-open.event.json"));
        for (Map.Entry<String, EventData> finished : DemoSeasons.events().entrySet()) {
            write(finished.getValue(), folder.resolve(finished.getKey() + ".event.json"));
        }
        Files.writeString(folder.resolve("velmarrow.asc"), depths());
    }

    /** The depths of the lake as an Esri ASCII grid. */
    static String depths() {
        return new DemoLake(DemoWorld.spots()).ascii();
    }

    private static void write(EventData event, Path file) throws IOException {
        try (OutputStream out = Files.newOutputStream(file)) {
            EventFileWriter.write(new EventFile(event, Map.of()), out);
        }
    }
}
