package lochan.bench;

import lochan.core.lake.SpotBuilder;
import lochan.core.practice.PracticeStopBuilder;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.event.Boat;
import lochan.core.event.Event;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Format;
import lochan.core.event.Gear;
import lochan.core.event.Penalties;
import lochan.core.event.Position;
import lochan.core.event.Rules;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Bite;
import lochan.core.practice.Conditions;
import lochan.core.practice.FishSize;
import lochan.core.practice.Hooks;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.practice.PresentationTime;
import lochan.core.lake.Spot;
import lochan.core.lake.Stock;
import lochan.core.lake.Zone;

/** Invented events, the same for the same seed: spots drawn over a square, practised over four days at rates drawn for each pattern and spot. */
final class BenchEvents {

    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    private static final LocalDate DAY = LocalDate.of(2027, 6, 5);
    private static final Position LAUNCH = new Position(42.6, -116.9);
    private static final String[] CLASSES = {"grass-edge", "dock", "rock-point", "brush", "channel-ledge"};
    private static final Zone[] ZONES = {Zone.SHALLOW, Zone.SHALLOW, Zone.MID, Zone.MID, Zone.DEEP};
    private static final int PRACTICE_DAYS = 4;
    private static final int STOPS_A_DAY = 14;
    private static final double MEAN_RATE = 1.1;

    private BenchEvents() { }

    /**
     * An event of one day.
     *
     * @param side of the square, m
     */
    static EventData of(int spots, int presentations, Duration length, double side, long seed) {
        Random random = new Random(seed);
        List<Spot> marked = IntStream.range(0, spots).mapToObj(i -> spot(i, side, random)).toList();
        List<Presentation> fished = IntStream.range(0, presentations)
                .mapToObj(i -> new Presentation("p" + i, "Presentation " + i, i % 3 == 0 ? Hooks.TREBLE : Hooks.SINGLE)).toList();
        double[][] rates = new double[spots][presentations];
        double[][] patterns = new double[CLASSES.length][presentations];
        for (double[] row : patterns) {
            java.util.Arrays.setAll(row, i -> MEAN_RATE * Math.exp(0.6 * random.nextGaussian()));
        }
        for (int s = 0; s < spots; s++) {
            double own = Math.exp(0.5 * random.nextGaussian());
            for (int p = 0; p < presentations; p++) {
                rates[s][p] = patterns[s % CLASSES.length][p] * own;
            }
        }
        List<PracticeStop> stops = new ArrayList<>();
        for (int day = 0; day < PRACTICE_DAYS; day++) {
            for (int i = 0; i < STOPS_A_DAY; i++) {
                stops.add(stop(day, i, random.nextInt(spots), random.nextInt(presentations), rates, random));
            }
        }
        Instant start = at(DAY, 6 * 60);
        Event event = new Event("Bench Open", ZONE, 1, List.of(DAY.minusDays(1)), List.of(new CompetitionDay(DAY, start, start.plus(length))),
                new Event.Ramp(LAUNCH, LAUNCH), new Rules(Format.LIMIT_WEIGHT, 5, 6000.0, null, List.of(new SpeciesRule(Species.LARGEMOUTH, 355.6, null)),
                new Penalties(113.4, 453.6, 15.0, 453.6), Gear.FREE), Map.of());
        return EventData.builder(event, Boat.USUAL).spots(marked).presentations(fished).stops(stops).build();
    }

    private static Spot spot(int i, double side, Random random) {
        double north = (random.nextDouble() - 0.5) * side;
        double east = (random.nextDouble() - 0.5) * side;
        Position place = new Position(LAUNCH.lat() + north / Position.METRES_PER_DEGREE, LAUNCH.lon() + east / Position.metresPerDegreeEast(LAUNCH.lat()));
        Stock stock = Stock.values()[random.nextInt(Stock.values().length)];
        return SpotBuilder.builder().id("s" + i).name("Spot " + i).position(place).radiusM(60).spotType(CLASSES[i % CLASSES.length]).zone(ZONES[i % CLASSES.length]).crowdRisk(0.3 * random.nextDouble()).stock(stock).entered(Map.of()).build();
    }

    private static PracticeStop stop(int day, int number, int spot, int presentation, double[][] rates, Random random) {
        LocalDate date = DAY.minusDays(PRACTICE_DAYS - day);
        Instant from = at(date, 6 * 60 + 40 * number);
        List<Bite> bites = new ArrayList<>();
        double time = -Math.log(1 - random.nextDouble()) / rates[spot][presentation];
        while (time < 0.5) {
            Outcome outcome = random.nextDouble() < 0.75 ? Outcome.LANDED : Outcome.MISSED;
            FishSize size = outcome == Outcome.LANDED && random.nextBoolean() ? FishSize.scale(Math.exp(Math.log(900) + 0.42 * random.nextGaussian())) : null;
            bites.add(new Bite(from.plusMillis((long) (time * 3_600_000)), outcome, null, Species.LARGEMOUTH, size));
            time -= Math.log(1 - random.nextDouble()) / rates[spot][presentation];
        }
        return PracticeStopBuilder.builder().id("d" + day + "-" + number).spotId("s" + spot).start(from).end(from.plus(Duration.ofMinutes(30))).anglers(1).presentations(List.of(new PresentationTime("p" + presentation, null))).follows(0).bites(bites).conditions(Conditions.UNKNOWN).build();
    }

    private static Instant at(LocalDate date, int minute) {
        return date.atTime(LocalTime.MIN).plusMinutes(minute).atZone(ZONE).toInstant();
    }
}
