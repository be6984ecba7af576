package lochan.core.planning.backups;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.Plan;
import lochan.core.plan.PlanStop;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Schedule;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class BackupsTest {

    private static final EventData EVENT = Sample.practiced(5, 3);
    private static final DayRuns RUNS = DayRuns.always(Runs.straight(EVENT.boat(), Assumptions.DEFAULTS.planning()));
    private static final Pattern MAIN = new Pattern("grass-edge", "swim-jig");
    /** Nearly the whole day on one pattern, so that it is the main one. */
    private static final List<PlanStop> PLAN = List.of(
            new PlanStop("grass-1", "swim-jig", Sample.at("06-05T06:20"), Sample.at("06-05T10:00")),
            new PlanStop("grass-2", "swim-jig", Sample.at("06-05T10:30"), Sample.at("06-05T13:30")),
            new PlanStop("ledge-1", "walker", Sample.at("06-05T14:00"), Sample.at("06-05T14:20")));

    private static ScenarioSet set() {
        return new ScenarioSet(new FittedDayModel(EVENT, 1, Assumptions.DEFAULTS), 200, 5);
    }

    @Tag("slow")
    @Test
    void otherPatternsAreRankedWhereTheMainOneFails() {
        Backups.Ladder ladder = Backups.of(set(), RUNS, PLAN, 1, 2);
        List<Backups.Backup> backups = ladder.backups();

        assertThat(ladder.main()).isEqualTo(MAIN);
        assertThat(backups)
                .isNotEmpty()
                .noneMatch(b -> b.pattern().equals(MAIN))
                .isSortedAccordingTo((a, b) -> Double.compare(b.grams(), a.grams()))
                .allSatisfy(b -> {
                    assertThat(PlanCheck.check(EVENT, new Plan(1, "", b.stops())))
                            .isEmpty();
                    assertThat(b.stops()).allMatch(s -> set().model()
                            .pattern(new Cell(s.spotId(), s.presentationId()))
                            .equals(b.pattern()));
                });
        assertThat(Backups.of(set(), RUNS, PLAN, 1, 2)).isEqualTo(ladder);
        assertThat(Backups.of(set(), RUNS, List.of(), 1, 2).backups()).isEmpty();
    }

    @Test
    void triggersStandAtStopsOfTheMainPatternAndAskForABiteAtLeast() {
        assertThat(Backups.of(set(), RUNS, PLAN, 1, 2).backups())
                .flatExtracting(Backups.Backup::triggers)
                .isNotEmpty()
                .allSatisfy(t -> {
                    PlanStop stop = PLAN.stream()
                            .filter(s -> s.spotId().equals(t.spotId()))
                            .findFirst()
                            .orElseThrow();
                    assertThat(stop.spotId()).startsWith("grass");
                    assertThat(t.at()).isAfter(stop.arrive()).isBeforeOrEqualTo(stop.leave());
                    assertThat(t.bitesBelow()).isPositive();
                });
    }

    /**
     * The quarter of days on which a pattern's effect is lowest is worse for it than all days, and a part of the set is
     * valued as in the whole set.
     */
    @Test
    void aPartOfTheScenariosIsWhatItWasInTheWhole() {
        ScenarioSet all = set();
        double[] effect = all.dayEffect(MAIN);
        int lowest = 0;
        for (int j = 1; j < effect.length; j++) {
            lowest = effect[j] < effect[lowest] ? j : lowest;
        }
        ScenarioSet one = all.only(new int[] {lowest});
        List<PlanStop> stop = PLAN.subList(0, 1);
        double[] grams = new PlanValuer(all)
                .outcomes(Schedule.segments(stop, all.model().bins()), all.count(), false)
                .grams();

        assertThat(new PlanValuer(one).formula(stop)).isEqualTo(grams[lowest]);
        assertThat(effect[lowest]).isLessThan(1);
        assertThat(grams[lowest]).isLessThan(new PlanValuer(all).formula(stop));
    }
}
