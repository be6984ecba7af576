package lochan.core.planning.search;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Boat;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Fetch;
import lochan.core.lake.Lake;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.lake.SpotBuilder;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.valuation.Strategy;
import lochan.core.practice.ForecastPeriod;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Plans on days of lightning and of wind beyond the boat, on a lake with an island, a long point and closed water. */
class StormPlansTest {

    private static final Assumptions.Planning PLANNING = Assumptions.DEFAULTS.planning();
    private static final int DAYS = 2000;
    /** Few: what a plan may do does not depend on how well it is chosen. */
    private static final int SCENARIOS = 8;

    private static final double LIMIT_MPS = 10;
    /** How far outlines of open water may be off, m: two of its cells. */
    private static final double OUTLINE_M = 120;

    private static final Lake LAKE = lake();
    private static final Map<Double, Runs> LEES = new HashMap<>();
    private static final Boat BOAT = new Boat(18, 8, 4, null, LIMIT_MPS, null, null, Map.of());
    private static final Runs CALM = Runs.of(LAKE, BOAT, PLANNING);
    private static final Runs ROUGH = Runs.of(LAKE, DayRuns.inRoughWater(BOAT), PLANNING);

    private static Position place(double kmEast, double kmNorth) {
        return new Position(
                Sample.LAUNCH.lat() + kmNorth / 111.2,
                Sample.LAUNCH.lon() + 1000 * kmEast / Position.metresPerDegreeEast(Sample.LAUNCH.lat()));
    }

    private static List<Position> box(double west, double south, double east, double north) {
        return List.of(place(west, south), place(east, south), place(east, north), place(west, north));
    }

    private static Lake lake() {
        List<Position> shore = List.of(
                place(-2, -3),
                place(3, -3),
                place(3, 0.9),
                place(0.6, 0.95),
                place(0.6, 1.05),
                place(3, 1.1),
                place(3, 5),
                place(-2, 5));
        Lake.Body closed = new Lake.Body(box(-1.5, 1.8, 0.4, 2.2), List.of());
        return new Lake(
                List.of(new Lake.Body(shore, List.of(box(0.8, -1.8, 1.6, -1.2)))),
                List.of(),
                List.of(new Lake.OffLimits("closed", List.of(closed))));
    }

    /** Spots of the sample, spread over the lake; which are shelters and where check-in is, the seed says. */
    private static EventData event(Random random) {
        EventData sample = Sample.practiced(5, random.nextInt(20));
        Position checkIn = random.nextBoolean() ? Sample.LAUNCH : place(2.5, -2.5);
        List<Position> places =
                List.of(place(2.6, 0.5), place(2.7, 1.5), place(-1, 4), place(-1.2, 1), place(1.2, -2.2));
        List<Spot> spots = IntStream.range(0, 5)
                .mapToObj(i -> SpotBuilder.builder(sample.spots().get(i))
                        .position(places.get(i))
                        .shelter(random.nextInt(4) == 0)
                        .build())
                .toList();
        Event event = sample.event();
        return EventData.builder(
                        new Event(
                                event.name(),
                                event.timeZone(),
                                event.anglers(),
                                event.practice(),
                                event.days(),
                                new Event.Ramp(Sample.LAUNCH, checkIn),
                                event.rules(),
                                event.entered()),
                        BOAT)
                .lake(LAKE)
                .spots(spots)
                .presentations(sample.presentations())
                .stops(sample.stops())
                .forecast(forecast(random))
                .build();
    }

    private static List<ForecastPeriod> forecast(Random random) {
        List<ForecastPeriod> hours = new ArrayList<>();
        double from = 22.5 * random.nextInt(16);
        int storm = random.nextInt(12);
        int storms = 1 + random.nextInt(3);
        int blow = random.nextInt(14);
        for (int h = 0; h < 10; h++) {
            Instant start = at("06-05T05:00").plus(Duration.ofHours(h));
            boolean lightning = (h >= storm && h < storm + storms) || random.nextInt(25) == 0;
            double wind = h >= blow && h < blow + 3 ? 11 : random.nextInt(9);
            hours.add(new ForecastPeriod(
                    start, start.plus(Duration.ofHours(1)), wind, from, null, null, null, lightning));
        }
        return hours;
    }

    private static DayRuns runs(EventData event) {
        return DayRuns.of(
                event,
                PLANNING,
                CALM,
                ROUGH,
                from -> LEES.computeIfAbsent(from, d -> DayRuns.inLee(LAKE, BOAT, d, PLANNING)));
    }

    private static List<PlanStop> planned(EventData event, DayRuns runs, Strategy strategy, long seed) {
        ScenarioSet set = new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), SCENARIOS, seed);
        return new DayPlanner(set, runs, DayPlanner.Wishes.of(strategy), seed).plan(1, i -> true);
    }

    /** As the test itself has lightning hours: those of the forecast, each with the half hour after. */
    private static List<Instant[]> lightning(EventData event) {
        return event.forecast().stream()
                .filter(f -> Boolean.TRUE.equals(f.lightning()))
                .map(f -> new Instant[] {f.from(), f.to().plus(Duration.ofMinutes(30))})
                .toList();
    }

    @Test
    @Tag("slow")
    void noPlanIsOnTheWaterInLightningOrRunsWhereTheBoatDoesNot() {
        Strategy[] strategies = Strategy.values();
        int stops = 0;
        int ashore = 0;
        for (int seed = 0; seed < DAYS; seed++) {
            Random random = new Random(seed);
            EventData event = event(random);
            DayRuns runs = runs(event);
            List<PlanStop> plan = planned(event, runs, strategies[seed % strategies.length], seed);
            stops += plan.size();
            List<PlanCheck.Leg> legs = PlanCheck.legs(event, new Plan(1, null, plan), PLANNING, runs);
            ashore += (int) legs.stream().filter(l -> !l.waits().isEmpty()).count();
            String day = "seed " + seed;
            if (!plan.isEmpty()) {
                assertThat(legs).as(day).allMatch(PlanCheck.Leg::fits);
            }
            for (PlanStop s : plan) {
                assertThat(lightning(event))
                        .as(day)
                        .noneMatch(l -> l[0].isBefore(s.leave()) && l[1].isAfter(s.arrive()));
            }
            for (PlanCheck.Leg leg : plan.isEmpty() ? List.<PlanCheck.Leg>of() : legs) {
                for (PlanCheck.Passage run : leg.runs()) {
                    checkRun(event, runs, run, day + " to " + run.to());
                }
            }
        }
        assertThat(stops).as("stops planned").isGreaterThan(5 * DAYS / 2);
        assertThat(ashore).as("waits ashore").isGreaterThan(DAYS / 4);
    }

    /** Under way outside of lightning, off closed water, and in more wind than the boat takes off water open to it. */
    private static void checkRun(EventData event, DayRuns runs, PlanCheck.Passage run, String as) {
        Duration time = runs.between(run.start(), run.end(), run.leaving())
                .orElseThrow()
                .time();
        Instant there = run.leaving().plus(time);
        if (time.isZero()) {
            return;
        }
        assertThat(lightning(event)).as(as).noneMatch(l -> l[0].isBefore(there) && l[1].isAfter(run.leaving()));
        List<Position> way = runs.route(run.start(), run.end(), run.leaving()).orElseThrow();
        List<ForecastPeriod> beyond = event.forecast().stream()
                .filter(f -> f.windMps() >= LIMIT_MPS && f.from().isBefore(there) && f.to().isAfter(run.leaving()))
                .toList();
        for (int i = 1; i < way.size(); i++) {
            for (double share = 0.02; share < 1; share += 0.04) {
                Position a = way.get(i - 1);
                Position b = way.get(i);
                Position p = new Position(a.lat() + share * (b.lat() - a.lat()), a.lon() + share * (b.lon() - a.lon()));
                assertThat(LAKE.offLimitsAt(p)).as(as).isEmpty();
                assertThat(beyond)
                        .as(as)
                        .noneMatch(f -> Fetch.isOver(LAKE, p, f.windFromDeg(), PLANNING.exposedFetchM() + OUTLINE_M)
                                && isWellInside(p, f.windFromDeg()));
            }
        }
    }

    /** Whether the places around are open to the wind too: outlines are those of cells. */
    private static boolean isWellInside(Position p, double fromDeg) {
        return IntStream.range(0, 8)
                .mapToObj(k -> new Position(
                        p.lat() + OUTLINE_M * Math.cos(k * Math.PI / 4) / Position.METRES_PER_DEGREE,
                        p.lon() + OUTLINE_M * Math.sin(k * Math.PI / 4) / Position.metresPerDegreeEast(p.lat())))
                .allMatch(q -> Fetch.isOver(LAKE, q, fromDeg, PLANNING.exposedFetchM()));
    }

    private static EventData withLightning(List<Spot> spots, String from, String to) {
        EventData sample = Sample.practiced(5, 3);
        return EventData.builder(sample.event(), Boat.USUAL)
                .spots(spots)
                .presentations(sample.presentations())
                .stops(sample.stops())
                .forecast(List.of(
                        new ForecastPeriod(at("06-05T" + from), at("06-05T" + to), null, null, null, null, null, true)))
                .build();
    }

    private static List<Spot> withShelter(String id) {
        return Sample.practiced(5, 3).spots().stream()
                .map(s -> SpotBuilder.builder(s).shelter(s.id().equals(id)).build())
                .toList();
    }

    @Test
    void theBoatWaitsAtTheShelterThatCostsLeastAndGoesOn() {
        EventData event = withLightning(withShelter("grass-3"), "09:00", "10:00");
        DayRuns runs = DayRuns.of(event, PLANNING);
        List<PlanStop> plan = new DayPlanner(
                        new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), 60, 1),
                        runs,
                        DayPlanner.Wishes.of(Strategy.BALANCED),
                        1)
                .plan(27, i -> true);

        assertThat(plan.getFirst().arrive()).isBefore(at("06-05T09:00"));
        assertThat(plan.getLast().leave()).as("it goes on").isAfter(at("06-05T14:00"));
        assertThat(PlanCheck.legs(event, new Plan(1, null, plan), PLANNING, runs))
                .flatExtracting(PlanCheck.Leg::waits)
                .singleElement()
                .satisfies(w -> {
                    assertThat(w.at().id()).isIn("launch", "grass-3");
                    assertThat(w.arrive()).isBeforeOrEqualTo(at("06-05T09:00"));
                    assertThat(w.until()).isEqualTo(at("06-05T10:30"));
                });
    }

    @Test
    void byHandTheStopAndTheRunSayWhatIsWrong() {
        EventData event = withLightning(withShelter("none"), "09:00", "10:00");
        DayRuns runs = DayRuns.of(event, PLANNING);
        PlanStop through = new PlanStop("grass-3", "walker", at("06-05T08:00"), at("06-05T09:30"));
        PlanStop late = new PlanStop("grass-3", "walker", at("06-05T08:00"), at("06-05T08:58"));
        PlanStop inTime = new PlanStop("grass-3", "walker", at("06-05T08:00"), at("06-05T08:50"));

        assertThat(PlanCheck.lightningAt(event, through, PLANNING)).isPresent();
        assertThat(PlanCheck.lightningAt(event, late, PLANNING)).isEmpty();
        assertThat(home(event, late, runs).inLightning())
                .as("4 km in 2 minutes")
                .isTrue();
        assertThat(home(event, inTime, runs).fits()).isTrue();
        assertThat(home(event, inTime, runs).waits())
                .as("check-in is where it waits")
                .isEmpty();
        PlanStop within = through.during(at("06-05T09:10"), at("06-05T09:40"));
        assertThat(PlanCheck.lightningAt(event, within, PLANNING)).isPresent();
        assertThat(PlanCheck.legs(event, new Plan(1, null, List.of(within)), PLANNING, runs))
                .as("told of the stop alone")
                .allMatch(PlanCheck.Leg::fits);
    }

    private static PlanCheck.Leg home(EventData event, PlanStop stop, DayRuns runs) {
        return PlanCheck.legs(event, new Plan(1, null, List.of(stop)), PLANNING, runs)
                .getLast();
    }

    @Test
    void leaveByIsInTimeForTheLightningAndAfterItForCheckIn() {
        EventData event = withLightning(withShelter("grass-2"), "09:00", "10:00");
        Departures departures = new Departures(event, 1, PLANNING, DayRuns.of(event, PLANNING));
        Position there = event.spot("grass-3").orElseThrow().position();

        Departures.LeaveBy before = departures.from(there, at("06-05T07:00")).orElseThrow();
        assertThat(before.forShelter()).isTrue();
        assertThat(before.to().id()).isEqualTo("grass-2");
        assertThat(Duration.between(before.at(), at("06-05T09:00")).toSeconds())
                .as("2 km × 1.25 at 11 m/s")
                .isBetween(225L, 231L);
        Departures.LeaveBy after = departures.from(there, at("06-05T10:30")).orElseThrow();
        assertThat(after.forShelter()).isFalse();
        assertThat(after.at()).isAfter(at("06-05T14:30"));
    }

    @Test
    void runsKeepToTheLeeWhereThereIsOneAndSayWhereThereIsNone() {
        EventData event = event(new Random(1)).toBuilder()
                .forecast(List.of(
                        new ForecastPeriod(at("06-05T06:00"), at("06-05T15:00"), 12.0, 0.0, null, null, null, null)))
                .build();
        DayRuns runs = runs(event);
        Position behindThePoint = place(2.6, 0.5);
        Position open = place(-1, -2.5);

        assertThat(runs.between(place(1, 0.7), behindThePoint, at("06-05T08:00")))
                .isPresent();
        assertThat(runs.between(Sample.LAUNCH, open, at("06-05T08:00")))
                .as("open to the north over 6 km")
                .isEmpty();
        assertThat(runs.between(Sample.LAUNCH, open, at("06-05T05:30")))
                .as("before the wind")
                .isPresent();
        assertThat(runs.between(Sample.LAUNCH, open, at("06-05T05:59")))
                .as("the wind comes on the way")
                .isEmpty();
    }
}
