package lochan.web.tackle;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.lures.path.Cast;
import lochan.core.lures.path.LurePath;
import lochan.core.lures.path.WaterSlice;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;

/**
 * Casts seen from the side, the boat on the left: where everything lies in a drawing {@value #WIDTH} by {@value #HEIGHT}, the water's surface at 0.
 *
 * @param bottom  outline of the bottom
 * @param cover   outline of what stands on it; null: nothing
 * @param zone    outline of the water in which fish are met
 */
public record PathDrawing(
        String bottom, @Nullable String cover, String zone, List<Way> ways, List<Tick> across, List<Tick> down) {

    static final double WIDTH = 1000;
    static final double HEIGHT = 300;
    private static final double LEFT = -60;
    private static final double RIGHT = 1020;
    private static final double BED = 346;
    private static final double ROOM_BELOW = 1.12;
    private static final int SLICES = 40;

    /**
     * A lure's way.
     *
     * @param number from 1
     * @param path   outline
     * @param labelX where its number stands
     */
    public record Way(int number, String path, double labelX, double labelY) {}

    /** A mark on an axis. */
    public record Tick(double at, String label) {}

    static PathDrawing of(WaterSlice water, double aboveM, List<LurePath> paths, List<Cast> casts, Units units) {
        double far = casts.stream().mapToDouble(Cast::castM).max().orElseThrow();
        double deep = ROOM_BELOW * Math.max(water.nearM(), water.farM());
        Scale s = new Scale(WIDTH / far, HEIGHT / deep);
        List<Way> ways = new ArrayList<>();
        for (LurePath p : paths) {
            LurePath.Point at = labelled(p, ways.size(), paths.size());
            ways.add(new Way(ways.size() + 1, path(p, s), s.x(at.fromBoatM()), s.y(at.depthM())));
        }
        String bottom = "M" + n(LEFT) + " " + n(BED) + " L" + n(LEFT) + " " + n(s.y(water.nearM())) + " L0 "
                + n(s.y(water.nearM())) + " L" + n(WIDTH) + " " + n(s.y(water.farM())) + " L" + n(RIGHT) + " "
                + n(s.y(water.farM())) + " L" + n(RIGHT) + " " + n(BED) + " Z";
        return new PathDrawing(
                bottom,
                water.coverM() > 0 ? cover(water, far, s) : null,
                zone(water, aboveM, far, s),
                ways,
                across(far, s, units),
                down(deep, s, units));
    }

    /** Labels stand on different parts of the ways, on their way back, so that they do not hide each other. */
    private static LurePath.Point labelled(LurePath p, int index, int of) {
        List<LurePath.Point> points = p.points();
        double wanted = points.getFirst().fromBoatM() * (0.75 - 0.5 * index / Math.max(1, of));
        for (int i = points.size() - 1; i > 0; i--) {
            LurePath.Point a = points.get(i - 1);
            LurePath.Point b = points.get(i);
            if (a.fromBoatM() >= wanted && wanted >= b.fromBoatM() && a.fromBoatM() > b.fromBoatM()) {
                double share = (a.fromBoatM() - wanted) / (a.fromBoatM() - b.fromBoatM());
                return new LurePath.Point(wanted, a.depthM() + share * (b.depthM() - a.depthM()), a.seconds());
            }
        }
        return points.get(points.size() / 2);
    }

    private static String path(LurePath p, Scale s) {
        StringBuilder d = new StringBuilder();
        for (LurePath.Point at : p.points()) {
            d.append(d.isEmpty() ? "M" : " L")
                    .append(n(s.x(at.fromBoatM())))
                    .append(' ')
                    .append(n(s.y(at.depthM())));
        }
        return d.toString();
    }

    /** Tufts up to the top of what stands there. */
    private static String cover(WaterSlice water, double far, Scale s) {
        StringBuilder d = new StringBuilder();
        for (int i = 0; i < SLICES; i++) {
            double x = far * (i + 0.5) / SLICES;
            double half = far / SLICES / 3;
            d.append('M')
                    .append(n(s.x(x - half)))
                    .append(' ')
                    .append(n(s.y(water.bottomM(x, far))))
                    .append(" L")
                    .append(n(s.x(x)))
                    .append(' ')
                    .append(n(s.y(water.coverTopM(x, far))))
                    .append(" L")
                    .append(n(s.x(x + half)))
                    .append(' ')
                    .append(n(s.y(water.bottomM(x, far))))
                    .append(' ');
        }
        return d.toString().strip();
    }

    private static String zone(WaterSlice water, double aboveM, double far, Scale s) {
        StringBuilder top = new StringBuilder();
        StringBuilder under = new StringBuilder();
        for (int i = 0; i <= SLICES; i++) {
            double x = far * i / SLICES;
            double fish = water.fishM(x, far);
            if (!water.hasFish(x, far, aboveM)) {
                continue;
            }
            top.append(top.isEmpty() ? "M" : " L")
                    .append(n(s.x(x)))
                    .append(' ')
                    .append(n(s.y(Math.max(0, fish - aboveM))));
            under.insert(0, " L" + n(s.x(x)) + " " + n(s.y(fish)));
        }
        return top.isEmpty() ? "" : top.toString() + under + " Z";
    }

    private static List<Tick> across(double far, Scale s, Units units) {
        double step = units.depth() == Units.Depth.FT ? 10 * 0.9144 : 10;
        List<Tick> ticks = new ArrayList<>();
        for (double x = step; x < far; x += step) {
            ticks.add(new Tick(s.x(x), units.reach(x)));
        }
        return ticks;
    }

    private static List<Tick> down(double deep, Scale s, Units units) {
        double step = units.depth().metres() * (units.depth() == Units.Depth.FT ? deep > 6 ? 5 : 2 : deep > 6 ? 2 : 1);
        List<Tick> ticks = new ArrayList<>();
        for (double y = step; y < deep; y += step) {
            ticks.add(new Tick(s.y(y), units.depth(y)));
        }
        return ticks;
    }

    private static String n(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    private record Scale(double perMetreAcross, double perMetreDown) {

        double x(double metres) {
            return metres * perMetreAcross;
        }

        double y(double metres) {
            return metres * perMetreDown;
        }
    }
}
