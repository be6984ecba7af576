package lochan.web.lake;

import java.util.List;
import java.util.Locale;
import lochan.core.Assumptions;
import lochan.core.Violation;
import lochan.core.event.Boat;
import lochan.core.event.Extent;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.Runs;
import lochan.core.lake.ShoreWind;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.StructureFinder;
import lochan.eventformat.LakeText;
import org.jspecify.annotations.Nullable;

/** Tries out what an import gives before it replaces anything: it is stored, read back and computed on once. */
final class MapTrial {

    private static final double LEAST_ACROSS_M = 20;
    private static final double MOST_ACROSS_M = 300_000;
    private static final double LEAST_CELL_M = 0.2;
    private static final double MOST_CELL_M = 5000;
    private static final double NORTHMOST = 85;

    private MapTrial() {}

    /** @throws BadGridException in one line, for what no lake is like or what cannot be stored */
    static void of(@Nullable Lake lake, @Nullable DepthGrid grid) throws BadGridException {
        try {
            if (grid != null) {
                size(grid);
                StructureFinder.find(Lakes.survey(grid), StructureFinder.Filter.USUAL);
            }
            if (lake != null) {
                size(lake);
                stored(lake);
                computed(lake);
            }
        } catch (IllegalArgumentException | IllegalStateException | ArithmeticException e) {
            throw new BadGridException(
                    MapProblem.UNUSABLE,
                    String.valueOf(e.getMessage()).lines().findFirst().orElse(""));
        }
    }

    private static void size(DepthGrid grid) throws BadGridException {
        if (!(grid.stepM() >= LEAST_CELL_M) || !(grid.stepM() <= MOST_CELL_M)) {
            throw new BadGridException(MapProblem.CELL_WIDTH, String.format(Locale.ROOT, "%.2g", grid.stepM()));
        }
    }

    private static void size(Lake lake) throws BadGridException {
        if (lake.bodies().stream().allMatch(b -> b.shore().isEmpty())) {
            throw new BadGridException(MapProblem.NO_WATER);
        }
        Extent e = lake.extent();
        double up = (e.north() - e.south()) * Position.METRES_PER_DEGREE;
        double across = (e.east() - e.west()) * Position.metresPerDegreeEast((e.south() + e.north()) / 2);
        double larger = Math.max(up, across);
        if (!(larger >= LEAST_ACROSS_M && larger <= MOST_ACROSS_M) || e.north() > NORTHMOST || e.south() < -NORTHMOST) {
            throw new BadGridException(MapProblem.LAKE_WIDTH, String.format(Locale.ROOT, "%.3g", larger / 1000));
        }
    }

    private static void stored(Lake lake) throws BadGridException {
        List<Violation> wrong = lake.check();
        if (!wrong.isEmpty()) {
            throw new BadGridException(wrong.getFirst().reason());
        }
        LakeText.read(LakeText.of(lake));
    }

    /** As Spots, Rankings and Plan do. */
    private static void computed(Lake lake) {
        Position middle = lake.bodies().getFirst().shore().getFirst();
        Assumptions a = Assumptions.DEFAULTS;
        new ShoreWind(lake, a.bank()).side(middle, 5.0, 180.0);
        Runs.of(lake, Boat.USUAL, a.planning()).between(middle, middle);
    }
}
