package lochan.core.competition;

import static lochan.core.Sample.at;
import static lochan.core.Sample.fish;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import lochan.core.Sample;
import lochan.core.Violation;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import org.junit.jupiter.api.Test;

class BagLogTest {

    private static final Event TWO_FISH = Sample.tournament(2, List.of(Sample.LARGEMOUTH));

    private static Entry.Correct correct(String id, String fish, Double grams) {
        return new Entry.Correct(id, at("06-05T09:00"), fish, grams, null, null);
    }

    private static Entry.Void undo(String id, String entry) {
        return new Entry.Void(id, at("06-05T09:00"), entry);
    }

    private static List<String> well(BagLog log) {
        return log.bag(1).fish().stream().map(Fish::id).toList();
    }

    private static Verdict last(BagLog log) {
        return log.rows().getLast().verdict();
    }

    /** The second tap completes the first entry: one fish is lost, and the log knows how. */
    @Test
    void sayingHowAFishWasLostCompletesItsEntry() {
        Entry.Bite lost = new Entry.Bite("b", at("06-05T07:00"), "s", "p", Outcome.LOST);
        Entry.Loss how = new Entry.Loss("h", at("06-05T07:01"), "b", LossWay.JUMPED_OFF);
        BagLog log = BagLog.replay(TWO_FISH, List.of(lost, how));

        assertThat(log.valid(1))
                .filteredOn(Entry.Bite.class::isInstance)
                .containsExactly(new Entry.Bite("b", lost.at(), "s", "p", Outcome.LOST, LossWay.JUMPED_OFF));
        assertThat(log.append(new Entry.Void("v", at("06-05T07:02"), "h"))).isEmpty();
        assertThat(log.valid(1)).contains(lost);
        assertThat(log.append(new Entry.Loss("x", at("06-05T07:03"), "h", LossWay.JUMPED_OFF)))
                .hasValueSatisfying(v -> assertThat(v.field()).isEqualTo("entry"));
    }

    @Test
    void culledTagGoesToTheNewFish() {
        BagLog log = BagLog.replay(TWO_FISH, List.of(fish("a", 1000), fish("b", 900), fish("c", 1100)));

        assertThat(last(log)).isEqualTo(Verdict.cull("b"));
        assertThat(log.bag(1).fish()).extracting(Fish::tag).containsExactly("Red", "White");
        assertThat(log.rows().getLast().tag()).isEqualTo("White");
        assertThat(log.bag(1).needsGrams()).isEqualTo(1000);
    }

    @Test
    void aWishedTagIsGivenWhileItIsFree() {
        Entry.Catch blue = EntryCatchBuilder.builder(fish("b", 900)).tag("Blue").build();
        Entry.Catch again = EntryCatchBuilder.builder(blue)
                .id("c")
                .at(at("06-05T07:10"))
                .grams(950.0)
                .build();

        assertThat(BagLog.replay(TWO_FISH, List.of(blue, again)).bag(1).fish())
                .extracting(Fish::tag)
                .containsExactly("Blue", "Red");
    }

    @Test
    void aFishOfExactlyTheMinimumIsLegalAndOneJustUnderIsShort() {
        BagLog log = new BagLog(TWO_FISH);
        log.append(fish("a", Species.LARGEMOUTH, 900.0, 355.6));
        assertThat(last(log).decision()).isEqualTo(Decision.KEEP);
        log.append(fish("b", Species.LARGEMOUTH, 900.0, 355.5));
        assertThat(last(log)).isEqualTo(Verdict.release(Verdict.Reason.SHORT, "b"));
    }

    @Test
    void aDeadFishStaysAndIsPenalised() {
        BagLog log = BagLog.replay(
                TWO_FISH,
                List.of(fish("a", 500), fish("b", 900), new Entry.Died("d", at("06-05T08:00"), "a"), fish("c", 800)));

        assertThat(last(log)).isEqualTo(Verdict.release(Verdict.Reason.TOO_LIGHT, "c"));
        assertThat(log.bag(1).totalGrams()).isEqualTo(1400);
        assertThat(log.bag(1).netGrams()).isEqualTo(1400 - 113.4);
        assertThat(log.bag(1).needsGrams()).isEqualTo(900);
    }

    @Test
    void nothingCanBeCulledWhenAllAreDead() {
        BagLog log = BagLog.replay(
                TWO_FISH,
                List.of(
                        fish("a", 500),
                        fish("b", 600),
                        new Entry.Died("d", at("06-05T08:00"), "a"),
                        new Entry.Died("e", at("06-05T08:00"), "b"),
                        fish("c", 3000)));

        assertThat(last(log)).isEqualTo(Verdict.release(Verdict.Reason.NOTHING_TO_CULL, "c"));
        assertThat(log.bag(1).needsGrams()).isNull();
    }

    @Test
    void weightsCloserThanTheScaleCanTellGoOnTheBalance() {
        Event scale = Sample.tournament(Format.LIMIT_WEIGHT, 1, List.of(Sample.LARGEMOUTH), 20.0);
        BagLog log = BagLog.replay(scale, List.of(fish("a", 1000), fish("b", 1019)));

        assertThat(log.bag(1).pending()).isEqualTo(Verdict.balance("b", "a"));
        assertThat(log.bag(1).inHand().id()).isEqualTo("b");
        assertThat(log.append(fish("c", 2000)))
                .get()
                .extracting(v -> v.reason().code())
                .isEqualTo(LogProblem.FISH_IN_HAND);

        assertThat(log.append(new Entry.Balance("x", at("06-05T08:00"), "b", "a")))
                .isEmpty();
        assertThat(well(log)).containsExactly("b");
        assertThat(BagLog.replay(scale, List.of(fish("a", 1000), fish("b", 1020)))
                        .bag(1)
                        .pending())
                .isNull();
    }

    @Test
    void aCorrectionSettlesTheFishInHand() {
        BagLog log = BagLog.replay(
                Sample.tournament(1, List.of(Sample.LARGEMOUTH)), List.of(fish("a", 1000), fish("b", 1000)));
        log.append(correct("k", "b", 1010.0));

        assertThat(last(log)).isEqualTo(Verdict.cull("a"));
        assertThat(well(log)).containsExactly("b");
    }

    @Test
    void aCorrectionOfAReleasedFishBringsItBackNever() {
        BagLog log = BagLog.replay(
                TWO_FISH, List.of(fish("a", 1000), fish("b", 900), fish("c", 800), correct("k", "c", 3000.0)));

        assertThat(well(log)).containsExactly("a", "b");
    }

    @Test
    void aVoidedCatchLeavesTheLivewellAndItsVoidCanBeTakenBackWhileThereIsRoom() {
        BagLog log = BagLog.replay(TWO_FISH, List.of(fish("a", 1000), fish("b", 900), undo("v", "a")));
        assertThat(well(log)).containsExactly("b");

        assertThat(log.append(undo("w", "v"))).isEmpty();
        assertThat(well(log)).containsExactlyInAnyOrder("a", "b");

        BagLog full = BagLog.replay(TWO_FISH, List.of(fish("a", 1000), fish("b", 900), undo("v", "a"), fish("c", 700)));
        assertThat(full.append(undo("w", "v")))
                .get()
                .extracting(v -> v.reason().code())
                .isEqualTo(LogProblem.NO_ROOM_TO_RETURN);
    }

    @Test
    void daysHaveWellsOfTheirOwn() {
        Entry.Catch sunday =
                EntryCatchBuilder.builder(fish("s", 700)).at(at("06-06T07:00")).build();
        BagLog log = BagLog.replay(TWO_FISH, List.of(fish("a", 1000), sunday));

        assertThat(well(log)).containsExactly("a");
        assertThat(log.bag(2).fish()).extracting(Fish::id).containsExactly("s");
    }

    @Test
    void theSameEntriesAlwaysGiveTheSameRows() {
        List<Entry> entries = List.of(fish("a", 1000), fish("b", 900), fish("c", 1100), undo("v", "c"), fish("d", 500));

        assertThat(BagLog.replay(TWO_FISH, entries).rows())
                .isEqualTo(BagLog.replay(TWO_FISH, entries).rows());
    }

    @Test
    void refusesEntriesThatCannotStandWhereTheyAre() {
        BagLog log = BagLog.replay(TWO_FISH, List.of(fish("a", 1000), fish("b", 900)));

        assertThat(log.append(fish("a", 700)))
                .get()
                .extracting(Violation::field)
                .isEqualTo("id");
        assertThat(log.append(fish("x", Double.NaN)))
                .get()
                .extracting(Violation::field)
                .isEqualTo("grams");
        assertThat(log.append(undo("x", "nothing")))
                .get()
                .extracting(Violation::field)
                .isEqualTo("entry");
        assertThat(log.append(correct("x", "nothing", 1.0)))
                .get()
                .extracting(Violation::field)
                .isEqualTo("catch");
        assertThat(log.append(correct("x", "a", null)))
                .get()
                .extracting(Violation::field)
                .isEqualTo("grams");
        assertThat(log.append(new Entry.Balance("x", at("06-05T08:00"), "a", "a")))
                .get()
                .extracting(Violation::field)
                .isEqualTo("lighter");
        assertThat(log.rows()).as("nothing of that was added").hasSize(2);
        assertThatThrownBy(() -> BagLog.replay(TWO_FISH, List.of(fish("a", 1), fish("a", 2))))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("entry a");
    }

    @Test
    void theBalanceCannotContradictItself() {
        Event one = Sample.tournament(1, List.of(Sample.LARGEMOUTH));
        BagLog log = BagLog.replay(
                one,
                List.of(
                        fish("a", Species.LARGEMOUTH, null, null),
                        fish("b", Species.LARGEMOUTH, null, null),
                        new Entry.Balance("x", at("06-05T08:00"), "b", "a")));

        assertThat(log.append(new Entry.Balance("y", at("06-05T08:00"), "a", "b")))
                .get()
                .extracting(v -> v.reason().code())
                .isEqualTo(LogProblem.BALANCE_CONTRADICTS);
    }

    private static Event with(SpeciesRule rule, boolean culling) {
        Event event = Sample.tournament(3, List.of(rule));
        Rules rules = event.rules();
        return event.withRules(new Rules(
                rules.format(),
                rules.limit(),
                rules.targetGrams(),
                rules.scaleGrams(),
                rules.species(),
                Scoring.DEFAULT.withCulling(culling),
                rules.penalties(),
                rules.gear()));
    }

    @Test
    void betweenTheEndsOfASlotNoneIsKeptAndOverItOne() {
        Event slot = with(
                new SpeciesRule(Species.LARGEMOUTH, 300.0, null, new SpeciesRule.Slot(350, 450, 1), null, Map.of()),
                true);
        BagLog log = new BagLog(slot);
        log.append(fish("low", Species.LARGEMOUTH, 500.0, 340.0));
        assertThat(last(log).decision()).isEqualTo(Decision.KEEP);
        for (double mm : new double[] {350, 400, 450}) {
            log.append(fish("in" + mm, Species.LARGEMOUTH, 900.0, mm));
            assertThat(last(log).reason()).isEqualTo(Verdict.Reason.IN_SLOT);
        }
        log.append(fish("over", Species.LARGEMOUTH, 1500.0, 451.0));
        assertThat(last(log).decision()).isEqualTo(Decision.KEEP);
        log.append(fish("lighter", Species.LARGEMOUTH, 1400.0, 455.0));
        assertThat(last(log)).isEqualTo(Verdict.release(Verdict.Reason.OVER_FULL, "lighter"));
        log.append(fish("heavier", Species.LARGEMOUTH, 1600.0, 455.0));
        assertThat(last(log)).as("though the lightest of the well is another").isEqualTo(Verdict.cull("over"));
        assertThat(well(log)).containsExactly("low", "heavier");
    }

    @Test
    void aFishUnderTheLeastWeightIsReleasedAndOneNotWeighedIsNotJudgedByIt() {
        BagLog log = new BagLog(with(new SpeciesRule(Species.LARGEMOUTH, null, 700.0, null, null, Map.of()), true));
        log.append(fish("light", 699));
        assertThat(last(log)).isEqualTo(Verdict.release(Verdict.Reason.LIGHT, "light"));
        log.append(fish("just", 700));
        log.append(fish("unweighed", Species.LARGEMOUTH, null, null));
        assertThat(well(log)).containsExactly("just", "unweighed");
    }

    @Test
    void whereCullingIsNotAllowedAFullWellStays() {
        BagLog log = new BagLog(with(new SpeciesRule(Species.LARGEMOUTH, null, null), false));
        for (String id : List.of("a", "b", "c")) {
            log.append(fish(id, 800));
        }
        log.append(fish("giant", 4000));
        assertThat(last(log)).isEqualTo(Verdict.release(Verdict.Reason.NO_CULLING, "giant"));
        assertThat(log.bag(1).needsGrams()).as("no fish helps any more").isNull();
        log.append(undo("v", "b"));
        log.append(fish("next", 700));
        assertThat(well(log)).containsExactly("a", "c", "next");
    }
}
