package lochan.web.demo;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import lochan.core.competition.Entry;
import lochan.core.event.Boat;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Sky;
import lochan.core.quantity.Units;
import lochan.eventformat.EventFile;
import lochan.eventformat.EventFileWriter;

/**
 * Makes the numbers of the demo's event files. Lake, towns, spots and events are invented; the coordinates lie in empty country.
 * {@code main} writes the files into the folder given.
 */
public final class DemoEvents {

    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    static final Position LAUNCH = new Position(42.6120, -116.9030);
    private static final double OUNCE = 28.349523125;
    private static final long SEED = 20270605;

    private final Random random = new Random(SEED);

    /** What really lives where: bites per hour in the best light, mean ln grams, best hours after sunrise. */
    private record Truth(double rate, double lnGrams, double bestHour, double spreadHours) {}

    private static final Map<String, Truth> TRUTHS = new HashMap<>();

    static {
        truth("grass-edge", "swim-jig", 9.5, 6.75, 1, 4);
        truth("grass-edge", "walking-topwater", 10.5, 6.95, 0, 1.6);
        truth("grass-edge", "stick-worm", 7, 6.5, 3, 6);
        truth("dock-row", "stick-worm", 12, 6.45, 4, 5);
        truth("dock-row", "flipping-jig", 6, 6.85, 5, 5);
        truth("laydown", "flipping-jig", 9, 6.8, 3, 5);
        truth("laydown", "stick-worm", 7, 6.45, 3, 5);
        truth("rock-point", "medium-crankbait", 8, 6.7, 2, 4);
        truth("rock-point", "shaky-head", 7, 6.55, 5, 6);
        truth("riprap", "medium-crankbait", 6, 6.6, 1, 4);
        truth("bluff", "shaky-head", 3, 6.5, 5, 6);
        truth("channel-ledge", "carolina-rig", 6, 7.25, 6, 4);
        truth("channel-ledge", "drop-shot", 6.5, 6.85, 7, 5);
        truth("hump", "drop-shot", 7.5, 6.9, 6, 4);
        truth("hump", "carolina-rig", 4, 7.1, 6, 4);
        truth("standing-timber", "drop-shot", 2, 6.7, 6, 5);
        truth("brush-pile", "flipping-jig", 7, 7.0, 5, 5);
    }

    private static void truth(
            String spotType, String presentation, double rate, double lnGrams, double bestHour, double spread) {
        TRUTHS.put(spotType + "/" + presentation, new Truth(rate, lnGrams, bestHour, spread));
    }

    static final List<Presentation> PRESENTATIONS = Presentation.COMMON.stream()
            .filter(p -> List.of(
                            "walking-topwater",
                            "swim-jig",
                            "medium-crankbait",
                            "flipping-jig",
                            "carolina-rig",
                            "shaky-head",
                            "drop-shot",
                            "stick-worm")
                    .contains(p.id()))
            .toList();

    private static Spot spot(
            String id,
            String name,
            double north,
            double east,
            String spotType,
            Zone zone,
            double min,
            double max,
            double crowd,
            Stock stock) {
        Position at = new Position(round(LAUNCH.lat() + north / 111.0), round(LAUNCH.lon() + east / 81.8));
        return new Spot(id, name, at, 60, spotType, zone, min, max, crowd, stock, Map.of());
    }

    private static double round(double degrees) {
        return Math.round(degrees * 1e5) / 1e5;
    }

    /** North and east in km from the launch; the Harth arm runs north-west, the Sill arm north-east. */
    private static List<Spot> spots() {
        return List.of(
                spot("harth-grass", "Harth Grass", 2.1, -1.4, "grass-edge", Zone.SHALLOW, 0.6, 2.4, 0.2, Stock.GENERAL),
                spot("long-meadow", "Long Meadow", 3.6, -2.6, "grass-edge", Zone.SHALLOW, 0.9, 2.7, 0.1, Stock.GENERAL),
                spot("sill-grass", "Sill Grass", 2.4, 2.2, "grass-edge", Zone.SHALLOW, 0.6, 2.1, 0.3, Stock.GENERAL),
                spot("wend-weeds", "Wend Weeds", 5.2, -3.9, "grass-edge", Zone.SHALLOW, 0.9, 2.4, 0.0, Stock.GENERAL),
                spot("kestle-docks", "Kestle Docks", 0.9, 0.8, "dock-row", Zone.SHALLOW, 0.9, 3.0, 0.3, Stock.GENERAL),
                spot("ferry-docks", "Ferry Docks", 0.3, -0.6, "dock-row", Zone.SHALLOW, 0.9, 3.4, 0.7, Stock.GENERAL),
                spot(
                        "old-boathouse",
                        "Old Boathouse",
                        4.1,
                        3.1,
                        "dock-row",
                        Zone.SHALLOW,
                        0.6,
                        2.4,
                        0.0,
                        Stock.GENERAL),
                spot("fallen-alder", "Fallen Alder", 2.9, -1.9, "laydown", Zone.SHALLOW, 0.6, 2.1, 0.1, Stock.SINGLE),
                spot("three-trunks", "Three Trunks", 4.4, 2.6, "laydown", Zone.SHALLOW, 0.6, 2.4, 0.0, Stock.SINGLE),
                spot("grey-snag", "Grey Snag", 6.0, -4.4, "laydown", Zone.SHALLOW, 0.9, 2.4, 0.0, Stock.SINGLE),
                spot("maudlin-point", "Maudlin Point", 1.6, 0.2, "rock-point", Zone.MID, 2.1, 5.5, 0.4, Stock.GENERAL),
                spot("split-point", "Split Point", 3.2, 1.1, "rock-point", Zone.MID, 2.4, 5.2, 0.1, Stock.GENERAL),
                spot("hound-point", "Hound Point", 5.6, 3.7, "rock-point", Zone.MID, 2.1, 5.8, 0.0, Stock.GENERAL),
                spot("dam-riprap", "Dam Riprap", -0.9, 0.5, "riprap", Zone.MID, 1.2, 4.3, 0.2, Stock.GENERAL),
                spot("causeway", "Causeway", 3.9, -3.2, "riprap", Zone.MID, 1.2, 3.7, 0.1, Stock.GENERAL),
                spot("cold-wall", "Cold Wall", 2.7, 0.4, "bluff", Zone.MID, 3.0, 9.0, 0.0, Stock.GENERAL),
                spot("raven-wall", "Raven Wall", 5.0, 2.9, "bluff", Zone.MID, 3.0, 8.0, 0.0, Stock.GENERAL),
                spot("sill-ledge", "Sill Ledge", 1.9, 1.6, "channel-ledge", Zone.DEEP, 5.5, 8.5, 0.3, Stock.SCHOOL),
                spot("harth-bend", "Harth Bend", 3.1, -2.1, "channel-ledge", Zone.DEEP, 5.8, 9.0, 0.1, Stock.SCHOOL),
                spot("mill-ledge", "Mill Ledge", 4.8, 3.3, "channel-ledge", Zone.DEEP, 5.5, 8.0, 0.0, Stock.SCHOOL),
                spot("pale-hump", "Pale Hump", 1.2, -0.3, "hump", Zone.DEEP, 5.0, 8.0, 0.3, Stock.SCHOOL),
                spot("lost-hump", "Lost Hump", 3.5, 0.7, "hump", Zone.DEEP, 5.5, 8.5, 0.0, Stock.SCHOOL),
                spot(
                        "drowned-copse",
                        "Drowned Copse",
                        4.6,
                        -3.4,
                        "standing-timber",
                        Zone.DEEP,
                        5.5,
                        10.0,
                        0.0,
                        Stock.GENERAL),
                spot("parson-brush", "Parson's Brush", 2.0, -0.8, "brush-pile", Zone.MID, 3.7, 4.9, 0.1, Stock.SINGLE));
    }

    private static Instant at(String local) {
        return LocalDateTime.parse(local).atZone(ZONE).toInstant();
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
                ZONE,
                1,
                List.of(day("2027-06-01"), day("2027-06-02"), day("2027-06-03"), day("2027-06-04")),
                List.of(
                        new CompetitionDay(day("2027-06-05"), at("2027-06-05T06:00"), at("2027-06-05T15:00")),
                        new CompetitionDay(day("2027-06-06"), at("2027-06-06T06:00"), at("2027-06-06T14:00"))),
                new Event.Ramp(LAUNCH, LAUNCH),
                new Rules(
                        Format.LIMIT_WEIGHT,
                        5,
                        grams("18-0"),
                        5.0,
                        species,
                        new Penalties(grams("0-4"), grams("1-0"), 15.0, grams("1-0")),
                        new Gear(3, List.of("umbrella-rig"))),
                Map.of(
                        "targetGrams",
                        "18-0",
                        "penalties/deadFishGrams",
                        "0-4",
                        "penalties/shortFishGrams",
                        "1-0",
                        "penalties/lateGramsPerMinute",
                        "1-0"));
        List<PracticeStop> stops = new ArrayList<>();
        fish(
                stops,
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
                        "14:40 cold-wall shaky-head 40"));
        fish(
                stops,
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
                        "14:15 raven-wall shaky-head 45"));
        fish(
                stops,
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
                        "14:25 maudlin-point shaky-head 40"));
        fish(
                stops,
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
                        "14:00 drowned-copse drop-shot 40"));
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
        List<Entry> log = List.of(
                new Entry.Fishing("w1", on("06:12"), "harth-grass", "walking-topwater"),
                caught("a1", "06:24", Species.LARGEMOUTH, "2-3", null, "harth-grass", "walking-topwater"),
                caught("a2", "06:41", Species.LARGEMOUTH, null, "13 1/2", "harth-grass", "walking-topwater"),
                caught("a3", "06:58", Species.LARGEMOUTH, "1-11", null, "harth-grass", "walking-topwater"),
                new Entry.Fishing("w2", on("07:02"), "harth-grass", "swim-jig"),
                caught("a4", "07:22", Species.SMALLMOUTH, "2-9", null, "harth-grass", "swim-jig"),
                caught("a5", "07:49", Species.LARGEMOUTH, "1-9", "14 1/4", "harth-grass", "swim-jig"),
                new Entry.Fishing("w3", on("08:11"), "parson-brush", "flipping-jig"),
                caught("a6", "08:28", Species.LARGEMOUTH, "3-14", null, "parson-brush", "flipping-jig"),
                new Entry.Fishing("w4", on("08:56"), "pale-hump", "drop-shot"),
                new Entry.Bite("a7", on("09:05"), "pale-hump", "drop-shot", Outcome.LOST),
                caught("a8", "09:12", Species.SPOTTED, "1-7", null, "pale-hump", "drop-shot"),
                caught("a9", "09:31", Species.SMALLMOUTH, "2-6", null, "pale-hump", "drop-shot"));
        return EventData.builder(event, new Boat(20, 12, 4, 8.5, null, null, Map.of()))
                .lake(new DemoLake(spots()).lake())
                .spots(spots())
                .presentations(PRESENTATIONS)
                .stops(stops)
                .forecast(forecast)
                .plans(List.of(plan))
                .competition(log)
                .build();
    }

    static EventData aprilShakedown() {
        return new DemoEvents().shakedown();
    }

    private EventData shakedown() {
        List<SpeciesRule> species = List.of(
                new SpeciesRule(Species.LARGEMOUTH, 355.6, null), new SpeciesRule(Species.SMALLMOUTH, 355.6, null));
        Event event = new Event(
                "April Shakedown, Velmarrow Reservoir",
                ZONE,
                1,
                List.of(day("2027-04-22"), day("2027-04-23")),
                List.of(new CompetitionDay(day("2027-04-24"), at("2027-04-24T07:00"), at("2027-04-24T15:00"))),
                new Event.Ramp(LAUNCH, LAUNCH),
                new Rules(
                        Format.LIMIT_WEIGHT,
                        5,
                        grams("12-0"),
                        5.0,
                        species,
                        new Penalties(grams("0-4"), grams("1-0"), 15.0, null),
                        new Gear(null, List.of())),
                Map.of());
        List<PracticeStop> stops = new ArrayList<>();
        fish(
                stops,
                "2027-04-22",
                new Conditions(12.5, 0.8, 5.0, Sky.CLOUDY, null),
                List.of(
                        "07:30 maudlin-point medium-crankbait 60",
                        "08:50 dam-riprap medium-crankbait 45",
                        "10:00 cold-wall shaky-head 50",
                        "11:20 sill-ledge carolina-rig 60"));
        fish(
                stops,
                "2027-04-23",
                new Conditions(12.9, 0.9, 3.0, Sky.PARTLY, null),
                List.of(
                        "07:20 split-point shaky-head 60",
                        "08:40 dam-riprap medium-crankbait 50",
                        "10:00 sill-ledge carolina-rig+drop-shot 80",
                        "12:00 fallen-alder flipping-jig 30"));
        Plan plan = new Plan(
                1,
                "Points first",
                List.of(
                        plan("2027-04-24", "maudlin-point", "medium-crankbait", "07:15", "08:45"),
                        plan("2027-04-24", "dam-riprap", "medium-crankbait", "09:00", "10:15"),
                        plan("2027-04-24", "sill-ledge", "carolina-rig", "10:35", "14:20")));
        String date = "2027-04-24T";
        List<Entry> log = new ArrayList<>();
        log.add(fishing("w1", date + "07:16", "maudlin-point", "medium-crankbait"));
        for (String[] f : new String[][] {{"b1", "07:26", "1-12"}, {"b2", "07:51", "2-1"}, {"b3", "08:33", "1-10"}}) {
            log.add(caught(f[0], at(date + f[1]), Species.LARGEMOUTH, f[2], null, "maudlin-point", "medium-crankbait"));
        }
        log.add(fishing("w2", date + "08:50", "dam-riprap", "medium-crankbait"));
        for (String[] f : new String[][] {{"b4", "09:20", "1-14"}, {"b5", "09:58", "2-4"}}) {
            log.add(caught(f[0], at(date + f[1]), Species.LARGEMOUTH, f[2], null, "dam-riprap", "medium-crankbait"));
        }
        log.add(fishing("w3", date + "10:33", "sill-ledge", "carolina-rig"));
        log.add(caught("b6", at(date + "10:51"), Species.LARGEMOUTH, "2-15", null, "sill-ledge", "carolina-rig"));
        log.add(caught("b7", at(date + "11:14"), Species.LARGEMOUTH, "1-8", null, "sill-ledge", "carolina-rig"));
        log.add(new Entry.Correct("b8", at(date + "11:20"), "b6", grams("2-13"), null, "2-13"));
        log.add(caught("b9", at(date + "11:47"), Species.SMALLMOUTH, "1-12", null, "sill-ledge", "carolina-rig"));
        log.add(new Entry.Balance("b10", at(date + "11:49"), "b9", "b1"));
        log.add(new Entry.Bite("b11", at(date + "12:05"), "sill-ledge", "carolina-rig", Outcome.MISSED));
        log.add(caught("b12", at(date + "12:30"), Species.LARGEMOUTH, "4-3", null, "sill-ledge", "carolina-rig"));
        log.add(new Entry.Died("b13", at(date + "13:05"), "b2"));
        log.add(caught("b14", at(date + "13:22"), Species.LARGEMOUTH, "2-8", null, "sill-ledge", "carolina-rig"));
        log.add(fishing("w4", date + "13:35", "sill-ledge", "drop-shot"));
        log.add(caught("b15", at(date + "13:50"), Species.LARGEMOUTH, "5-0", null, "sill-ledge", "drop-shot"));
        log.add(new Entry.Void("b16", at(date + "13:51"), "b15"));
        log.add(caught("b17", at(date + "13:52"), Species.LARGEMOUTH, "2-2", null, "sill-ledge", "drop-shot"));
        log.add(fishing("w5", date + "14:21", null, null));
        log.add(new Entry.Official("b18", at(date + "15:40"), grams("13-8"), 1));
        List<Spot> spots = spots().stream()
                .filter(s -> List.of(
                                "maudlin-point",
                                "split-point",
                                "dam-riprap",
                                "cold-wall",
                                "sill-ledge",
                                "fallen-alder",
                                "pale-hump",
                                "raven-wall")
                        .contains(s.id()))
                .toList();
        return EventData.builder(event, new Boat(20, 12, 4, null, null))
                .spots(spots)
                .presentations(PRESENTATIONS)
                .stops(stops)
                .plans(List.of(plan))
                .competition(log)
                .build();
    }

    private static Entry fishing(String id, String time, String spot, String presentation) {
        return new Entry.Fishing(id, at(time), spot, presentation);
    }

    private static LocalDate day(String date) {
        return LocalDate.parse(date);
    }

    private static Instant on(String time) {
        return at("2027-06-05T" + time);
    }

    private static PlanStop stop(String spot, String presentation, String arrive, String leave) {
        return plan("2027-06-05", spot, presentation, arrive, leave);
    }

    private static PlanStop plan(String date, String spot, String presentation, String arrive, String leave) {
        return new PlanStop(spot, presentation, at(date + "T" + arrive), at(date + "T" + leave));
    }

    private static Entry caught(
            String id, String time, Species species, String weight, String length, String spot, String presentation) {
        return caught(id, on(time), species, weight, length, spot, presentation);
    }

    private static Entry caught(
            String id, Instant at, Species species, String weight, String length, String spot, String presentation) {
        Double mm = length == null ? null : inches(length);
        return new Entry.Catch(
                id,
                at,
                species,
                weight == null ? null : grams(weight),
                mm,
                spot,
                presentation,
                true,
                null,
                weight == null ? length : weight);
    }

    private static double inches(String typed) {
        try {
            return lochan.core.quantity.QuantityText.mm(typed, Units.USUAL);
        } catch (lochan.core.quantity.BadQuantityException e) {
            throw new IllegalArgumentException(e);
        }
    }

    private static double grams(String typed) {
        try {
            return lochan.core.quantity.QuantityText.grams(typed, Units.USUAL);
        } catch (lochan.core.quantity.BadQuantityException e) {
            throw new IllegalArgumentException(e);
        }
    }

    /** Fishes a day's stops, each "start spot presentation[+presentation] minutes". */
    private void fish(List<PracticeStop> stops, String date, Conditions conditions, List<String> day) {
        for (String line : day) {
            String[] part = line.split(" ");
            Spot spot = spots().stream()
                    .filter(s -> s.id().equals(part[1]))
                    .findFirst()
                    .orElseThrow();
            LocalTime start = LocalTime.parse(part[0]);
            int minutes = Integer.parseInt(part[3]);
            String[] presentations = part[2].split("\\+");
            List<Bite> bites = new ArrayList<>();
            for (String presentation : presentations) {
                bites(bites, spot, presentation, LocalDate.parse(date), start, minutes, presentations.length);
            }
            bites.sort(Comparator.comparing(b -> b.at() == null ? Instant.MAX : b.at()));
            List<PresentationTime> fished = new ArrayList<>();
            for (int i = 0; i < presentations.length; i++) {
                boolean timed = presentations.length > 1 && i == 0 && random.nextBoolean();
                fished.add(new PresentationTime(presentations[i], timed ? (double) (minutes / 10 * 5) : null));
            }
            Instant from = LocalDate.parse(date).atTime(start).atZone(ZONE).toInstant();
            Integer boats = random.nextInt(4) == 0 ? Integer.valueOf(1 + random.nextInt(4)) : null;
            stops.add(new PracticeStop(
                    "stop-" + date.substring(5) + "-" + part[0].replace(":", ""),
                    spot.id(),
                    from,
                    from.plusSeconds(60L * minutes),
                    1,
                    fished,
                    random.nextInt(3) == 0 ? 1 + random.nextInt(2) : 0,
                    bites,
                    new Conditions(
                            random.nextInt(5) == 0 ? null : conditions.waterTempC(),
                            conditions.visibilityM(),
                            conditions.windMps(),
                            conditions.sky(),
                            boats)));
        }
    }

    private void bites(
            List<Bite> bites,
            Spot spot,
            String presentation,
            LocalDate date,
            LocalTime start,
            int minutes,
            int shared) {
        Truth truth = TRUTHS.getOrDefault(spot.spotType() + "/" + presentation, new Truth(2, 6.5, 3, 6));
        double spotFactor = 0.6 + new Random(spot.id().hashCode()).nextDouble();
        double hours = (start.toSecondOfDay() + 30.0 * minutes) / 3600 - 5.1;
        double z = (hours - truth.bestHour()) / truth.spreadHours();
        double expected = truth.rate() * 1.35 * spotFactor * Math.exp(-z * z / 2) * minutes / 60.0 / shared;
        int count = poisson(expected);
        for (int i = 0; i < count; i++) {
            Instant at = random.nextInt(8) == 0
                    ? null
                    : date.atTime(start)
                            .plusSeconds(30 + random.nextInt(minutes * 60 - 60))
                            .atZone(ZONE)
                            .toInstant();
            bites.add(bite(at, spot, presentation, truth));
        }
    }

    private Bite bite(Instant at, Spot spot, String presentation, Truth truth) {
        boolean shy = spot.id().equals("kestle-docks");
        double u = random.nextDouble();
        Outcome outcome = shy
                ? u < 0.7 ? Outcome.SHAKEN : Outcome.MISSED
                : u < 0.62 ? Outcome.LANDED : u < 0.72 ? Outcome.LOST : u < 0.88 ? Outcome.MISSED : Outcome.SHAKEN;
        if (outcome != Outcome.LANDED) {
            return new Bite(at, outcome, presentation, null, null);
        }
        double rocky = spot.zone() == Zone.SHALLOW ? 0.1 : 0.4;
        double v = random.nextDouble();
        Species species = v < rocky ? Species.SMALLMOUTH : v < rocky + 0.12 ? Species.SPOTTED : Species.LARGEMOUTH;
        if (at != null && at.isBefore(at("2027-05-01T00:00")) && species == Species.SPOTTED) {
            species = Species.LARGEMOUTH;
        }
        double grams =
                Math.exp(truth.lnGrams() - (species == Species.SPOTTED ? 0.25 : 0) + 0.4 * random.nextGaussian());
        return new Bite(at, outcome, presentation, at == null ? null : species, size(grams));
    }

    private FishSize size(double grams) {
        double u = random.nextDouble();
        double guess = grams * Math.exp(0.08 + 0.15 * random.nextGaussian());
        if (u < 0.35) {
            FishSize scale = FishSize.scale(ounces(grams));
            Double before = random.nextInt(3) == 0 ? Double.valueOf(ounces(guess)) : null;
            return new FishSize(scale.how(), scale.grams(), null, null, null, before, typed(grams));
        }
        if (u < 0.6) {
            double half = Math.max(1, Math.round(2 * guess / OUNCE / 16)) / 2.0;
            return FishSize.guess(half * 16 * OUNCE).typed("about " + half);
        }
        if (u < 0.7) {
            long lo = Math.max(1, (long) Math.floor(guess / OUNCE / 16));
            return FishSize.range(lo * 16 * OUNCE, (lo + 1) * 16 * OUNCE).typed(lo + " to " + (lo + 1));
        }
        if (u < 0.82) {
            double inches =
                    Math.round(4 * Math.exp((Math.log(grams / 0.93) + 5.528 * Math.log(10)) / 3.273) / 25.4) / 4.0;
            return FishSize.length(inches * 25.4).typed(inches + " in");
        }
        return null;
    }

    private static double ounces(double grams) {
        return Math.max(1, Math.round(grams / OUNCE)) * OUNCE;
    }

    private static String typed(double grams) {
        long ounces = Math.max(1, Math.round(grams / OUNCE));
        return ounces / 16 + "-" + ounces % 16;
    }

    private int poisson(double mean) {
        double limit = Math.exp(-mean);
        int n = -1;
        for (double p = 1; p > limit; p *= random.nextDouble()) {
            n++;
        }
        return Math.max(0, n);
    }

    public static void main(String[] arguments) throws IOException {
        Path folder = Files.createDirectories(Path.of(arguments[0]));
        write(twoArmsOpen(), folder.resolve("two-arms-open.event.json"));
        write(aprilShakedown(), folder.resolve("april-shakedown.event.json"));
        Files.writeString(folder.resolve("velmarrow.asc"), depths());
    }

    /** The depths of the lake as an Esri ASCII grid. */
    static String depths() {
        return new DemoLake(spots()).ascii();
    }

    private static void write(EventData event, Path file) throws IOException {
        try (OutputStream out = Files.newOutputStream(file)) {
            EventFileWriter.write(new EventFile(event, Map.of()), out);
        }
    }
}
