package lochan.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.Sounding;
import lochan.core.lake.sounding.SoundingCleaner;
import lochan.core.lake.sounding.SoundingGrid;
import lochan.core.lake.sounding.SoundingRules;

/** Soundings of a known bottom, cleaned and gridded: how far the grid is off, and how long a large survey takes. */
final class SoundingTable {

    private static final double SOUTH = 40;
    private static final double WEST = -100;
    private static final double EAST_M = Position.metresPerDegreeEast(SOUTH);
    private static final int[] SPACINGS_M = {20, 40, 80, 160};
    private static final double NOISE_M = 0.08;
    private static final double SPIKES = 0.01;

    private SoundingTable() {}

    private static Position at(double eastM, double northM) {
        return new Position(SOUTH + northM / Position.METRES_PER_DEGREE, WEST + eastM / EAST_M);
    }

    /** A bowl 14 m deep with humps 120 to 300 m across, a channel and a slow roll. */
    private static double bottom(double x, double y, double side) {
        double bowl = 14 * Math.sin(Math.PI * x / side) * Math.sin(Math.PI * y / side);
        double humps = 0;
        for (int i = 0; i < 9; i++) {
            double dx = x - side * (0.2 + 0.3 * (i % 3));
            double dy = y - side * (0.2 + 0.3 * (i / 3));
            double reach = 60 + 10 * i;
            humps += 3 * Math.exp(-(dx * dx + dy * dy) / (reach * reach));
        }
        double channel = 3 * Math.exp(-Math.pow((x - side / 2 - 200 * Math.sin(y / 400)) / 70, 2));
        double roll = 0.5 * Math.sin(x / 90) * Math.cos(y / 110);
        return Math.max(0, bowl - humps + (bowl > 2 ? channel + roll : 0));
    }

    private static List<Sounding> survey(double side, double lines, double every, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Sounding> taken = new ArrayList<>();
        for (double y = lines / 2; y < side; y += lines) {
            for (double x = every; x < side; x += every) {
                double depth = bottom(x, y, side) + NOISE_M * random.nextGaussian();
                taken.add(new Sounding(at(x, y), random.nextDouble() < SPIKES ? 2 * depth + 4 : depth));
            }
        }
        return taken;
    }

    private static Lake square(double side) {
        return new Lake(
                List.of(new Lake.Body(List.of(at(0, 0), at(side, 0), at(side, side), at(0, side)), List.of())),
                List.of());
    }

    /** Prints both tables. */
    static void print() {
        try {
            System.out.println("\nSoundings every 5 m along lines, noise 0.08 m, 1 % spikes, against the bottom they were drawn from");
            System.out.println("  lines apart   RMS error   within 0.3 m   water guessed   spikes left out");
            double side = 2000;
            for (int spacing : SPACINGS_M) {
                row(side, spacing);
            }
            large();
        } catch (BadGridException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void row(double side, int spacing) throws BadGridException {
        SoundingCleaner.Cleaned cleaned =
                SoundingCleaner.clean(survey(side, spacing, 5, spacing), 0, null, SoundingRules.USUAL);
        DepthGrid grid = SoundingGrid.of(square(side), cleaned.kept(), null, SoundingRules.USUAL);
        double sum = 0;
        int near = 0;
        int n = 0;
        for (int i = 0; i < grid.size(); i++) {
            if (!grid.isLand(i)) {
                double off = grid.depth(i)
                        - bottom((grid.x(i) - WEST) * EAST_M, (grid.y(i) - SOUTH) * Position.METRES_PER_DEGREE, side);
                sum += off * off;
                near += Math.abs(off) <= 0.3 ? 1 : 0;
                n++;
            }
        }
        System.out.printf(
                Locale.ROOT,
                "  %8d m %10.2f m %12.1f %% %13.1f %% %12d%n",
                spacing,
                Math.sqrt(sum / n),
                100.0 * near / n,
                100.0 * grid.guessed().cardinality() / n,
                cleaned.spikes());
    }

    private static void large() throws BadGridException {
        List<Sounding> raw = survey(4000, 16, 5, 1);
        long began = System.nanoTime();
        SoundingCleaner.Cleaned cleaned = SoundingCleaner.clean(raw, 0, null, SoundingRules.USUAL);
        DepthGrid grid = SoundingGrid.of(square(4000), cleaned.kept(), null, SoundingRules.USUAL);
        System.out.printf(
                Locale.ROOT,
                "  %d soundings cleaned and made into %d × %d cells in %.1f s%n",
                raw.size(),
                grid.columns(),
                grid.rows(),
                (System.nanoTime() - began) / 1e9);
    }
}
