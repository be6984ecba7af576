package lochan.bench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.PlanValuer;

/** How good plans are: beside all plans there are, beside a longer search, beside a general solver. */
final class QualityTable {

    /** Rounds that make a plan of {@link PlanningBenchmarks#plan} in about a second on two cores. */
    static final int ROUNDS = 27;
    static final int SCENARIOS = 400;
    private static final Duration LONG = Duration.ofSeconds(30);
    private static final int SMALL_SCENARIOS = 100;
    private static final long[] SEEDS = {11, 12, 13, 14};
    private static final Duration HALF = Duration.ofMillis(500);
    private static final int LARGE = 10;
    private static final double WITHIN = 0.99;

    private final List<String> misses = new ArrayList<>();

    /** Prints the tables; gives what falls short of one per cent. */
    List<String> print() {
        small();
        large();
        misses.addAll(RouteTable.print());
        return misses;
    }

    private void small() {
        System.out.println("\nBeside every plan there is (" + SMALL_SCENARIOS + " scenarios, 5-minute grid)");
        System.out.println("  spots × presentations   day      seed   planner g   optimum g   ratio");
        for (long seed : SEEDS) {
            small(3, 1, 130, seed);
            small(4, 1, 120, seed);
            small(5, 1, 115, seed);
            small(5, 2, 95, seed);
        }
    }

    private void small(int spots, int presentations, int minutes, long seed) {
        BenchDay day = new BenchDay(BenchEvents.of(spots, presentations, Duration.ofMinutes(minutes), 4000, seed), SMALL_SCENARIOS, seed);
        double best = day.enumerated();
        double found = day.valuer.formula(day.planned(ROUNDS, seed));
        print("  %5d × %-15d %4d min %6d %11.1f %11.1f %7.4f%n", spots, presentations, minutes, seed, found, best, found / best);
        note(found, best, spots + " spots, seed " + seed + ", beside the optimum");
    }

    private void large() {
        System.out.println("\nA day of 9 h, 40 spots × 6 presentations (" + SCENARIOS + " scenarios): V in g after " + HALF.toMillis() + " ms, beside what "
                + LONG.toSeconds() + " s of it find, and beside Timefold Solver 2.2.0 (one thread: its open edition has no more) for the same time and for five times as long");
        System.out.println("  seed   planner    s    longer    s   ratio  | Timefold  ratio | five times as long  ratio");
        List<Double> ratios = new ArrayList<>();
        for (long seed = SEEDS[0]; seed < SEEDS[0] + LARGE; seed++) {
            BenchDay day = new BenchDay(BenchEvents.of(PlanningBenchmarks.SPOTS, PlanningBenchmarks.PRESENTATIONS, PlanningBenchmarks.LENGTH, PlanningBenchmarks.SIDE_M, seed),
                    SCENARIOS, seed);
            day.planned(ROUNDS, seed + 100);
            long t0 = System.nanoTime();
            double quick = day.valuer.formula(day.planned(HALF, seed));
            long t1 = System.nanoTime();
            double longer = day.valuer.formula(day.planned(LONG, seed));
            long t2 = System.nanoTime();
            double general = general(day, SCENARIOS, HALF, seed);
            double patient = general(day, SCENARIOS, HALF.multipliedBy(5), seed);
            print("  %4d %9.1f %4.2f %9.1f %4.1f %7.4f  | %8.1f %6.4f | %18.1f %6.4f%n", seed, quick, (t1 - t0) / 1e9, longer, (t2 - t1) / 1e9, quick / longer,
                    general, quick / general, patient, quick / patient);
            ratios.add(quick / longer);
        }
        ratios.sort(null);
        double median = (ratios.get(LARGE / 2 - 1) + ratios.get(LARGE / 2)) / 2;
        print("  median ratio %.4f%n", median);
        note(median, 1, "the large day, beside the longer search, in the median");
    }

    private static double general(BenchDay day, int scenarios, Duration time, long seed) {
        List<PlanStop> stops = GeneralSolver.planned(day, day.scenarios.only(IntStream.range(0, scenarios).toArray()), time, seed);
        return new PlanValuer(day.scenarios).formula(stops);
    }

    private void note(double found, double best, String what) {
        if (found < WITHIN * best) {
            misses.add(String.format(Locale.ROOT, "%s: %.2f %%", what, 100 * found / best));
        }
    }

    private static void print(String format, Object... values) {
        System.out.printf(Locale.ROOT, format, values);
    }
}
