package lochan.core.practice.track;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import lochan.core.event.BoatRun;
import org.jspecify.annotations.Nullable;

/**
 * How fast the boat really ran, by wind. A class of wind gives its median speed, each run weighed by its way; runs shorter than
 * {@link #LEAST_WAY_M} are left out, since getting up to speed and down again is most of them. Winds unknown say nothing.
 *
 * @param classes  those with runs, the calmest first
 * @param calmMps  speed below the rough wind, m/s; null: no such run
 * @param roughMps speed from the rough wind on; null: no such run
 */
public record RunSpeeds(
        List<WindClass> classes,
        @Nullable Double calmMps,
        @Nullable Double roughMps) {

    private static final double LEAST_WAY_M = 500;
    /** Lower ends of the classes of wind, m/s, about 0, 5, 10, 15 and 20 mph. */
    private static final double[] CLASSES_FROM_MPS = {0, 2.2, 4.5, 6.7, 8.9};

    /**
     * @param fromMps lower end of its wind, m/s
     * @param toMps   upper end, not in it; null: none
     * @param mps     the boat's speed
     * @param metres  way of its runs
     */
    public record WindClass(double fromMps, @Nullable Double toMps, int runs, double metres, double mps) {}

    public RunSpeeds {
        classes = List.copyOf(classes);
    }

    /** @param roughWindMps wind from which water counts as rough, m/s */
    public static RunSpeeds of(List<BoatRun> runs, double roughWindMps) {
        List<BoatRun> told = runs.stream()
                .filter(r -> r.windMps() != null && r.metres() >= LEAST_WAY_M)
                .toList();
        List<WindClass> classes = new ArrayList<>();
        for (int i = 0; i < CLASSES_FROM_MPS.length; i++) {
            double from = CLASSES_FROM_MPS[i];
            Double to = i + 1 < CLASSES_FROM_MPS.length ? CLASSES_FROM_MPS[i + 1] : null;
            List<BoatRun> own = told.stream()
                    .filter(r -> wind(r) >= from && (to == null || wind(r) < to))
                    .toList();
            if (!own.isEmpty()) {
                classes.add(new WindClass(
                        from,
                        to,
                        own.size(),
                        own.stream().mapToDouble(BoatRun::metres).sum(),
                        median(own.stream()).orElseThrow()));
            }
        }
        return new RunSpeeds(
                classes,
                boxed(median(told.stream().filter(r -> wind(r) < roughWindMps))),
                boxed(median(told.stream().filter(r -> wind(r) >= roughWindMps))));
    }

    /** Of a run whose wind is known, m/s. */
    private static double wind(BoatRun run) {
        return requireNonNull(run.windMps());
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** Median speed, each run weighed by its way. */
    private static OptionalDouble median(Stream<BoatRun> of) {
        List<BoatRun> runs = of.sorted(Comparator.comparingDouble(BoatRun::mps)).toList();
        double half = runs.stream().mapToDouble(BoatRun::metres).sum() / 2;
        double way = 0;
        for (BoatRun r : runs) {
            way += r.metres();
            if (way >= half) {
                return OptionalDouble.of(r.mps());
            }
        }
        return OptionalDouble.empty();
    }
}
