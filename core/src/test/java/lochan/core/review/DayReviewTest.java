package lochan.core.review;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.live.Outlooks;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.backups.Backups;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.practice.Outcome;
import org.junit.jupiter.api.Test;

class DayReviewTest {

    private static final EventData EVENT = Sample.practiced(5, 1);
    private static final DayModel MODEL = new FittedDayModel(EVENT, 1, Assumptions.DEFAULTS);
    private static final ScenarioSet SCENARIOS = new ScenarioSet(MODEL, 300, 4);
    private static final DayRuns RUNS = DayRuns.always(Runs.straight(EVENT.boat(), Assumptions.DEFAULTS.planning()));
    private static final List<PlanStop> PLAN = List.of(
            new PlanStop("grass-1", "walker", at("06:30"), at("09:00")),
            new PlanStop("ledge-1", "swim-jig", at("09:30"), at("14:00")));
    private static final Backups.Ladder LADDER = new Backups.Ladder(
            new Pattern("grass-edge", "walker"),
            List.of(new Backups.Backup(
                    new Pattern("channel-ledge", "swim-jig"),
                    1000,
                    List.of(PLAN.get(1)),
                    List.of(new Backups.Trigger("grass-1", at("08:00"), 1)))));

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static Entry.Catch fish(String id, String time, double grams, String spot, String presentation) {
        return Sample.fish(id, at(time), grams, spot, presentation);
    }

    private static DayReview review(Double actual, Entry... entries) {
        return DayReview.of(
                new DayReview.Input(BagLog.replay(EVENT.event(), List.of(entries)), PLAN, LADDER, 1, actual),
                SCENARIOS,
                new Outlooks(MODEL, Outlooks.ENOUGH_SCENARIOS, 4),
                RUNS);
    }

    @Test
    void theFanRisesToThePlansOwnProjectionAndTheBagStandsBesideIt() {
        DayReview review = review(
                2400.0,
                fish("a", "07:00", 1000, "grass-1", "walker"),
                fish("b", "10:00", 1400, "ledge-1", "swim-jig"),
                new Entry.Void("v", at("10:05"), "a"),
                new Entry.Void("w", at("10:06"), "v"));
        PlanValue plan = new PlanValuer(SCENARIOS).value(PLAN, 60_000);
        assertThat(review.fan())
                .isSortedAccordingTo(java.util.Comparator.comparing(DayReview.Hour::at))
                .isSortedAccordingTo(java.util.Comparator.comparing(DayReview.Hour::p50Grams));
        assertThat(review.fan().getLast().p50Grams()).isCloseTo(plan.p50(), within(0.05 * plan.p50()));
        assertThat(review.fan().getLast().at()).isEqualTo(EVENT.day(1).checkIn());
        assertThat(review.bag()).extracting(DayReview.Moment::grams).containsExactly(1000.0, 2400.0, 1400.0, 2400.0);
        assertThat(review.projection().actualGrams()).isEqualTo(2400);
        assertThat(review.projection().p50Grams())
                .isCloseTo(review.fan().getLast().p50Grams(), within(1e-6));
    }

    @Test
    void aStopHasTheBitesOfItsSpotInItsTimeAndTheRestCameElsewhere() {
        DayReview review = review(
                null,
                new Entry.Fishing("f1", at("06:30"), "grass-1", "walker"),
                fish("a", "07:00", 1000, "grass-1", "walker"),
                new Entry.Bite("s", at("07:30"), "grass-1", "swim-jig", Outcome.LOST),
                new Entry.Fishing("f2", at("08:00"), "grass-2", "walker"),
                fish("b", "08:30", 900, "grass-2", "walker"),
                new Entry.Fishing("f3", at("09:45"), "ledge-1", "swim-jig"));
        assertThat(review.stops())
                .satisfiesExactly(
                        s -> {
                            assertThat(s.bites()).isEqualTo(2);
                            assertThat(s.landed()).isEqualTo(1);
                            assertThat(s.fished()).isEqualTo(Duration.ofMinutes(90));
                            assertThat(s.expectedBites()).isPositive();
                        },
                        s -> {
                            assertThat(s.bites()).isZero();
                            assertThat(s.fished()).isEqualTo(Duration.between(at("09:45"), at("14:00")));
                            assertThat(s.chanceOfSoFew()).isBetween(0.0, 1.0);
                        });
        assertThat(review.elsewhere()).isEqualTo(1);
        assertThat(review.projection()).isNull();
    }

    @Test
    void aTriggerThatFiredTellsWhatObeyingMightHaveComeTo() {
        Entry[] blank = {
            new Entry.Fishing("f1", at("06:30"), "grass-1", "walker"),
            new Entry.Fishing("f2", at("14:50"), null, null),
            new Entry.Official("o", at("15:30"), 0.0, 0)
        };
        assertThat(review(0.0, blank).triggers()).singleElement().satisfies(t -> {
            assertThat(t.fired().seen()).isZero();
            assertThat(t.hindsight().chanceOfMore())
                    .as("anything beats a blank")
                    .isGreaterThan(0.5);
            assertThat(t.hindsight().meanMoreGrams())
                    .isBetween(t.hindsight().p10MoreGrams(), t.hindsight().p90MoreGrams());
        });
        assertThat(review(30_000.0, blank).triggers().getFirst().hindsight().chanceOfMore())
                .isZero();
        assertThat(review(null, blank).triggers().getFirst().hindsight()).isNull();
        assertThat(review(
                                0.0,
                                new Entry.Fishing("f1", at("06:30"), "grass-1", "walker"),
                                fish("a", "07:00", 1000, "grass-1", "walker"))
                        .triggers())
                .isEmpty();
    }
}
