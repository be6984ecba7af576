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
    private static final Duration SECOND = Duration.ofSeconds(1);
    private static final double WITHIN = 0.99;

    private final List<String> misses = new ArrayList<>();

    /** Prints the tables; gives what falls short of one per cent. */
    List<String> print() {
        small();
        large();
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
        System.out.println("\nA day of 9 h, 40 spots × 6 presentations (" + SCENARIOS + " scenarios): V in g after " + ROUNDS + " rounds, beside what "
                + LONG.toSeconds() + " s of it find, and beside Timefold Solver 2.2.0 (one thread: its open edition has no more) for the same seconds and for " + LONG.toSeconds() + " s");
        System.out.println("  seed   planner    s    longer    s   ratio  | Timefold, all scenarios  ratio | on 32 of them  ratio | all, longer  ratio");
        for (long seed : SEEDS) {
            BenchDay day = new BenchDay(BenchEvents.of(PlanningBenchmarks.SPOTS, PlanningBenchmarks.PRESENTATIONS, PlanningBenchmarks.LENGTH, PlanningBenchmarks.SIDE_M, seed),
                    SCENARIOS, seed);
            day.planned(ROUNDS, seed + 100);
            long t0 = System.nanoTime();
            double quick = day.valuer.formula(day.planned(ROUNDS, seed));
            long t1 = System.nanoTime();
            double longer = day.valuer.formula(day.planned(LONG, seed));
            long t2 = System.nanoTime();
            Duration same = Duration.ofNanos(Math.max(t1 - t0, SECOND.toNanos()));
            double general = general(day, SCENARIOS, same, seed);
            double few = general(day, 32, same, seed);
            double patient = general(day, SCENARIOS, LONG, seed);
            print("  %4d %9.1f %4.1f %9.1f %4.1f %7.4f  | %15.1f %13.4f | %13.1f %6.4f | %9.1f %6.4f%n", seed, quick, (t1 - t0) / 1e9, longer, (t2 - t1) / 1e9, quick / longer,
                    general, quick / general, few, quick / few, patient, quick / patient);
            note(quick, longer, "the large day, seed " + seed + ", beside the longer search");
        }
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
