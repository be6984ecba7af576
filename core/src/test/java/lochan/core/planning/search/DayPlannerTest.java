package lochan.core.planning.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.competition.BagLog;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.Outcomes;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Schedule;
import lochan.core.planning.valuation.Strategy;
import lochan.core.practice.ForecastPeriod;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("slow")
class DayPlannerTest {

    private static final Assumptions.Planning PLANNING = Assumptions.DEFAULTS.planning();
    /** As many as the last look of the search goes by, so that search and enumeration see the same days. */
    private static final int SCENARIOS = 160;

    private static final int ROUNDS = 12;
    private static final boolean LONG = Boolean.getBoolean("lochan.long");
    private static final int MOST_ROUNDS = LONG ? 9 : 3;

    /** Each strategy is tried by one of two tests, or in the long form by both. */
    static List<Strategy> narrowStrategies() {
        return LONG ? List.of(Strategy.values()) : List.of(Strategy.SAFE_LIMIT, Strategy.BIG_FISH);
    }

    static List<Strategy> wideStrategies() {
        return LONG ? List.of(Strategy.values()) : List.of(Strategy.BALANCED, Strategy.TARGET);
    }

    private static ScenarioSet set(EventData event) {
        return new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), SCENARIOS, 5);
    }

    private static Runs runs(EventData event) {
        return Runs.straight(event.boat(), PLANNING);
    }

    private static List<PlanStop> plan(EventData event, DayPlanner.Wishes wishes, long seed) {
        return new DayPlanner(set(event), DayRuns.always(runs(event)), wishes, seed).plan(ROUNDS, i -> true);
    }

    private static double grams(EventData event, List<PlanStop> stops) {
        return new PlanValuer(set(event)).formula(stops);
    }

    /** Returns the event with a first day of some hours. */
    private static EventData shortened(EventData e, int hours) {
        Event b = e.event();
        CompetitionDay first = b.days().getFirst();
        List<CompetitionDay> days = List.of(
                new CompetitionDay(first.date(), first.start(), first.start().plus(Duration.ofHours(hours))));
        return Sample.event(b.withDays(days), e.spots(), e.stops());
    }

    /** All orders of so many cells with stays of so many quarters of an hour, as far as the day allows. */
    private static double enumerated(
            EventData event, PlanValuer valuer, List<Cell> cells, List<PlanStop> stops, int depth) {
        double best = valuer.formula(stops);
        for (Cell cell : depth == 0 ? List.<Cell>of() : cells) {
            Instant start = event.days().getFirst().start();
            Instant from = stops.isEmpty() ? start : stops.getLast().leave();
            Position here = stops.isEmpty()
                    ? event.launch()
                    : event.spot(stops.getLast().spotId()).orElseThrow().position();
            Duration run = runs(event)
                    .runAndSetUp(here, event.spot(cell.spotId()).orElseThrow().position())
                    .orElseThrow();
            Instant arrive = start.plusSeconds(
                    300 * Math.ceilDiv(Duration.between(start, from.plus(run)).toSeconds(), 300L));
            List<PlanStop> more = new ArrayList<>(stops);
            more.add(null);
            for (int quarters = 1; quarters <= 16; quarters++) {
                more.set(
                        stops.size(),
                        new PlanStop(
                                cell.spotId(),
                                cell.presentationId(),
                                arrive,
                                arrive.plus(Duration.ofMinutes(15L * quarters))));
                if (!isHome(event, more)) {
                    break;
                }
                best = Math.max(best, enumerated(event, valuer, cells, List.copyOf(more), depth - 1));
            }
        }
        return best;
    }

    private static boolean isHome(EventData event, List<PlanStop> stops) {
        return PlanCheck.legs(event, new Plan(1, "", stops), PLANNING, DayRuns.always(runs(event))).stream()
                .allMatch(l -> l.reachable() && l.shortMinutes() <= 0);
    }

    @ParameterizedTest
    @ValueSource(longs = {3, 4})
    void findsWhatEnumerationFinds(long seed) {
        EventData event = shortened(Sample.practiced(5, seed), 3);
        ScenarioSet set = set(event);

        List<PlanStop> stops = plan(event, DayPlanner.Wishes.of(Strategy.BALANCED), 1);

        assertThat(grams(event, stops))
                .isPositive()
                .isGreaterThanOrEqualTo(0.99
                        * enumerated(event, new PlanValuer(set), set.model().cells(), List.of(), 2));
    }

    @ParameterizedTest
    @MethodSource("narrowStrategies")
    void everyPlanKeepsTheDayAndTheSameSeedGivesTheSame(Strategy strategy) {
        EventData event = Sample.practiced(5, 3);
        Instant noon = Sample.at("06-05T12:00");
        PlanStop locked = new PlanStop("ledge-1", "walker", noon, noon.plus(Duration.ofMinutes(40)), true);
        DayPlanner.Wishes wishes = DayPlanner.Wishes.avoiding(strategy, List.of(locked), Set.of("grass-2"));

        List<PlanStop> stops = plan(event, wishes, 9);

        assertThat(stops).contains(locked).hasSizeGreaterThan(1).noneMatch(s -> s.spotId()
                .equals("grass-2"));
        assertThat(PlanCheck.check(event, new Plan(1, "", stops))).isEmpty();
        assertThat(isHome(event, stops)).isTrue();
        assertThat(plan(event, wishes, 9)).isEqualTo(stops);
    }

    @ParameterizedTest
    @MethodSource("wideStrategies")
    void moreTimeNeverGivesAWorsePlan(Strategy strategy) {
        EventData event = Sample.practiced(5, 6);
        ScenarioSet set = set(event);
        DayPlanner planner = new DayPlanner(set, DayRuns.always(runs(event)), DayPlanner.Wishes.of(strategy), 2);
        double before = 0;
        List<PlanStop> stops = List.of();
        for (int rounds = 1; rounds <= MOST_ROUNDS; rounds *= 3) {
            stops = planner.plan(rounds, i -> true);
            double score = score(set, strategy, stops);
            assertThat(score).as(rounds + " rounds").isGreaterThanOrEqualTo(before - 1e-9 * before);
            before = score;
        }
        assertThat(DayPlanner.done(3 * MOST_ROUNDS - 1)).isEqualTo(MOST_ROUNDS);
        assertThat(planner.plan(3 * MOST_ROUNDS - 1, i -> true)).isEqualTo(stops);
    }

    private static double score(ScenarioSet set, Strategy strategy, List<PlanStop> stops) {
        return strategy.score(
                new PlanValuer(set)
                        .outcomes(Schedule.segments(stops, set.model().bins()), set.count(), true),
                set.model().event().rules().targetGrams());
    }

    /** Nobody changes lures at one spot after ten minutes for next to nothing: without the change the day is worth clearly less. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void aHastyChangeOfLureIsWorthIt(long seed) {
        EventData event = Sample.practiced(5, seed);
        ScenarioSet set = new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), 40, 5);
        List<PlanStop> stops = new DayPlanner(
                        set, DayRuns.always(runs(event)), DayPlanner.Wishes.of(Strategy.SAFE_LIMIT), seed)
                .plan(3, i -> true);
        for (int i = 1; i < stops.size(); i++) {
            PlanStop before = stops.get(i - 1);
            PlanStop after = stops.get(i);
            if (before.spotId().equals(after.spotId())
                    && (minutes(before) < 30 || minutes(after) < 30)
                    && before.leave().equals(after.arrive())) {
                for (PlanStop lure : List.of(before, after)) {
                    List<PlanStop> joined = new ArrayList<>(stops);
                    joined.set(
                            i - 1,
                            new PlanStop(before.spotId(), lure.presentationId(), before.arrive(), after.leave()));
                    joined.remove(i);
                    assertThat(score(set, Strategy.SAFE_LIMIT, joined))
                            .as(joined + "")
                            .isLessThan(0.995 * score(set, Strategy.SAFE_LIMIT, stops));
                }
            }
        }
    }

    private static long minutes(PlanStop stop) {
        return Duration.between(stop.arrive(), stop.leave()).toMinutes();
    }

    /** On a slow machine the time may be over before the search has begun. */
    @Test
    void aSearchWithoutTimeStillGivesAPlan() {
        EventData event = Sample.practiced(5, 1);

        assertThat(new DayPlanner(set(event), DayRuns.always(runs(event)), DayPlanner.Wishes.of(Strategy.BALANCED), 1)
                        .plan(ROUNDS, i -> false))
                .isNotEmpty();
    }

    @Test
    void aSearchToldToStopGivesWhatItHas() {
        EventData event = Sample.practiced(5, 3);
        List<PlanStop> stops = new DayPlanner(
                        set(event), DayRuns.always(runs(event)), DayPlanner.Wishes.of(Strategy.BALANCED), 1)
                .plan(1000, i -> i < 2);

        assertThat(stops).isNotEmpty();
        assertThat(isHome(event, stops)).isTrue();
    }

    @Test
    void noStopLiesInLightning() {
        EventData dry = Sample.practiced(5, 3);
        Instant from = Sample.at("06-05T09:00");
        Instant to = Sample.at("06-05T11:00");
        EventData event = dry.toBuilder()
                .forecast(List.of(new ForecastPeriod(from, to, null, null, null, null, null, true)))
                .build();

        List<PlanStop> stops = plan(event, DayPlanner.Wishes.of(Strategy.BALANCED), 2);

        assertThat(stops)
                .isNotEmpty()
                .noneMatch(s -> s.arrive().isBefore(to) && s.leave().isAfter(from));
    }

    @Test
    void lockedStopsThatCannotBeKeptAreRefused() {
        EventData event = Sample.practiced(5, 3);
        PlanStop late = new PlanStop("ledge-1", "walker", Sample.at("06-05T14:00"), Sample.at("06-05T15:00"));
        assertThatThrownBy(() -> plan(event, DayPlanner.Wishes.avoiding(Strategy.BALANCED, List.of(late), Set.of()), 1))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** The strategies are computed as normal within a scenario; simulated days must agree. */
    @Test
    void chancesAreThoseOfSimulatedDays() {
        EventData event = Sample.practiced(5, 3);
        ScenarioSet set = new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), 2000, 5);
        List<PlanStop> stops = List.of(
                new PlanStop("grass-1", "swim-jig", Sample.at("06-05T06:20"), Sample.at("06-05T09:00")),
                new PlanStop("ledge-1", "walker", Sample.at("06-05T09:30"), Sample.at("06-05T13:00")));
        PlanValue simulated = new PlanValuer(set).value(stops, 200_000);
        Outcomes outcomes = new PlanValuer(set)
                .outcomes(Schedule.segments(stops, set.model().bins()), set.count(), true);

        assertThat(outcomes.mean()).isCloseTo(simulated.simulatedGrams(), within(0.02 * simulated.simulatedGrams()));
        assertThat(outcomes.chanceOfLimit()).isCloseTo(simulated.chanceOfLimit(), within(0.02));
        assertThat(outcomes.chanceOf(event.rules().targetGrams())).isCloseTo(simulated.chanceOfTarget(), within(0.03));
        assertThat(outcomes.chanceOf(simulated.p50())).isCloseTo(0.5, within(0.04));
        assertThat(outcomes.chanceOf(simulated.p90())).isCloseTo(0.1, within(0.03));
        assertThat(outcomes.meanOfBest(0.25))
                .isGreaterThan(outcomes.meanOfBest(0.5))
                .isGreaterThan(outcomes.mean());
        assertThat(outcomes.meanOfBest(1)).isCloseTo(outcomes.mean(), within(0.03 * outcomes.mean()));
    }

    @Test
    void whatIsLeftOfADayIsPlannedFromWhereTheBoatIsAndWithTheFishInTheWell() {
        EventData event = Sample.practiced(5, 1);
        ScenarioSet set = set(event);
        DayModel model = set.model();
        Instant now = Sample.at("06-05T10:02");
        BagLog log = new BagLog(event.event());
        for (int i = 0; i < 5; i++) {
            log.append(Sample.fish("f" + i, 1500));
        }
        Position here = event.spots().getLast().position();
        DayStart rest = DayStart.now(model, now, here, log.bag(1));
        List<PlanStop> stops = new DayPlanner(
                        set, DayRuns.always(runs(event)), rest, DayPlanner.Wishes.of(Strategy.BALANCED), 1)
                .plan(ROUNDS, i -> true);
        assertThat(rest.at()).isEqualTo(Sample.at("06-05T10:05"));
        assertThat(stops).isNotEmpty().allSatisfy(s -> assertThat(s.arrive()).isAfterOrEqualTo(rest.at()));
        Duration way = runs(event)
                .runAndSetUp(here, model.spot(stops.getFirst().spotId()).position())
                .orElseThrow();
        assertThat(stops.getFirst().arrive()).isAfterOrEqualTo(rest.at().plus(way));
        assertThat(new PlanValuer(set, log.bag(1)).formula(stops)).isGreaterThan(7500);
    }
}
