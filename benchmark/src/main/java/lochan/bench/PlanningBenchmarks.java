package lochan.bench;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.TimeUnit;
import lochan.core.Assumptions;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.PlanValue;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.scenario.ScenarioSet;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A day of nine hours with 40 spots and 6 presentations on the grid of five minutes. */
@State(Scope.Benchmark)
@Fork(1)
public class PlanningBenchmarks {

    static final int SPOTS = 40;
    static final int PRESENTATIONS = 6;
    static final Duration LENGTH = Duration.ofHours(9);
    static final double SIDE_M = 9000;
    static final long SEED = 11;
    static final int VALUED_SCENARIOS = 500;
    static final int SIMULATED_DAYS = 100_000;
    private static final int STOPS = 10;

    private BenchDay day;
    private PlanValuer valuer;
    private PlanValuer formulaOfOne;
    private List<PlanStop> tenStops;

    @Setup
    public void setUp() {
        day = new BenchDay(BenchEvents.of(SPOTS, PRESENTATIONS, LENGTH, SIDE_M, SEED), QualityTable.SCENARIOS, SEED);
        DayModel model = new FittedDayModel(day.event, 1, Assumptions.DEFAULTS);
        valuer = new PlanValuer(new ScenarioSet(model, VALUED_SCENARIOS, SEED));
        int[] visits = new int[2 * STOPS];
        for (int i = 0; i < STOPS; i++) {
            visits[2 * i] = i * day.cells.size() / STOPS;
            visits[2 * i + 1] = 6;
        }
        tenStops = day.tour(visits, STOPS).stops();
    }

    /** V of a plan of ten stops over 500 scenarios. */
    @Benchmark
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MICROSECONDS)
    @Warmup(iterations = 3, time = 1)
    @Measurement(iterations = 10, time = 1)
    public double valueOfTenStops() {
        return valuer.formula(tenStops);
    }

    /** Days drawn fish by fish. */
    @Benchmark
    @BenchmarkMode(Mode.Throughput)
    @OutputTimeUnit(TimeUnit.SECONDS)
    @OperationsPerInvocation(SIMULATED_DAYS)
    @Warmup(iterations = 2, time = 2)
    @Measurement(iterations = 6, time = 2)
    public PlanValue simulatedDays() {
        return valuer.value(tenStops, SIMULATED_DAYS);
    }

    /** A whole plan, candidates and all, as the page's quick look searches it. */
    @Benchmark
    @BenchmarkMode(Mode.AverageTime)
    @OutputTimeUnit(TimeUnit.MILLISECONDS)
    @Warmup(iterations = 3, time = 2)
    @Measurement(iterations = 5, time = 3)
    public List<PlanStop> plan() {
        return day.planned(QualityTable.ROUNDS, SEED);
    }
}
