package lochan.core.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import org.junit.jupiter.api.Test;

class OutlooksTest {

    private static final EventData EVENT = Sample.practiced(5, 1);
    private static final DayModel MODEL = new FittedDayModel(EVENT, 1, Assumptions.DEFAULTS);
    private static final Outlooks OUTLOOKS = new Outlooks(MODEL, Outlooks.ENOUGH_SCENARIOS, 3);
    private static final Cell GRASS = new Cell("grass-1", "walker");
    private static final List<PlanStop> PLAN = List.of(
            new PlanStop("grass-1", "walker", at("06:30"), at("09:00")),
            new PlanStop("ledge-1", "swim-jig", at("09:30"), at("14:00")));
    /** Of quantiles of 5 000 days, relative. */
    private static final double SAMPLED = 0.05;

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static Bag bag(double... grams) {
        BagLog log = new BagLog(EVENT.event());
        IntStream.range(0, grams.length).forEach(i -> log.append(Sample.fish("f" + i, grams[i])));
        return log.bag(1);
    }

    private static Today seen(int bites, String from, String to) {
        return new Today(
                List.of(new Today.Effort(GRASS, at(from), at(to))),
                Stream.generate(() -> new Today.Bite(GRASS, at(from).plusSeconds(600)))
                        .limit(bites)
                        .toList());
    }

    @Test
    void beforeAnythingWasSeenItIsThePlansOwnProjection() {
        Outlook outlook = OUTLOOKS.of(Today.NOTHING, PLAN, bag());
        PlanValue plan = new PlanValuer(new ScenarioSet(MODEL, 4000, 9)).value(PLAN, 100_000);
        assertThat(outlook.p50Grams()).isCloseTo(plan.p50(), within(SAMPLED * plan.p50()));
        assertThat(outlook.p90Grams()).isCloseTo(plan.p90(), within(SAMPLED * plan.p90()));
        assertThat(outlook.chanceOfTarget()).isCloseTo(plan.chanceOfTarget(), within(0.02));
        assertThat(outlook.effectiveSample()).isEqualTo(20_000);
    }

    @Test
    void aGoodMorningRaisesAndABlankLowersWhatIsToCome() {
        List<PlanStop> rest = Outlooks.rest(PLAN, at("08:30"));
        Outlook blank = OUTLOOKS.of(seen(0, "06:30", "08:30"), rest, bag());
        Outlook good = OUTLOOKS.of(seen(6, "06:30", "08:30"), rest, bag());
        assertThat(good.p50Grams()).isGreaterThan(blank.p50Grams());
        assertThat(good.effectiveSample()).isLessThan(20_000).isGreaterThan(1000);
    }

    @Test
    void whenNothingIsLeftToFishItIsTheBag() {
        Outlook outlook = OUTLOOKS.of(seen(2, "06:30", "14:00"), List.of(), bag(1500, 900));
        assertThat(List.of(outlook.p10Grams(), outlook.p50Grams(), outlook.p90Grams()))
                .allSatisfy(g -> assertThat(g).isCloseTo(2400, within(1e-6)));
        assertThat(outlook.chanceOfTarget()).isZero();
    }

    @Test
    void oneMoreFishAddsItsWeightWhereThereIsRoomAndWhatItBeatsTheLightestByWhereThereIsNone() {
        List<Double> fish = List.of(500.0, 2000.0);
        Outlook room = OUTLOOKS.of(Today.NOTHING, new Outlooks.Question(List.of(), bag(1500, 900), fish, 1));
        Outlook full =
                OUTLOOKS.of(Today.NOTHING, new Outlooks.Question(List.of(), bag(1500, 900, 1000, 1100, 1200), fish, 1));
        Outlook early = OUTLOOKS.of(Today.NOTHING, new Outlooks.Question(PLAN, bag(1500, 900), fish, 1));
        assertThat(room.adds()).containsExactly(500.0, 2000.0);
        assertThat(full.adds()).containsExactly(0.0, 1100.0);
        assertThat(early.adds().getFirst()).isBetween(0.0, 500.0);
        assertThat(early.adds().getLast()).isBetween(early.adds().getFirst(), 2000.0);
        assertThat(room.chanceOfMore()).isZero();
        assertThat(early.chanceOfMore()).isGreaterThan(0.5);
        assertThat(OUTLOOKS.of(Today.NOTHING, new Outlooks.Question(PLAN, bag(1500, 900), fish, 0.5))
                        .p50Grams())
                .isCloseTo(2400 + (early.p50Grams() - 2400) / 2, within(1e-6));
    }

    @Test
    void theRestOfTheDayIsPlannedInDaysLikeThisMorning() {
        int kept = 400;
        ScenarioSet usual = new ScenarioSet(MODEL, kept, 3);
        ScenarioSet blank = Outlooks.likely(MODEL, seen(0, "06:30", "09:30"), 3000, kept, 3);
        ScenarioSet good = Outlooks.likely(MODEL, seen(6, "06:30", "08:30"), 3000, kept, 3);
        List<PlanStop> there = List.of(new PlanStop("grass-1", "walker", at("09:30"), at("12:00")));
        assertThat(blank.count()).isCloseTo(kept, within(1));
        assertThat(new PlanValuer(blank).formula(there)).isLessThan(new PlanValuer(usual).formula(there));
        assertThat(new PlanValuer(good).chanceOfNone(there)).isLessThan(new PlanValuer(blank).chanceOfNone(there));
    }

    @Test
    void moreScenariosAreDrawnWhereFewCarryTheWeight() {
        Outlook odd = OUTLOOKS.of(seen(40, "06:30", "08:30"), Outlooks.rest(PLAN, at("08:30")), bag());
        assertThat(odd.scenarios()).isGreaterThan(20_000);
        assertThat(odd.p50Grams()).isPositive();
    }

    @Test
    void theSameSeedGivesTheSameOutlook() {
        Today today = seen(1, "06:30", "08:30");
        assertThat(new Outlooks(MODEL, Outlooks.ENOUGH_SCENARIOS, 3).of(today, PLAN, bag()))
                .isEqualTo(OUTLOOKS.of(today, PLAN, bag()));
    }

    @Test
    void theRestOfAPlanBeginsNow() {
        assertThat(Outlooks.rest(PLAN, at("08:00")))
                .containsExactly(new PlanStop("grass-1", "walker", at("08:00"), at("09:00")), PLAN.get(1));
        assertThat(Outlooks.rest(PLAN, at("14:00"))).isEmpty();
    }

    @Test
    void aTriggerFiresWhenItsStopHadTooFewByItsTime() {
        Backups.Ladder ladder = new Backups.Ladder(
                new Pattern("grass-edge", "walker"),
                List.of(new Backups.Backup(
                        new Pattern("channel-ledge", "swim-jig"),
                        1000,
                        List.of(PLAN.get(1)),
                        List.of(new Backups.Trigger("grass-1", at("08:00"), 1)))));
        ScenarioSet set = OUTLOOKS.scenarios();
        assertThat(FiredTrigger.of(PLAN, ladder, seen(0, "06:30", "08:30"), at("08:30"), set))
                .singleElement()
                .satisfies(t -> {
                    assertThat(t.to().spotType()).isEqualTo("channel-ledge");
                    assertThat(t.seen()).isZero();
                    assertThat(t.chance()).isBetween(0.0, 1.0);
                });
        assertThat(FiredTrigger.of(PLAN, ladder, seen(1, "06:30", "08:30"), at("08:30"), set))
                .isEmpty();
        assertThat(FiredTrigger.of(PLAN, ladder, seen(0, "06:30", "07:30"), at("07:30"), set))
                .isEmpty();
    }

    @Test
    void fewBitesAreLessUsualTheLongerItWasFished() {
        double hour = Outlooks.chanceOfSoFew(OUTLOOKS.scenarios(), GRASS, at("06:30"), at("07:30"), 0);
        double three = Outlooks.chanceOfSoFew(OUTLOOKS.scenarios(), GRASS, at("06:30"), at("09:30"), 0);
        assertThat(three).isLessThan(hour);
        assertThat(Outlooks.chanceOfSoFew(OUTLOOKS.scenarios(), GRASS, at("06:30"), at("06:30"), 0))
                .isEqualTo(1);
    }
}
