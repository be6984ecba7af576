package lochan.core.planning.valuation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Species;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.KnownFish.Reaction;
import lochan.core.notebook.KnownFishBuilder;
import lochan.core.notebook.Notebook;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.search.TwoDays;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class KnownFishTest {

    private static final EventData EVENT = Sample.practiced(5, 1);
    private static final double FOUR_SIGMA = 4;

    private static KnownFish fish(double grams, LocalTime from, LocalTime to, Reaction... reactions) {
        List<KnownFish.Try> tries = java.util.Arrays.stream(reactions)
                .map(r -> new KnownFish.Try(Sample.at("06-03T09:00"), r, "swim-jig"))
                .toList();
        return KnownFishBuilder.builder()
                .id("f1")
                .spotId("point-1")
                .where("third dock")
                .kind(KnownFish.Kind.DOCK)
                .species(Species.LARGEMOUTH)
                .guessGrams(grams)
                .from(from)
                .to(to)
                .gone(false)
                .tries(tries)
                .entered(Map.of())
                .build();
    }

    private static ScenarioSet set(KnownFish fish, int day) {
        EventData event = fish == null ? EVENT : EVENT.withNotebook(Notebook.EMPTY.with(fish));
        return new ScenarioSet(new FittedDayModel(event, day, Assumptions.DEFAULTS), 400, 3);
    }

    private static List<PlanStop> visit(String from, String to) {
        return List.of(
                new PlanStop("grass-1", "walker", Sample.at("06-05T06:20"), Sample.at("06-05T08:00")),
                new PlanStop("point-1", "swim-jig", Sample.at("06-05T" + from), Sample.at("06-05T" + to)));
    }

    @Test
    void triesTellTheChance() {
        Assumptions.Notes a = Assumptions.DEFAULTS.notebook();
        assertThat(fish(2000, null, null).chancePerVisit(a)).isEqualTo(0.35);
        assertThat(fish(2000, null, null, Reaction.BIT, Reaction.LOOKED).chancePerVisit(a))
                .isCloseTo((0.7 + 1.3) / 4, within(1e-12));
        assertThat(fish(2000, null, null, Reaction.IGNORED, Reaction.SPOOKED).chancePerVisit(a))
                .isCloseTo(0.7 / 4, within(1e-12));
    }

    @Test
    void aVisitIsWorthTheFishWithItsChanceLessTheCrowd() {
        PlanValuer without = new PlanValuer(set(null, 1));
        PlanValuer with = new PlanValuer(set(fish(3000, null, null), 1));
        double gain = with.formula(visit("09:00", "10:00")) - without.formula(visit("09:00", "10:00"));
        double most = 0.35 * 0.8 * 3000 / Math.exp(0.05) * 1.02;
        assertThat(gain).isBetween(0.4 * most, most);
        assertThat(with.formula(visit("09:00", "10:00").subList(0, 1)))
                .isEqualTo(without.formula(visit("09:00", "10:00").subList(0, 1)));
    }

    @Test
    void theFormulaAgreesWithTheSimulatedDays() {
        PlanValue value =
                new PlanValuer(set(fish(2600, null, null, Reaction.BIT), 1)).value(visit("09:00", "10:00"), 120_000);
        assertThat(value.simulatedGrams())
                .isCloseTo(
                        value.formulaGrams(), within(FOUR_SIGMA * value.standardError() + 0.01 * value.formulaGrams()));
    }

    @Test
    void outOfItsSunWindowItIsNotVisited() {
        PlanValuer without = new PlanValuer(set(null, 1));
        PlanValuer with = new PlanValuer(set(fish(3000, LocalTime.of(11, 0), LocalTime.of(14, 0)), 1));
        assertThat(with.formula(visit("09:00", "10:00"))).isEqualTo(without.formula(visit("09:00", "10:00")));
        assertThat(with.formula(visit("10:50", "11:05"))).isEqualTo(without.formula(visit("10:50", "11:05")));
        assertThat(with.formula(visit("10:50", "11:20"))).isGreaterThan(without.formula(visit("10:50", "11:20")));
    }

    @Tag("slow")
    @Test
    void theSearchGoesToABigOneThatBites() {
        ScenarioSet set =
                set(fish(4000, LocalTime.of(9, 0), LocalTime.of(12, 0), Reaction.BIT, Reaction.BIT, Reaction.BIT), 1);
        DayRuns runs = DayRuns.of(set.model().event(), Assumptions.DEFAULTS.planning());
        List<PlanStop> plan = new DayPlanner(set, runs, DayPlanner.Wishes.of(Strategy.BALANCED), 1).plan(9, i -> true);
        FishVisits visits = FishVisits.of(set.model());
        assertThat(visits.of(plan)[0]).isPositive();
        Instant first = visits.firstVisit(set.model().knownFish().getFirst().fish(), plan);
        assertThat(first).isBetween(Sample.at("06-05T08:00"), Sample.at("06-05T12:00"));
    }

    @Test
    void whatTheFirstDayCatchesIsNotThereOnTheSecond() {
        KnownFish fish = fish(3500, null, null, Reaction.BIT, Reaction.BIT);
        ScenarioSet later = set(fish, 2);
        ScenarioSet left = TwoDays.after(later, 1, visit("09:00", "10:00"));
        for (int j = 0; j < later.count(); j++) {
            int before = later.visitsNeeded(0, j);
            assertThat(left.visitsNeeded(0, j))
                    .isEqualTo(before == 1 || before == Integer.MAX_VALUE ? Integer.MAX_VALUE : before - 1);
        }
    }

    @Test
    void aShortFishOrOneThatIsGoneIsNotPlannedFor() {
        assertThat(set(fish(200, null, null), 1).model().knownFish()).isEmpty();
        assertThat(set(fish(3000, null, null).gone(true), 1).model().knownFish())
                .isEmpty();
        assertThatThrownBy(() -> fish(0, null, null)).hasMessageContaining("guessGrams is 0.0");
        assertThatThrownBy(() -> fish(1000, LocalTime.NOON, LocalTime.of(9, 0)))
                .hasMessageContaining("the earlier first");
    }
}
