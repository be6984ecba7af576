package lochan.core.planning.search;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Boat;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.Strategy;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

@Tag("slow")
class NextCheckTest {

    private static final DayRuns RUNS = DayRuns.always(Runs.straight(Boat.USUAL, Assumptions.DEFAULTS.planning()));

    private static List<PlanStop> searched(ScenarioSet set) {
        return new DayPlanner(set, RUNS, DayPlanner.Wishes.of(Strategy.BALANCED), 1).plan(2, i -> true);
    }

    private static NextCheck check(EventData event, Function<ScenarioSet, List<PlanStop>> planner) {
        return new NextCheck(event, 1, Assumptions.DEFAULTS, planner, 40, 7);
    }

    static IntStream seeds() {
        return IntStream.range(0, Boolean.getBoolean("lochan.long") ? 4 : 2);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void looksAreWorthNothingOrMoreAndTheBestComesFirst(int seed) {
        EventData event = Sample.practiced(5, seed);
        NextCheck check = check(event, NextCheckTest::searched);
        List<NextCheck.Look> looks = check.of(check.promising(4, at("06-04T08:00")), at("06-04T08:00"), done -> true);

        assertThat(looks).hasSize(4).allSatisfy(l -> {
            assertThat(l.grams()).isNotNegative();
            assertThat(l.chanceOfNothing()).isBetween(0.0, 1.0);
        });
        assertThat(looks).extracting(NextCheck.Look::grams).isSortedAccordingTo(java.util.Comparator.reverseOrder());
        assertThat(check.of(check.promising(4, at("06-04T08:00")), at("06-04T08:00"), done -> true))
                .as("the same each time")
                .isEqualTo(looks);
    }

    @Test
    void endsWhenToldToWithWhatItHas() {
        EventData event = Sample.practiced(5, 1);
        NextCheck check = check(event, NextCheckTest::searched);

        assertThat(check.of(check.promising(4, at("06-04T08:00")), at("06-04T08:00"), done -> done < 2))
                .hasSize(2);
    }

    /** A planner that never changes its mind learns nothing. */
    @Test
    void aLookThatChangesNoPlanIsWorthNothing() {
        EventData event = Sample.practiced(5, 1);
        List<PlanStop> stubborn = searched(new ScenarioSet(new FittedDayModel(event, 1, Assumptions.DEFAULTS), 40, 7));

        assertThat(check(event, set -> stubborn)
                        .of(List.of(new Cell("grass-3", "walker")), at("06-04T08:00"), done -> true)
                        .getFirst()
                        .grams())
                .isCloseTo(0, within(1e-9));
    }

    @Test
    void theChanceOfNothingIsTheNegativeBinomials() {
        EventData event = Sample.practiced(5, 1);
        FittedDayModel model = new FittedDayModel(event, 1, Assumptions.DEFAULTS);
        Cell cell = new Cell("grass-3", "walker");
        GammaRate rate = model.rates(6).rate(cell, model.pattern(cell));
        NextCheck.Look look = check(event, NextCheckTest::searched)
                .of(List.of(cell), at("06-04T08:00"), done -> true)
                .getFirst();

        assertThat(look.chanceOfNothing())
                .isCloseTo(Math.pow(rate.rate() / (rate.rate() + 0.5), rate.shape()), within(1e-12));
        assertThat(look.untriedOfKind()).isBetween(0, 3);
    }

    @Test
    void waterNeverFishedIsAmongThePromising() {
        EventData event = Sample.practiced(5, 2);
        List<lochan.core.practice.PracticeStop> without = event.stops().stream()
                .filter(s -> !s.spotId().equals("grass-3"))
                .toList();
        EventData unfished = Sample.event(event.event(), event.spots(), without);

        assertThat(check(unfished, NextCheckTest::searched).promising(4, at("06-04T08:00")))
                .extracting(Cell::spotId)
                .contains("grass-3");
    }

    @Test
    void proposalsSpreadOverSpotsAndPatternsAndNoneGoesBackTheSameDay() {
        EventData event = Sample.practiced(5, 3);
        FittedDayModel model = new FittedDayModel(event, 1, Assumptions.DEFAULTS);
        NextCheck check = check(event, NextCheckTest::searched);

        List<Cell> chosen = check.promising(6, at("06-04T08:00"));

        assertThat(chosen).extracting(Cell::spotId).doesNotHaveDuplicates().isNotEmpty();
        assertThat(chosen.stream().collect(Collectors.groupingBy(model::pattern, Collectors.counting())))
                .allSatisfy((pattern, n) -> assertThat(n).isLessThanOrEqualTo(2));
        assertThat(check.promising(6, at("06-03T13:00")))
                .as("four of five spots were fished that day; nothing is known of the fifth's kind")
                .isEmpty();
    }
}
