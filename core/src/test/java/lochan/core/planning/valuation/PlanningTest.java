package lochan.core.planning.valuation;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.Violation;
import lochan.core.competition.BagLog;
import lochan.core.event.Boat;
import lochan.core.event.Format;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.edits.PlanEdits;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.AddedValue;
import lochan.core.planning.search.DayPlanner;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PlanningTest {

    private static final DayRuns RUNS = DayRuns.always(Runs.straight(Boat.USUAL, Assumptions.DEFAULTS.planning()));
    private static final Duration GRID = Duration.ofMinutes(5);

    static IntStream seeds() {
        return IntStream.range(0, 12);
    }

    private static ScenarioSet scenarios(EventData event, int count) {
        return new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), count, 7);
    }

    /** One to five stops at any cells, revisits too, one after another. */
    private static List<PlanStop> anyPlan(EventData event, Random random) {
        List<PlanStop> stops = new ArrayList<>();
        Instant time = at("06-05T06:10");
        for (int i = 1 + random.nextInt(5); i > 0; i--) {
            Instant leave = time.plus(Duration.ofMinutes(10 + random.nextInt(90)));
            stops.add(new PlanStop(
                    event.spots().get(random.nextInt(4)).id(),
                    event.presentations().get(random.nextInt(2)).id(),
                    time,
                    leave));
            time = leave.plus(Duration.ofMinutes(random.nextInt(20)));
        }
        return stops;
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void formulaAndSimulationAgreeWithinSamplingError(int seed) {
        EventData event = Sample.practiced(1 + seed % 6, seed);
        List<PlanStop> stops = anyPlan(event, new Random(seed));

        PlanValue value = new PlanValuer(scenarios(event, 2_000)).value(stops, 100_000);

        assertThat(value.simulatedGrams())
                .isCloseTo(value.formulaGrams(), within(4 * value.standardError() + 0.004 * value.formulaGrams()));
        assertThat(value.p10()).isLessThanOrEqualTo(value.p50());
        assertThat(value.p50()).isLessThanOrEqualTo(value.p90());
        assertThat(value.byHour())
                .isSorted()
                .last()
                .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.DOUBLE)
                .isCloseTo(value.simulatedGrams(), within(1e-6));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void moreTimeAtTheEndIsNeverWorseAndARevisitFindsWhatIsLeft(int seed) {
        EventData event = Sample.practiced(5, seed);
        PlanValuer valuer = new PlanValuer(scenarios(event, 300));
        PlanStop first = new PlanStop("grass-1", "swim-jig", at("06-05T08:00"), at("06-05T08:30"));
        PlanStop longer = new PlanStop("grass-1", "swim-jig", at("06-05T08:00"), at("06-05T09:00"));
        PlanStop again = new PlanStop("grass-1", "swim-jig", at("06-05T08:30"), at("06-05T09:00"));
        PlanStop other = new PlanStop("grass-2", "swim-jig", at("06-05T08:30"), at("06-05T09:00"));

        assertThat(valuer.formula(List.of(longer))).isGreaterThan(valuer.formula(List.of(first)));
        assertThat(valuer.formula(List.of(first, again))).isCloseTo(valuer.formula(List.of(longer)), within(1e-6));
        assertThat(valuer.formula(List.of(first, other))).isGreaterThan(valuer.formula(List.of(first)));
        assertThat(valuer.formula(List.of())).isZero();
    }

    @Test
    void aFullLivewellLeavesLessToGain() {
        EventData event = Sample.practiced(2, 4);
        ScenarioSet set = scenarios(event, 500);
        List<PlanStop> stops = List.of(new PlanStop("grass-1", "swim-jig", at("06-05T08:00"), at("06-05T10:00")));
        BagLog well = BagLog.replay(event.event(), List.of(Sample.fish("a", 1500), Sample.fish("b", 1400)));

        double empty = new PlanValuer(set).formula(stops);
        double full = new PlanValuer(set, well.bag(1)).formula(stops);

        assertThat(full).isGreaterThan(2900);
        assertThat(full - 2900).isLessThan(empty);
    }

    @Tag("slow")
    @Test
    void worthIsWhatThePlanLosesOrGainsAndPatternsAreWorthNoLessThanTheirBestSpot() {
        EventData event = Sample.practiced(5, 2);
        ScenarioSet set = scenarios(event, 60);
        AddedValue worth = AddedValue.of(set, RUNS, 1, 3);

        assertThat(set.model().cells())
                .anySatisfy(c -> assertThat(worth.ofCell(c)).isPositive());
        assertThat(set.model().cells()).allSatisfy(c -> {
            assertThat(worth.ofCell(c)).isNotNegative();
            assertThat(worth.ofCellPerHour(c)).isLessThanOrEqualTo(worth.ofCell(c) / (10 / 60.0));
        });
        assertThat(worth.ofPattern(new Pattern("bluff", "spoon"))).isZero();
        assertThat(worth.ofCell(new Cell("nowhere", "spoon"))).isZero();
    }

    @Test
    void twoHoursStartAtTheirBestHalfHour() {
        ScenarioSet set = scenarios(Sample.practiced(5, 2), 400);
        Cell cell = set.model().cells().getFirst();
        PlanValuer valuer = new PlanValuer(set);
        double best = IntStream.rangeClosed(0, 14)
                .mapToDouble(i -> {
                    Instant start = at("06-05T06:00").plus(Duration.ofMinutes(30L * i));
                    return valuer.formula(List.of(new PlanStop(
                            cell.spotId(), cell.presentationId(), start, start.plus(Duration.ofHours(2)))));
                })
                .max()
                .orElseThrow();

        assertThat(new TwoHourValue(set).grams(cell)).isCloseTo(best, within(1e-9));
    }

    @Test
    void refusesSenselessPlansAndSaysWhatIsWrong() {
        EventData event = Sample.practiced(5, 1);
        Plan plan = new Plan(
                3,
                null,
                List.of(
                        new PlanStop("nowhere", "spoon", at("06-05T09:00"), at("06-05T09:00")),
                        new PlanStop("grass-1", "swim-jig", at("06-05T08:00"), at("06-05T08:30"))));

        assertThat(PlanCheck.check(event, plan))
                .extracting(Violation::field)
                .containsExactly("day", "stops/0/spot", "stops/0/presentation", "stops/0/leave", "stops/1/arrive");
    }

    /** The page and the search agree on what is too short, to the last second. */
    @Test
    void aRunHalfASecondShortDoesNotFit() {
        EventData event = Sample.practiced(5, 1);
        Duration needed = RUNS.runAndSetUp(
                        Sample.LAUNCH, event.spot("grass-3").orElseThrow().position(), at("06-05T06:00"))
                .orElseThrow();
        PlanEdits edits = new PlanEdits(event, 1, Assumptions.DEFAULTS.planning(), RUNS);
        List<PlanStop> justFits =
                List.of(new PlanStop("grass-3", "swim-jig", at("06-05T06:00").plus(needed), at("06-05T08:00")));
        List<PlanStop> tooShort =
                List.of(justFits.getFirst().during(justFits.getFirst().arrive().minusMillis(500), at("06-05T08:00")));

        assertThat(edits.canBeKept(justFits)).isTrue();
        assertThat(edits.canBeKept(tooShort)).isFalse();
        assertThat(PlanCheck.legs(event, new Plan(1, null, tooShort), Assumptions.DEFAULTS.planning(), RUNS)
                        .getFirst()
                        .shortMinutes())
                .isEqualTo(1);
    }

    @Test
    void passagesLeadFromTheLaunchOverTheStopsToCheckIn() {
        EventData event = Sample.practiced(5, 1);
        Plan plan = new Plan(
                1,
                null,
                List.of(
                        new PlanStop("grass-1", "swim-jig", at("06-05T06:30"), at("06-05T07:00")),
                        new PlanStop("ledge-1", "walker", at("06-05T08:00"), at("06-05T09:00"))));

        List<PlanCheck.Passage> passages = PlanCheck.passages(event, plan);

        assertThat(passages).extracting(PlanCheck.Passage::from).containsExactly("launch", "grass-1", "ledge-1");
        assertThat(passages).extracting(PlanCheck.Passage::to).containsExactly("grass-1", "ledge-1", "checkIn");
        assertThat(passages)
                .extracting(PlanCheck.Passage::leaving)
                .containsExactly(at("06-05T06:00"), at("06-05T07:00"), at("06-05T09:00"));
        assertThat(passages.get(1).start()).isEqualTo(passages.get(0).end());
        assertThat(PlanCheck.passages(event, new Plan(1, null, List.of())))
                .singleElement()
                .isEqualTo(new PlanCheck.Passage("launch", "checkIn", Sample.LAUNCH, Sample.LAUNCH, at("06-05T06:00")));
    }

    @Test
    void aRunThatDoesNotFitIsSaidInMinutes() {
        EventData event = Sample.practiced(5, 1);
        Plan late =
                new Plan(1, null, List.of(new PlanStop("grass-3", "swim-jig", at("06-05T06:01"), at("06-05T14:58"))));

        List<PlanCheck.Leg> legs = PlanCheck.legs(event, late, Assumptions.DEFAULTS.planning(), RUNS);

        assertThat(legs).extracting(PlanCheck.Leg::to).containsExactly("grass-3", "checkIn");
        assertThat(legs.get(0).shortMinutes())
                .as("4 km × 1.25 at 18 m/s and 4 min set-up time, 1 min given")
                .isEqualTo(8);
        assertThat(legs.get(1).shortMinutes())
                .as("4.6 min home and 15 min margin, 2 min given")
                .isEqualTo(18);
    }

    @Test
    void everyFishEventsAreValuedToo() {
        EventData sample = Sample.practiced(5, 3);
        EventData event = Sample.event(
                Sample.tournament(Format.EVERY_FISH, null, sample.rules().species(), null),
                sample.spots(),
                sample.stops());
        List<PlanStop> stops = List.of(new PlanStop("grass-1", "swim-jig", at("06-05T08:00"), at("06-05T12:00")));

        PlanValue value = new PlanValuer(scenarios(event, 1_000)).value(stops, 50_000);

        assertThat(value.formulaGrams())
                .isGreaterThanOrEqualTo(new PlanValuer(scenarios(sample, 1_000)).formula(stops));
        assertThat(value.simulatedGrams())
                .isCloseTo(value.formulaGrams(), within(4 * value.standardError() + 0.004 * value.formulaGrams()));
        assertThat(value.chanceOfLimit()).isZero();
    }

    @Test
    void noPlanIsMadeForWaterOffLimits() {
        EventData open = Sample.practiced(5, 3);
        Position grass = open.spot("grass-1").orElseThrow().position();
        Lake.Body around = new Lake.Body(
                List.of(
                        new Position(grass.lat() - 0.001, grass.lon() - 0.001),
                        new Position(grass.lat() - 0.001, grass.lon() + 0.001),
                        new Position(grass.lat() + 0.001, grass.lon())),
                List.of());
        EventData closed = open.toBuilder()
                .lake(new Lake(List.of(), List.of(), List.of(new Lake.OffLimits(null, List.of(around)))))
                .build();

        assertThat(suggested(open)).extracting(PlanStop::spotId).contains("grass-1");
        List<PlanStop> stops = suggested(closed);
        assertThat(stops).isNotEmpty().extracting(PlanStop::spotId).doesNotContain("grass-1");
        assertThat(PlanCheck.offLimits(closed, new Plan(1, null, stops))).isEmpty();
        assertThat(PlanCheck.offLimits(
                        closed,
                        new Plan(
                                1,
                                null,
                                List.of(new PlanStop(
                                        "grass-1", "walker", Sample.at("06-05T06:30"), Sample.at("06-05T07:00"))))))
                .extracting(Spot::id)
                .containsExactly("grass-1");
    }

    private static List<PlanStop> suggested(EventData event) {
        return new DayPlanner(scenarios(event, 32), RUNS, DayPlanner.Wishes.of(Strategy.BALANCED), 1)
                .plan(4, i -> true);
    }
}
