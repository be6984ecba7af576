package lochan.core.planning.search;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Fetch;
import lochan.core.lake.Lake;
import lochan.core.lake.Spot;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Strategy;
import lochan.core.planning.valuation.WhatIf;
import lochan.core.practice.ForecastPeriod;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Checks what wind, suppositions and the day before do to a plan. */
class WindAndDaysTest {

    private static final Assumptions ASSUMPTIONS = Assumptions.DEFAULTS;
    private static final EventData CALM = Sample.practiced(5, 3);
    private static final Instant START = at("06-05T06:00");
    private static final List<PlanStop> MORNING =
            List.of(new PlanStop("grass-1", "walker", at("06-05T06:20"), at("06-05T09:00")));

    /** Returns the event on a square lake, with a wind forecast for the first day from noon on. */
    private static EventData inWind(double mps, double fromDeg, Double maxWindMps) {
        List<Position> shore = List.of(
                new Position(42.55, -116.95),
                new Position(42.65, -116.95),
                new Position(42.65, -116.899),
                new Position(42.55, -116.899));
        Lake lake = new Lake(List.of(new Lake.Body(shore, List.of())), List.of());
        Boat boat = new Boat(18, 6, 4, maxWindMps, null, null, null, Map.of());
        ForecastPeriod afternoon =
                new ForecastPeriod(at("06-05T12:00"), at("06-05T18:00"), mps, fromDeg, null, null, null, null);
        return EventData.builder(CALM.event(), boat)
                .lake(lake)
                .spots(CALM.spots())
                .presentations(CALM.presentations())
                .stops(CALM.stops())
                .forecast(List.of(afternoon))
                .build();
    }

    private static ScenarioSet set(EventData event, int day) {
        return new ScenarioSet(new FittedDayModel(event, day, ASSUMPTIONS), 120, 4);
    }

    private static List<PlanStop> planned(ScenarioSet set, DayRuns runs) {
        return new DayPlanner(set, runs, DayPlanner.Wishes.of(Strategy.BALANCED), 1).plan(4, i -> true);
    }

    @Test
    void runsThatBeginInRoughHoursTakeLongerAndPlansAllowForIt() {
        EventData event = inWind(9, 0, null);
        DayRuns runs = DayRuns.of(event, ASSUMPTIONS.planning());
        Position north = event.spot("grass-3").orElseThrow().position();
        Duration morning =
                runs.between(Sample.LAUNCH, north, START).orElseThrow().time();
        Duration afternoon = runs.between(Sample.LAUNCH, north, at("06-05T13:00"))
                .orElseThrow()
                .time();

        assertThat(afternoon).isCloseTo(morning.multipliedBy(3), Duration.ofSeconds(1));
        List<PlanStop> stops = planned(set(event, 1), runs);
        assertThat(PlanCheck.legs(event, new Plan(1, null, stops), ASSUMPTIONS.planning(), runs))
                .allMatch(PlanCheck.Leg::fits);
        Instant leaveBy = runs.leaveBy(north, Sample.LAUNCH, at("06-05T14:45")).orElseThrow();
        assertThat(leaveBy).isEqualTo(at("06-05T14:45").minus(afternoon));
    }

    @Test
    void aSpotOpenToTheWindLosesWhenTheBoatCannotBeHeldThere() {
        Spot spot = CALM.spot("grass-1").orElseThrow();
        Cell cell = new Cell(spot.id(), "walker");
        List<PlanStop> afternoon = List.of(new PlanStop(spot.id(), "walker", at("06-05T12:30"), at("06-05T14:30")));
        double sheltered = new PlanValuer(set(inWind(9, 90, 8.0), 1)).formula(afternoon);
        double open = new PlanValuer(set(inWind(9, 180, 8.0), 1)).formula(afternoon);

        assertThat(open)
                .as("1 km of water to the east is the shore, 5 km to the south")
                .isPositive()
                .isLessThan(0.6 * sheltered);
        assertThat(new PlanValuer(set(inWind(9, 180, 10.0), 1)).formula(afternoon))
                .isCloseTo(sheltered, within(1e-9));
        DayModel windy = set(inWind(9, 180, 8.0), 1).model();
        DayModel sheltering = set(inWind(9, 90, 8.0), 1).model();
        assertThat(windy.isBlown(spot, START, at("06-05T15:00"))).isTrue();
        assertThat(CALM.spots()).noneMatch(s -> sheltering.isBlown(s, START, at("06-05T15:00")));
        assertThat(windy.isBlown(spot, at("06-05T08:00"), at("06-05T12:00")))
                .as("before the wind")
                .isFalse();
        assertThat(windy.isBlown(spot, at("06-05T08:00"), at("06-05T12:10"))).isTrue();
        assertThat(set(inWind(9, 180, 8.0), 1).cell(cell).bitesPerHour(0, 2))
                .as("the morning is calm")
                .isEqualTo(set(CALM, 1).cell(cell).bitesPerHour(0, 2));
    }

    @Test
    void fetchEndsAtTheShoreAndBeginsAtTheFirstWaterUpwind() {
        Lake lake = inWind(9, 0, null).lake();
        double east = Position.metresPerDegreeEast(42.6);

        assertThat(Fetch.isOver(lake, new Position(42.6, -116.899 - 900 / east), 90, 1000))
                .isFalse();
        assertThat(Fetch.isOver(lake, new Position(42.6, -116.899 - 1100 / east), 90, 1000))
                .isTrue();
        assertThat(Fetch.isOver(lake, new Position(42.6, -116.899 + 60 / east), 270, 1000))
                .as("a dock marked on the land")
                .isTrue();
        assertThat(Fetch.isOver(lake, new Position(42.6, -116.899 + 500 / east), 270, 1000))
                .isFalse();
    }

    @Test
    void suppositionsChangeWhatTheyNameAndNothingElse() {
        double usual = new PlanValuer(set(CALM, 1)).formula(MORNING);
        Pattern pattern = new Pattern("grass-edge", "walker");

        assertThat(WhatIf.NOTHING.on(CALM)).isEqualTo(CALM);
        assertThat(value(new WhatIf(0, 1, pattern, null))).isBetween(0.4 * usual, 0.8 * usual);
        assertThat(value(new WhatIf(0, 1, new Pattern("grass-edge", "swim-jig"), null)))
                .isCloseTo(usual, within(1e-9));
        assertThat(value(new WhatIf(0, 3, null, null))).isLessThan(usual);
        assertThat(value(new WhatIf(0, 0, null, null))).isGreaterThan(usual);
        assertThat(value(new WhatIf(0, 1, null, 9000.0))).isCloseTo(usual, within(1e-9));
        assertThat(new WhatIf(0, 1, null, 9000.0).on(CALM).rules().targetGrams())
                .isEqualTo(9000);
        assertThat(new WhatIf(8, 1, null, null).on(inWind(3, 0, null)).forecast())
                .extracting(ForecastPeriod::windMps)
                .containsOnly(11.0);
        assertThat(new WhatIf(-8, 1, null, null).on(inWind(3, 0, null)).forecast())
                .extracting(ForecastPeriod::windMps)
                .containsOnly(0.0);
    }

    private static double value(WhatIf what) {
        return new PlanValuer(new ScenarioSet(what.model(CALM, 1, ASSUMPTIONS), 120, 4)).formula(MORNING);
    }

    @Test
    void fishTakenOnTheFirstDayAreMissingOnTheSecond() {
        ScenarioSet second = set(CALM, 2);
        Duration ahead = Duration.ofDays(1);
        List<PlanStop> again = MORNING.stream()
                .map(s -> s.during(s.arrive().plus(ahead), s.leave().plus(ahead)))
                .toList();
        List<PlanStop> elsewhere = List.of(new PlanStop("ledge-1", "swim-jig", at("06-06T06:20"), at("06-06T09:00")));
        ScenarioSet left = TwoDays.after(second, 1, MORNING);

        assertThat(new PlanValuer(left).formula(again)).isPositive().isLessThan(new PlanValuer(second).formula(again));
        assertThat(new PlanValuer(left).formula(elsewhere)).isEqualTo(new PlanValuer(second).formula(elsewhere));
        PlanValue simulated = new PlanValuer(left).value(again, 60_000);
        assertThat(simulated.simulatedGrams())
                .as("fish by fish it is the same")
                .isCloseTo(simulated.formulaGrams(), within(5 * simulated.standardError()));
        List<PlanStop> more = new ArrayList<>(MORNING);
        more.add(new PlanStop("grass-1", "swim-jig", at("06-05T09:00"), at("06-05T13:00")));
        assertThat(new PlanValuer(TwoDays.after(second, 1, more)).formula(again))
                .isLessThan(new PlanValuer(left).formula(again));
    }

    @Tag("slow")
    @Test
    void ofTheWaysToSpreadTwoDaysTheBestComesFirstAndASavedSpotIsNotFished() {
        DayRuns runs = DayRuns.of(CALM, ASSUMPTIONS.planning());
        List<TwoDays.Pair> ways = TwoDays.ways(
                set(CALM, 1), set(CALM, 2), runs, DayPlanner.Wishes.of(Strategy.BALANCED), 1, 3, done -> done < 3);

        assertThat(ways).hasSize(3).isSortedAccordingTo((a, b) -> Double.compare(b.grams(), a.grams()));
        assertThat(ways).filteredOn(w -> w.savedSpotId() == null).hasSize(1);
        assertThat(ways).allSatisfy(w -> {
            assertThat(w.first()).noneMatch(s -> s.spotId().equals(w.savedSpotId()));
            assertThat(PlanCheck.legs(CALM, new Plan(2, null, w.second()), ASSUMPTIONS.planning(), runs))
                    .allMatch(PlanCheck.Leg::fits);
        });
    }
}
