package lochan.core.rehearsal;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.live.Effort;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.LightningHours;
import lochan.core.planning.runs.Shelter;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.practice.ForecastPeriod;
import org.junit.jupiter.api.Test;

class RehearsalTest {

    private static final int DAYS = 2000;
    /** Days that others play too, who think longer. */
    private static final int OTHERS = 16;

    private static final EventData EVENT = Sample.practiced(5, 3);
    private static final FittedDayModel MODEL = new FittedDayModel(EVENT, 1, Assumptions.DEFAULTS);
    private static final DayRuns RUNS = DayRuns.always(Runs.straight(EVENT.boat(), Assumptions.DEFAULTS.planning()));
    private static final DayKnowledge KNOWN = new DayKnowledge(MODEL, RUNS, EVENT.forecast());
    private static final ScenarioSet TRUTH = new ScenarioSet(MODEL, DAYS, 5);
    private static final Cell GRASS = new Cell("grass-1", "walker");
    private static final List<PlanStop> PLAN = List.of(
            new PlanStop("grass-1", "walker", at("06-05T06:20"), at("06-05T08:30")),
            new PlanStop("ledge-1", "swim-jig", at("06-05T08:50"), at("06-05T11:00")),
            new PlanStop("grass-1", "swim-jig", at("06-05T11:15"), at("06-05T12:00")),
            new PlanStop("grass-3", "walker", at("06-05T12:15"), at("06-05T14:30")));

    private static Rehearsal day(int scenario) {
        return new Rehearsal(MODEL, EVENT, RUNS, new HiddenDay(TRUTH, scenario, scenario));
    }

    @Test
    void aPlanPlayedBlindlyComesToItsProjection() {
        PlanValue projected = new PlanValuer(TRUTH).value(PLAN, 20 * DAYS);
        double sum = 0;
        double squares = 0;
        int limits = 0;
        for (int j = 0; j < DAYS; j++) {
            Rehearsal played = day(j).played(PLAN);
            double grams = played.countedGrams();
            sum += grams;
            squares += grams * grams;
            limits += played.bag().isFull() ? 1 : 0;
        }
        double mean = sum / DAYS;
        double error = Math.sqrt((squares / DAYS - mean * mean) / DAYS);
        assertThat(Math.abs(mean - projected.simulatedGrams()))
                .as(mean + " g played, " + projected.simulatedGrams() + " g projected")
                .isLessThan(3 * Math.hypot(error, projected.standardError()));
        double chance = projected.chanceOfLimit();
        assertThat(Math.abs(limits / (double) DAYS - chance))
                .isLessThan(3.5 * Math.sqrt(chance * (1 - chance) / DAYS) + 0.01);
    }

    private static List<Entry> fished(Rehearsal day, Cell cell, int pieces, int minutes) {
        day.go(cell);
        for (int i = 0; i < pieces; i++) {
            day.fish(Duration.ofMinutes(minutes));
        }
        return day.entries().stream().filter(e -> !(e instanceof Entry.Fishing)).toList();
    }

    /** One seed gives one day, however it is split; and a spot keeps its fish until the boat comes. */
    @Test
    void fishAreWhereTheyAreHoweverTheDayIsPlayed() {
        int same = 0;
        for (int j = 0; j < 40; j++) {
            List<Double> atOnce = grams(fished(day(j), GRASS, 1, 120));
            assertThat(grams(fished(day(j), GRASS, 8, 15))).isEqualTo(atOnce);
            Rehearsal later = day(j);
            fished(later, new Cell("ledge-1", "swim-jig"), 2, 30);
            List<Double> after = grams(fished(later, GRASS, 8, 15));
            if (!atOnce.isEmpty() && after.containsAll(atOnce.subList(0, 1))) {
                same++;
            }
        }
        assertThat(same)
                .as("days on which the first fish of the grass is the same an hour later")
                .isGreaterThan(20);
    }

    private static List<Double> grams(List<Entry> entries) {
        List<Double> grams = new ArrayList<>();
        for (Entry e : entries) {
            grams.add(e instanceof Entry.Catch c ? c.grams() : Double.valueOf(0));
        }
        return grams;
    }

    @Test
    void theBoatIsAshoreInTheLightningThatReallyComes() {
        EventData stormy = EVENT.toBuilder()
                .forecast(List.of(
                        new ForecastPeriod(at("06-05T07:00"), at("06-05T08:00"), null, null, null, null, null, true)))
                .build();
        Rehearsal day = new Rehearsal(MODEL, stormy, RUNS, new HiddenDay(TRUTH, 1, 1));
        day.go(GRASS);
        day.fish(Duration.ofHours(2));
        assertThat(day.now()).as("fishing ends with the lightning").isEqualTo(at("06-05T07:00"));
        assertThat(day.fish(Duration.ofMinutes(15))).contains(Rehearsal.Refusal.LIGHTNING);
        assertThat(day.go(new Cell("grass-3", "walker"))).contains(Rehearsal.Refusal.LIGHTNING);
        day.shelter(Shelter.of(stormy).getFirst());
        assertThat(day.now()).isEqualTo(at("06-05T08:30"));
        assertThat(day.go(GRASS)).isEmpty();
        assertThat(day.fish(Duration.ofMinutes(15))).isEmpty();
    }

    @Test
    void whoIsUnderWayWhenLightningComesIsCaughtInIt() {
        EventData stormy = EVENT.toBuilder()
                .forecast(List.of(
                        new ForecastPeriod(at("06-05T06:05"), at("06-05T08:00"), null, null, null, null, null, true)))
                .build();
        Rehearsal day = new Rehearsal(MODEL, stormy, RUNS, new HiddenDay(TRUTH, 1, 1));
        assertThat(day.take(new Step.Go(new Cell("ledge-1", "swim-jig")))).isEmpty();
        assertThat(day.caught()).hasSize(1);
        assertThat(day.caught().getFirst().at()).isEqualTo(at("06-05T06:05"));
        assertThat(day.caught().getFirst().at().plus(day.caught().getFirst().time()))
                .isEqualTo(day.now());
        assertThat(day.take(new Step.Fish(15))).contains(Rehearsal.Refusal.LIGHTNING);
        assertThat(day.take(new Step.Ashore(Shelter.LAUNCH))).isEmpty();
        assertThat(day.caught()).hasSize(2);
        assertThat(day.now()).isEqualTo(at("06-05T08:30"));
        assertThat(day.take(new Step.Ashore(Shelter.LAUNCH)))
                .as("there is none any more")
                .isEmpty();
        assertThat(day.now()).isEqualTo(at("06-05T08:45"));
        assertThat(day.take(new Step.Ashore("nowhere"))).contains(Rehearsal.Refusal.UNKNOWN);
        assertThat(day.take(new Step.Go(new Cell("ledge-1", "nothing")))).contains(Rehearsal.Refusal.UNKNOWN);
        assertThat(day.take(new Step.Home())).isEmpty();
    }

    /** The last hour is the angler's own: he stays until check-in, and fishes no minute more. */
    @Test
    void fishingEndsAtCheckIn() {
        Rehearsal day = day(3);
        day.take(new Step.Go(GRASS));
        day.take(new Step.Fish(24 * 60));
        assertThat(day.now()).isEqualTo(at("06-05T15:00"));
        assertThat(day.take(new Step.Fish(15))).contains(Rehearsal.Refusal.LATE);
        assertThat(day.take(new Step.Go(GRASS))).contains(Rehearsal.Refusal.LATE);
        assertThat(day.entries())
                .filteredOn(e -> e instanceof Entry.Catch)
                .isNotEmpty()
                .allMatch(e -> !e.at().isAfter(at("06-05T15:00")));
    }

    @Test
    void aDayPlayedAgainStepByStepIsTheSameAndItsEndStandsBesideTheOthers() {
        RehearsedDay rehearsed = new RehearsedDay(MODEL, RUNS, MODEL, RUNS, PLAN, 77);
        List<Step> steps = new ArrayList<>(List.of(new Step.Go(new Cell("point-1", "walker"))));
        steps.addAll(Collections.nCopies(16, new Step.Fish(15)));
        steps.addAll(List.of(new Step.Go(GRASS), new Step.Fish(60), new Step.Wait(15), new Step.Home()));
        Rehearsal you = rehearsed.after(steps);
        assertThat(rehearsed.after(steps).entries()).isEqualTo(you.entries());
        List<Integer> told = new ArrayList<>();
        Outcome outcome = Outcome.of(rehearsed, you, new Effort(60, 24, 12, 1, 77), told::add);
        assertThat(told).containsExactly(1, 2, 3);
        assertThat(outcome.you().grams()).isEqualTo(you.countedGrams());
        assertThat(outcome.you().back()).isEqualTo(you.now());
        assertThat(outcome.plan().grams())
                .isEqualTo(rehearsed.begin().played(PLAN).countedGrams());
        assertThat(outcome.costs())
                .extracting(Costs.Cost::chosen)
                .as("the poor point, the wait, and going home at noon")
                .contains(new Cell("point-1", "walker"), (Cell) null);
        assertThat(outcome.places())
                .isSortedAccordingTo(
                        Comparator.comparingDouble(Outcome.Place::bites).reversed())
                .filteredOn(Outcome.Place::fished)
                .extracting(Outcome.Place::cell)
                .containsExactlyInAnyOrder(new Cell("point-1", "walker"), GRASS);
        assertThat(outcome.places()).extracting(Outcome.Place::cell).contains(Cell.of(PLAN.get(1)));
    }

    /** Over many days what is true is what was expected. */
    @Test
    void whatIsTrueOfASpotIsOnAverageWhatWasExpected() {
        double expected = HiddenDay.expectedPerHour(MODEL, GRASS);
        double crowd = 0;
        double sum = 0;
        for (int j = 0; j < DAYS; j++) {
            HiddenDay hidden = new HiddenDay(TRUTH, j, j);
            boolean occupied = hidden.isOccupied(GRASS.spotId());
            crowd += occupied ? 1.0 / DAYS : 0;
            sum += hidden.perHour(GRASS)
                    / (occupied ? Assumptions.DEFAULTS.day().crowdedFactor() : 1)
                    / DAYS;
        }
        assertThat(sum / expected).isBetween(0.93, 1.07);
        assertThat(crowd)
                .isBetween(
                        MODEL.spot("grass-1").crowdRisk() - 0.04,
                        MODEL.spot("grass-1").crowdRisk() + 0.04);
    }

    @Test
    void whoIsLatePaysByTheRulesAndAfterwardsNothingGoesOn() {
        Rehearsal day = day(7);
        day.go(GRASS);
        day.fish(Duration.ofHours(4));
        double bag = day.bag().weighedGrams();
        day.waitUntil(at("06-05T15:04"));
        assertThat(day.home()).isEmpty();
        double late = Duration.between(at("06-05T15:00"), day.now()).toMillis() / 60_000.0;
        assertThat(late).isBetween(4.0, 9.0);
        assertThat(day.countedGrams()).isLessThan(bag).isGreaterThanOrEqualTo(0);
        assertThat(day.home()).contains(Rehearsal.Refusal.OVER);
        assertThat(day.go(GRASS)).contains(Rehearsal.Refusal.OVER);
        assertThat(day.fish(Duration.ofMinutes(5))).contains(Rehearsal.Refusal.OVER);
    }

    @Test
    void whoDoesWhatIsAdvisedIsBackInTimeAndNothingCostsHim() {
        Players players = new Players(KNOWN);
        double advised = 0;
        double again = 0;
        double idle = 0;
        for (int j = 0; j < OTHERS; j++) {
            Rehearsal day = players.advised(day(j));
            assertThat(day.now()).as("day " + j).isBetween(at("06-05T13:00"), at("06-05T14:46"));
            assertThat(Costs.of(day.choices(), KNOWN)).as("day " + j).isEmpty();
            advised += day.countedGrams() / OTHERS;
            Rehearsal planner = players.planningAgain(day(j), new Effort(60, 24, 12, 1, j));
            assertThat(planner.now()).as("day " + j).isBetween(at("06-05T13:00"), at("06-05T14:46"));
            again += planner.countedGrams() / OTHERS;
            Rehearsal stays = day(j);
            stays.go(new Cell("point-1", "walker"));
            stays.fish(Duration.ofHours(8));
            stays.home();
            idle += stays.countedGrams() / OTHERS;
        }
        assertThat(advised).as("advised, against one spot all day").isGreaterThan(idle);
        assertThat(again).as("planned again, against one spot all day").isGreaterThan(idle);
    }

    @Test
    void stayingWhereNothingBitesCostsAndSaysWhereItWasBetter() {
        Rehearsal day = day(11);
        Cell poor = new Cell("point-1", "walker");
        day.go(poor);
        for (int i = 0; i < 12; i++) {
            day.fish(Duration.ofMinutes(15));
        }
        List<Costs.Cost> costs = Costs.of(day.choices(), KNOWN);
        assertThat(costs).isNotEmpty();
        assertThat(costs.getFirst().chosen()).isEqualTo(poor);
        assertThat(costs.getFirst().better()).isNotEqualTo(poor);
        assertThat(costs.getFirst().grams()).isGreaterThan(50);
        assertThat(costs)
                .isSortedAccordingTo(
                        Comparator.comparingDouble(Costs.Cost::grams).reversed());
    }

    /** The costs of single choices are shown one by one and added up: their sum has to be what such a day loses. */
    @Test
    void choicesCostTogetherWhatIsLostBesideTheAdvice() {
        Players players = new Players(KNOWN);
        Cell poor = new Cell("point-1", "walker");
        double[] lost = new double[2];
        double[] cost = new double[2];
        for (int j = 0; j < 60; j++) {
            double advised = players.advised(day(j)).countedGrams();
            Rehearsal stays = day(j);
            fished(stays, poor, 34, 15);
            Rehearsal leaves = day(j);
            fished(leaves, poor, 4, 15);
            List<Rehearsal> days = List.of(stays, leaves);
            for (int i = 0; i < days.size(); i++) {
                days.get(i).home();
                lost[i] += advised - days.get(i).countedGrams();
                cost[i] += Costs.of(days.get(i).choices(), KNOWN).stream()
                        .mapToDouble(Costs.Cost::grams)
                        .sum();
            }
        }
        assertThat(cost[0] / lost[0]).as("staying where it is poor").isBetween(0.75, 1.35);
        assertThat(cost[1] / lost[1]).as("going home in the morning").isBetween(0.75, 1.35);
    }

    /** Time ashore for lightning costs nothing. */
    @Test
    void waitingForAStormCostsNothing() {
        EventData stormy =
                EVENT.toBuilder().forecast(List.of(lightning("07:00", "08:00"))).build();
        FittedDayModel model = new FittedDayModel(stormy, 1, Assumptions.DEFAULTS);
        DayKnowledge known = new DayKnowledge(model, RUNS, stormy.forecast());
        Rehearsal day = new Rehearsal(model, stormy, RUNS, new HiddenDay(TRUTH, 2, 2));
        Shelter launch = Shelter.of(stormy).getFirst();
        day.waitUntil(at("06-05T06:55"));
        day.shelter(launch);
        assertThat(day.now()).isEqualTo(at("06-05T08:30"));
        assertThat(Costs.of(day.choices(), known)).isEmpty();
        day.shelter(launch);
        assertThat(Costs.of(day.choices(), known))
                .as("when it has gone")
                .singleElement()
                .satisfies(c -> assertThat(c.chosen()).isNull());
    }

    @Test
    void othersAreAshoreToo() {
        EventData stormy = EVENT.toBuilder()
                .forecast(List.of(
                        new ForecastPeriod(at("06-05T09:00"), at("06-05T10:00"), null, null, null, null, null, true)))
                .build();
        FittedDayModel model = new FittedDayModel(stormy, 1, Assumptions.DEFAULTS);
        DayRuns runs = DayRuns.of(stormy, Assumptions.DEFAULTS.planning());
        ScenarioSet truth = new ScenarioSet(model, 40, 2);
        Players players = new Players(new DayKnowledge(model, runs, stormy.forecast()));
        for (int j = 0; j < 10; j++) {
            for (Rehearsal day : List.of(
                    players.advised(new Rehearsal(model, stormy, runs, new HiddenDay(truth, j, j))),
                    players.planningAgain(
                            new Rehearsal(model, stormy, runs, new HiddenDay(truth, j, j)),
                            new Effort(100, 40, 12, 1, j)))) {
                assertThat(day.entries())
                        .as("day " + j)
                        .noneMatch(e -> e.at().isAfter(at("06-05T09:00")) && e.at().isBefore(at("06-05T10:30")));
                assertThat(day.now()).isBefore(at("06-05T14:46"));
            }
        }
    }

    private static ForecastPeriod lightning(String from, String to) {
        return new ForecastPeriod(at("06-05T" + from), at("06-05T" + to), null, null, null, null, null, true);
    }

    /** The storm of the morning comes early, the one of the afternoon is still to come: who heard it knows when it is over. */
    @Test
    void aStormThatHasComeIsTheOneThatWasForecast() {
        List<ForecastPeriod> forecast = List.of(
                new ForecastPeriod(at("06-05T06:00"), at("06-05T09:30"), null, null, null, null, null, null),
                lightning("09:30", "10:30"),
                new ForecastPeriod(at("06-05T10:30"), at("06-05T13:30"), null, null, null, null, null, null),
                lightning("13:30", "14:00"));
        EventData stormy = EVENT.toBuilder().forecast(forecast).build();
        FittedDayModel model = new FittedDayModel(stormy, 1, Assumptions.DEFAULTS);
        List<ForecastPeriod> actual = List.of(lightning("08:15", "09:15"), lightning("12:15", "12:45"));
        DayKnowledge known = new DayKnowledge(model, RUNS, actual);
        assertThat(known.at(at("06-05T08:14"))).isSameAs(model);
        assertThat(storms(known, "08:15"))
                .containsExactly(span("08:15", "09:15"), span("13:30", "14:00"))
                .isEqualTo(storms(known, "11:00"));
        assertThat(storms(known, "12:30")).containsExactly(span("08:15", "09:15"), span("12:15", "12:45"));
        assertThat(known.at(at("06-05T12:30")).rate(GRASS, 3)).isEqualTo(model.rate(GRASS, 3));

        Rehearsal day = new Players(known)
                .advised(new Rehearsal(
                        model, stormy.toBuilder().forecast(actual).build(), RUNS, new HiddenDay(TRUTH, 1, 1)));
        assertThat(day.entries())
                .as("it is fished when the storm has gone, in hours that were forecast with it")
                .anyMatch(e -> e instanceof Entry.Fishing f
                        && f.spotId() != null
                        && e.at().isAfter(at("06-05T09:30"))
                        && e.at().isBefore(at("06-05T10:30")));
    }

    private static LightningHours.Span span(String from, String to) {
        return new LightningHours.Span(at("06-05T" + from), at("06-05T" + to));
    }

    private static List<LightningHours.Span> storms(DayKnowledge known, String time) {
        return LightningHours.storms(known.at(at("06-05T" + time)).event().forecast());
    }

    /** A storm may last beyond what the forecast speaks of. */
    @Test
    void aStormPastTheForecastsEndIsKnownToItsEnd() {
        EventData stormy =
                EVENT.toBuilder().forecast(List.of(lightning("13:00", "14:00"))).build();
        FittedDayModel model = new FittedDayModel(stormy, 1, Assumptions.DEFAULTS);
        for (String from : List.of("13:30", "14:15")) {
            DayKnowledge known = new DayKnowledge(model, RUNS, List.of(lightning(from, "15:00")));
            assertThat(storms(known, from)).containsExactly(span(from, "15:00"));
        }
    }
}
