package lochan.web.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.event.Species;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;
import lochan.core.model.size.StandardWeight;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;

/**
 * The invented world of the demo: what really lives where, whatever its angler finds of it. Spots differ as gamma draws do, days differ as
 * {@code docs/model.md} §5 has it, and sizes scatter about what lives at a kind of place. Everything is drawn from seeds.
 */
final class DemoWorld {

    static final ZoneId ZONE = ZoneId.of("America/Boise");
    static final Position LAUNCH = new Position(42.6120, -116.9030);
    static final double OUNCE = 28.349523125;
    private static final long SEED = 20270618;
    private static final double SUNRISE_HOUR = 5.1;
    /** By what the rates below differ less, and are what they are on a normal, hard water. */
    private static final double RATE_POWER = 0.5;

    private static final double RATE = 2.3;
    private static final double SIZE = -0.45;

    /** Few spots hold most of the fish. */
    private static final double UNEVEN = 2;

    private static final double LEAST_OF_A_SPOT = 0.02;
    private static final double MOST_OF_A_SPOT = 2.2;
    private static final double DAY_SD = 0.5;
    private static final double SIZE_SD = 0.4;

    /** What really lives where: bites per hour in the best light at a usual spot, mean ln grams, best hours after sunrise. */
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
        return SpotBuilder.builder()
                .id(id)
                .name(name)
                .position(at)
                .radiusM(60)
                .spotType(spotType)
                .zone(zone)
                .depthMinM(min)
                .depthMaxM(max)
                .crowdRisk(crowd)
                .stock(stock)
                .entered(Map.of())
                .build();
    }

    private static double round(double degrees) {
        return Math.round(degrees * 1e5) / 1e5;
    }

    /** North and east in km from the launch; the Harth arm runs north-west, the Sill arm north-east. */
    static List<Spot> spots() {
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

    /** What a spot holds of what such spots hold; these are known to be what they are, the others are drawn. */
    private static final Map<String, Double> KNOWN = Map.of(
            "harth-grass",
            0.8,
            "parson-brush",
            1.0,
            "pale-hump",
            0.7,
            "sill-ledge",
            0.9,
            "harth-bend",
            0.7,
            "kestle-docks",
            1.2);

    private final RandomGenerator random;

    /** @param event whose days are drawn, so that one event's draws are not another's */
    DemoWorld(String event) {
        random = drawn(event);
    }

    static Spot spotOf(String id) {
        return spots().stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    static Instant at(LocalDate date, LocalTime time) {
        return date.atTime(time).atZone(ZONE).toInstant();
    }

    /**
     * A fish that bit.
     *
     * @param grams what it really weighs
     */
    record Bitten(Instant at, Outcome outcome, Species species, double grams) {

        double mm() {
            Assumptions.Size size = Assumptions.DEFAULTS.size();
            double low = 100;
            double high = 800;
            while (high - low > 0.1) {
                double middle = (low + high) / 2;
                if (StandardWeight.grams(species, middle, size) < grams) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return low;
        }
    }

    /** What bites in a stretch of fishing, in its order. */
    List<Bitten> bites(Spot spot, String presentation, Instant from, Duration fished) {
        Truth truth = TRUTHS.getOrDefault(spot.spotType() + "/" + presentation, new Truth(1.5, 6.5, 3, 6));
        LocalDate date = from.atZone(ZONE).toLocalDate();
        double hours = fished.toSeconds() / 3600.0;
        double middle = from.atZone(ZONE).toLocalTime().toSecondOfDay() / 3600.0 + hours / 2 - SUNRISE_HOUR;
        double z = (middle - truth.bestHour()) / truth.spreadHours();
        double expected = RATE
                * Math.pow(truth.rate(), RATE_POWER)
                * holds(spot)
                * day(date, spot, presentation)
                * Math.exp(-z * z / 2)
                * hours;
        List<Bitten> bites = new ArrayList<>();
        for (int i = poisson(expected); i > 0; i--) {
            Instant at = from.plusSeconds((long) (random.nextDouble() * fished.toSeconds()));
            Species species = species(spot);
            double grams = Math.exp(
                    truth.lnGrams() + SIZE - (species == Species.SPOTTED ? 0.25 : 0) + SIZE_SD * random.nextGaussian());
            bites.add(new Bitten(at, outcome(presentation), species, grams));
        }
        bites.sort(Comparator.comparing(Bitten::at));
        return bites;
    }

    private static double holds(Spot spot) {
        double drawn = Math.pow(-Math.log(1 - drawn(spot.id()).nextDouble()), UNEVEN);
        return KNOWN.getOrDefault(spot.id(), Math.clamp(drawn, LEAST_OF_A_SPOT, MOST_OF_A_SPOT));
    }

    /** By how much a day differs: all of it, a zone, a pattern. */
    private static double day(LocalDate date, Spot spot, String presentation) {
        double ln = Math.sqrt(0.25) * normal(date, "day")
                + Math.sqrt(0.25) * normal(date, spot.zone())
                + Math.sqrt(0.5) * normal(date, spot.spotType() + presentation);
        return Math.exp(DAY_SD * ln - DAY_SD * DAY_SD / 2);
    }

    private static double normal(LocalDate date, Object what) {
        return drawn(date + what.toString()).nextGaussian();
    }

    /** Seeds values that must be the same each time they are asked for. */
    private static RandomGenerator drawn(String what) {
        return new SplittableRandom(SEED * 1_000_003 + what.hashCode());
    }

    private Outcome outcome(String presentation) {
        double lost = presentation.equals("walking-topwater") || presentation.equals("medium-crankbait") ? 0.2 : 0.12;
        double u = random.nextDouble();
        return u < lost ? Outcome.LOST : u < lost + 0.12 ? Outcome.MISSED : Outcome.LANDED;
    }

    private Species species(Spot spot) {
        double rocky = spot.zone() == Zone.SHALLOW ? 0.1 : 0.4;
        double v = random.nextDouble();
        return v < rocky ? Species.SMALLMOUTH : v < rocky + 0.12 ? Species.SPOTTED : Species.LARGEMOUTH;
    }

    private int poisson(double mean) {
        double limit = Math.exp(-mean);
        int n = -1;
        for (double p = 1; p > limit; p *= random.nextDouble()) {
            n++;
        }
        return Math.max(0, n);
    }

    /** A day of practice, each stop "start spot presentation[+presentation] minutes". */
    List<PracticeStop> practice(String date, Conditions conditions, List<String> stops) {
        return stops.stream()
                .map(line -> stop(LocalDate.parse(date), conditions, line.split(" ")))
                .toList();
    }

    private PracticeStop stop(LocalDate date, Conditions conditions, String[] part) {
        Spot spot = spotOf(part[1]);
        Instant from = at(date, LocalTime.parse(part[0]));
        Duration fished = Duration.ofMinutes(Integer.parseInt(part[3]));
        String[] presentations = part[2].split("\\+");
        Duration each = fished.dividedBy(presentations.length);
        List<Bite> bites = new ArrayList<>();
        List<PresentationTime> times = new ArrayList<>();
        for (int i = 0; i < presentations.length; i++) {
            for (Bitten bitten : bites(spot, presentations[i], from.plus(each.multipliedBy(i)), each)) {
                bites.add(logged(bitten, spot, presentations[i]));
            }
            boolean timed = presentations.length > 1 && i == 0 && random.nextBoolean();
            times.add(new PresentationTime(presentations[i], timed ? (double) each.toMinutes() : null));
        }
        return PracticeStopBuilder.builder()
                .id("stop-" + date.toString().substring(5) + "-" + part[0].replace(":", ""))
                .spotId(spot.id())
                .start(from)
                .end(from.plus(fished))
                .anglers(1)
                .presentations(times)
                .follows(random.nextInt(3) == 0 ? 1 + random.nextInt(2) : 0)
                .bites(bites)
                .conditions(new Conditions(
                        random.nextInt(5) == 0 ? null : conditions.waterTempC(),
                        conditions.visibilityM(),
                        conditions.windMps(),
                        conditions.sky(),
                        random.nextInt(4) == 0 ? Integer.valueOf(1 + random.nextInt(4)) : null))
                .build();
    }

    /** As the angler logs it: shaken off where the fish are to be saved, sometimes without its time, of mixed sizes. */
    private Bite logged(Bitten bitten, Spot spot, String presentation) {
        boolean saved = spot.id().equals("kestle-docks") || random.nextInt(8) == 0;
        Instant at = random.nextInt(8) == 0 ? null : bitten.at();
        if (bitten.outcome() != Outcome.LANDED || saved) {
            return new Bite(
                    at,
                    bitten.outcome() == Outcome.LANDED ? Outcome.SHAKEN : bitten.outcome(),
                    presentation,
                    null,
                    null);
        }
        return new Bite(at, Outcome.LANDED, presentation, at == null ? null : bitten.species(), size(bitten));
    }

    private FishSize size(Bitten bitten) {
        double grams = bitten.grams();
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
            double inches = quarterInches(bitten);
            return FishSize.length(inches * 25.4).typed(inches + " in");
        }
        return null;
    }

    static double quarterInches(Bitten bitten) {
        return Math.round(4 * bitten.mm() / 25.4) / 4.0;
    }

    /** Rounded to the ounce, as the scale says it. */
    static double ounces(double grams) {
        return Math.max(1, Math.round(grams / OUNCE)) * OUNCE;
    }

    static String typed(double grams) {
        long ounces = Math.max(1, Math.round(grams / OUNCE));
        return ounces / 16 + "-" + ounces % 16;
    }

    double chance() {
        return random.nextDouble();
    }

    double gaussian() {
        return random.nextGaussian();
    }
}
