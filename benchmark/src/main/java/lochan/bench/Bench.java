package lochan.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import org.openjdk.jmh.results.Result;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs the benchmarks and prints one table, with the machine it was made on. */
public final class Bench {

    /** A benchmark of mean times has fewer: one for each iteration. */
    private static final int SAMPLES = 20;

    private Bench() { }

    public static void main(String[] arguments) throws RunnerException, IOException {
        System.out.println("Machine: " + processor() + ", " + Runtime.getRuntime().availableProcessors() + " processors, Java " + Runtime.version() + ", "
                + Runtime.getRuntime().maxMemory() / (1 << 20) + " MiB heap, " + System.getProperty("os.name") + " " + System.getProperty("os.version"));
        System.out.println("Seeds: " + PlanningBenchmarks.SEED + " for the times; those of the plans beside them. JMH: one fork, warm-up 3 × 1 s (value), 2 × 2 s (days), 3 × 2 s (plan).");
        Collection<RunResult> results = new Runner(new OptionsBuilder().include(PlanningBenchmarks.class.getName()).include(DeckBenchmarks.class.getName()).include(LiveBenchmarks.class.getName()).verbosity(VerboseMode.SILENT).build()).run();
        System.out.println("\nTimes, with the half-width of their 99.9 % interval");
        results.forEach(r -> print(r.getPrimaryResult()));
        SoundingTable.print();
        List<String> misses = new QualityTable().print();
        System.out.println(misses.isEmpty() ? "\nAll within 1 %." : "\nMore than 1 % below: " + String.join("; ", misses));
    }

    private static void print(Result<?> result) {
        System.out.printf(Locale.ROOT, "  %-18s %12.2f ± %8.2f %s%n", result.getLabel(), result.getScore(), result.getScoreError(), result.getScoreUnit());
        if (result.getStatistics().getN() > SAMPLES) {
            System.out.printf(Locale.ROOT, "  %-18s %12.2f %s, the 95th percentile%n", "", result.getStatistics().getPercentile(95), result.getScoreUnit());
        }
    }

    private static String processor() throws IOException {
        Path info = Path.of("/proc/cpuinfo");
        return !Files.exists(info) ? System.getProperty("os.arch") : Files.lines(info).filter(l -> l.startsWith("model name")).findFirst()
                .map(l -> l.substring(l.indexOf(':') + 2)).orElse(System.getProperty("os.arch"));
    }
}
