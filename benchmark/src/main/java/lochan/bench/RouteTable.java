package lochan.bench;

import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.common.PlanningId;
import ai.timefold.solver.core.api.domain.solution.PlanningEntityProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.solution.ProblemFactCollectionProperty;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.domain.variable.PlanningListVariable;
import ai.timefold.solver.core.api.score.HardSoftScore;
import ai.timefold.solver.core.api.score.calculator.EasyScoreCalculator;
import ai.timefold.solver.core.api.solver.SolverFactory;
import ai.timefold.solver.core.config.solver.SolverConfig;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import lochan.core.planning.search.Orienteering;
import lochan.core.planning.search.TourSearch;
import lochan.core.planning.search.Visit;

/** The published orienteering instances of Tsiligirides (1984), set 1, through the planner's search and through Timefold Solver. */
final class RouteTable {

    /** Read where it is kept for the tests: {@code ./bench} runs in the project's folder. */
    private static final Path NODES = Path.of("core/src/test/resources/tsiligirides-1.txt");
    private static final Duration TIME = Duration.ofSeconds(2);
    private static final int ENDLESS = 1_000_000;
    private static final int[][] BEST = {{5, 10}, {10, 15}, {15, 45}, {20, 65}, {25, 90}, {30, 110}, {35, 135}, {40, 155}, {46, 175}, {50, 190}, {55, 205},
        {60, 225}, {65, 240}, {70, 260}, {73, 265}, {75, 270}, {80, 280}, {85, 285}};

    private RouteTable() { }

    /** One stop of a tour. */
    public static class Stop {

        @PlanningId
        public int item;

        public Stop() { }

        Stop(int item) {
            this.item = item;
        }
    }

    /** The order of the stops that are visited. */
    @PlanningEntity
    public static class Order {

        @PlanningId
        public int id;
        @PlanningListVariable(allowsUnassignedValues = true)
        public List<Stop> stops = new ArrayList<>();

        public Order() { }
    }

    /** An instance. */
    @PlanningSolution
    public static class Instance {

        @ProblemFactCollectionProperty
        @ValueRangeProvider
        public List<Stop> all;
        @PlanningEntityProperty
        public Order order;
        @PlanningScore
        public HardSoftScore score;
        public Orienteering problem;

        public Instance() { }
    }

    /** Length above the budget, then the score. */
    public static class TourWorth implements EasyScoreCalculator<Instance, HardSoftScore> {

        @Override
        public HardSoftScore calculateScore(Instance instance) {
            List<Visit> tour = visits(instance);
            double slack = instance.problem.slack(tour);
            return HardSoftScore.of(slack < 0 ? (long) Math.floor(1000 * slack) : 0, Math.round(instance.problem.value(tour)));
        }
    }

    private static List<Visit> visits(Instance instance) {
        return instance.order.stops.stream().map(s -> new Visit(s.item, 0)).toList();
    }

    /** Prints the table; gives where a best known score was not reached. */
    static List<String> print() {
        List<String> misses = new ArrayList<>();
        System.out.println("\nOrienteering, Tsiligirides (1984) set 1, seed 1: score after " + TIME.toSeconds() + " s and after a fifth of it, beside Timefold Solver for "
                + TIME.toSeconds() + " s");
        System.out.println("  budget  best known  search  in a fifth  Timefold");
        for (int[] known : BEST) {
            Orienteering problem = new Orienteering(known[0], nodes());
            double whole = score(problem, TIME);
            double fifth = score(problem, TIME.dividedBy(5));
            System.out.printf(Locale.ROOT, "  %6d %11d %7.0f %11.0f %9.0f%n", known[0], known[1], whole, fifth, general(problem));
            if (whole < known[1]) {
                misses.add("orienteering, budget " + known[0] + ": " + whole + " of " + known[1]);
            }
        }
        return misses;
    }

    private static double score(Orienteering problem, Duration time) {
        long end = System.nanoTime() + time.toNanos();
        return TourSearch.best(problem, 1, ENDLESS, i -> i == 0 || System.nanoTime() < end).value();
    }

    private static double general(Orienteering problem) {
        Instance instance = new Instance();
        instance.problem = problem;
        instance.all = IntStream.range(0, problem.items()).mapToObj(Stop::new).toList();
        instance.order = new Order();
        SolverConfig config = new SolverConfig().withSolutionClass(Instance.class).withEntityClasses(Order.class).withEasyScoreCalculatorClass(TourWorth.class)
                .withTerminationSpentLimit(TIME).withRandomSeed(1L);
        Instance solved = SolverFactory.<Instance>create(config).buildSolver().solve(instance);
        List<Visit> tour = visits(solved);
        return problem.slack(tour) < 0 ? 0 : problem.value(tour);
    }

    private static List<Orienteering.Node> nodes() {
        try {
            return Files.readAllLines(NODES).stream().filter(l -> !l.isBlank())
                    .map(l -> Arrays.stream(l.split(" ")).mapToDouble(Double::parseDouble).toArray())
                    .map(n -> new Orienteering.Node(n[0], n[1], n[2])).toList();
        } catch (IOException e) {
            throw new IllegalStateException("the instances cannot be read: run ./bench in the project's folder", e);
        }
    }
}
