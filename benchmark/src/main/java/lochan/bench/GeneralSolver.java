package lochan.bench;

import ai.timefold.solver.core.api.domain.common.PlanningId;
import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.solution.PlanningEntityCollectionProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.domain.variable.PlanningVariable;
import ai.timefold.solver.core.api.score.HardSoftScore;
import ai.timefold.solver.core.api.score.calculator.EasyScoreCalculator;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.localsearch.LocalSearchPhaseConfig;
import ai.timefold.solver.core.config.solver.SolverConfig;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.model.scenario.ScenarioSet;

/**
 * Gives the day to Timefold Solver: slots in their order, each with a cell or none and a stay in steps of the grid; the
 * score is minutes
 * late, then V. Its local search with its usual moves and acceptance (late acceptance), begun with every slot empty: to construct a day by
 * trying each cell with each stay takes it longer than it is given.
 */
final class GeneralSolver {

    private static final int SLOTS = 12;
    private static final int FIRST_STAY = 9;
    private static final double MILLIGRAMS = 1000;

    private GeneralSolver() { }

    /** A place in the order of the day. */
    @PlanningEntity
    public static class Slot {

        @PlanningId
        public int id;
        @PlanningVariable(valueRangeProviderRefs = "cells", allowsUnassigned = true)
        public Integer cell;
        @PlanningVariable(valueRangeProviderRefs = "stays")
        public Integer stay;

        public Slot() { }

        Slot(int id, int stay) {
            this.id = id;
            this.stay = stay;
        }
    }

    /** The day. */
    @PlanningSolution
    public static class Day {

        @ValueRangeProvider(id = "cells")
        public List<Integer> cells;
        @ValueRangeProvider(id = "stays")
        public List<Integer> stays;
        @PlanningEntityCollectionProperty
        public List<Slot> slots;
        @PlanningScore
        public HardSoftScore score;
        public BenchDay problem;
        public PlanValuer valuer;

        public Day() { }
    }

    /** What a day is worth. */
    public static class PlanWorth implements EasyScoreCalculator<Day, HardSoftScore> {

        @Override
        public HardSoftScore calculateScore(Day day) {
            BenchDay.Tour tour = tour(day);
            return HardSoftScore.of(-Math.round(60 * tour.late()), tour.late() > 0 ? 0 : Math.round(MILLIGRAMS * day.valuer.formula(tour.stops())));
        }
    }

    private static BenchDay.Tour tour(Day day) {
        int[] visits = new int[2 * SLOTS];
        int count = 0;
        for (Slot slot : day.slots) {
            if (slot.cell != null && slot.stay != null) {
                visits[2 * count] = slot.cell;
                visits[2 * count++ + 1] = slot.stay;
            }
        }
        return day.problem.tour(visits, count);
    }

    /**
     * Its best plan.
     *
     * @param looked scenarios that its objective looks at
     */
    static List<PlanStop> planned(BenchDay problem, ScenarioSet looked, Duration time, long seed) {
        Day day = new Day();
        day.problem = problem;
        day.valuer = new PlanValuer(looked);
        day.cells = IntStream.range(0, problem.cells.size()).boxed().toList();
        int shortest = BenchDay.PLANNING.minDwellMinutes() / problem.grid;
        day.stays = IntStream.rangeClosed(shortest, problem.budget / problem.grid).boxed().toList();
        day.slots = new ArrayList<>(IntStream.range(0, SLOTS).mapToObj(i -> new Slot(i, FIRST_STAY)).toList());
        SolverConfig config = new SolverConfig().withSolutionClass(Day.class).withEntityClasses(Slot.class).withEasyScoreCalculatorClass(PlanWorth.class)
                .withPhases(new LocalSearchPhaseConfig())
                .withTerminationSpentLimit(Duration.ofMillis(time.toMillis())).withRandomSeed(seed);
        return tour(SolverFactory.<Day>create(config).buildSolver().solve(day)).stops();
    }
}
