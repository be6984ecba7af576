package lochan.web.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeCover;
import lochan.core.lake.LakeLevels;
import lochan.core.lake.Spot;
import lochan.core.lake.depth.Contours;

/** The invented reservoir of the demo: two flooded valleys and what lies in them. Kilometres are east and north of the launch. */
final class DemoLake {

    private static final double KM_PER_DEGREE_NORTH = 111.0;
    private static final double KM_PER_DEGREE_EAST = 81.8;
    private static final double CELL_DEGREES = 0.00025;
    private static final double WEST_KM = -6;
    private static final double EAST_KM = 5.5;
    private static final double SOUTH_KM = -2.4;
    private static final double NORTH_KM = 7.6;
    /** Corners nearer than this to the line between others are left out of the outline, degrees. */
    private static final double SIMPLE_DEGREES = 0.00012;

    /** A stretch of a flooded valley from one place to the next: half widths in km, depths of its middle in m. */
    private record Valley(
            double east,
            double north,
            double toEast,
            double toNorth,
            double halfWidth,
            double toHalfWidth,
            double depthM,
            double toDepthM) {

        double depth(double x, double y) {
            double dx = toEast - east;
            double dy = toNorth - north;
            double t = Math.clamp(((x - east) * dx + (y - north) * dy) / (dx * dx + dy * dy), 0, 1);
            double off = Math.hypot(x - east - t * dx, y - north - t * dy);
            double width = halfWidth + t * (toHalfWidth - halfWidth);
            double deep = depthM + t * (toDepthM - depthM);
            double channel = 4 / (1 + Math.exp((off - 0.09) / 0.015));
            return deep * (1 - Math.pow(off / width, 1.7)) + (off < width ? channel : 0);
        }
    }

    private static final List<Valley> VALLEYS = List.of(
            new Valley(0.35, -1.2, 0.25, 0.6, 0.75, 1.1, 22, 20),
            new Valley(0.25, 0.6, 0.2, 2.0, 1.1, 1.0, 20, 17),
            new Valley(0.2, 2.0, -1.3, 2.5, 0.9, 0.75, 17, 14),
            new Valley(-1.3, 2.5, -2.5, 3.5, 0.75, 0.75, 14, 12),
            new Valley(-2.5, 3.5, -3.5, 4.6, 0.75, 0.65, 12, 10),
            new Valley(-3.5, 4.6, -4.6, 6.4, 0.65, 0.35, 10, 4),
            new Valley(0.2, 2.0, 1.6, 2.1, 0.9, 0.75, 17, 15),
            new Valley(1.6, 2.1, 2.6, 3.7, 0.75, 0.65, 15, 12),
            new Valley(2.6, 3.7, 3.3, 5.0, 0.65, 0.6, 12, 10),
            new Valley(3.3, 5.0, 3.9, 6.3, 0.6, 0.3, 10, 4),
            new Valley(0.3, 2.0, 0.8, 3.8, 0.7, 0.4, 15, 8));

    /** A rise or, below 0, a hollow of the bottom: height in m, reach in km. */
    private record Bump(double east, double north, double heightM, double reach) {

        double at(double x, double y) {
            double d2 = (x - east) * (x - east) + (y - north) * (y - north);
            return heightM * Math.exp(-d2 / (reach * reach));
        }
    }

    private final List<Bump> bumps = new ArrayList<>();

    DemoLake(List<Spot> spots) {
        // The spit that the launch lies on, an island, and humps that nobody has marked.
        bumps.add(new Bump(-0.42, -0.3, 46, 0.36));
        bumps.add(new Bump(0.75, 1.25, 24, 0.2));
        bumps.add(new Bump(-2.9, 3.75, 6, 0.11));
        bumps.add(new Bump(2.35, 3.25, 6.5, 0.12));
        bumps.add(new Bump(0.1, -0.75, 9, 0.13));
        // What the angler knows of a spot is so.
        for (Spot s : spots) {
            double x = (s.position().lon() - DemoWorld.LAUNCH.lon()) * KM_PER_DEGREE_EAST;
            double y = (s.position().lat() - DemoWorld.LAUNCH.lat()) * KM_PER_DEGREE_NORTH;
            double wanted = (s.depthMinM() + s.depthMaxM()) / 2;
            boolean stands = s.spotType().equals("hump");
            bumps.add(new Bump(x, y, depth(x, y) - wanted, stands ? 0.11 : 0.17));
        }
    }

    /** Metres; below 0 on land. */
    double depth(double eastKm, double northKm) {
        double deepest = VALLEYS.stream()
                .mapToDouble(v -> v.depth(eastKm, northKm))
                .max()
                .orElseThrow();
        return Math.max(-20, deepest)
                + unevenness(eastKm, northKm)
                - bumps.stream().mapToDouble(b -> b.at(eastKm, northKm)).sum();
    }

    /** Coves, bars and hollows, so that no shore is straight; m. */
    private static double unevenness(double x, double y) {
        return 1.7 * Math.sin(3.1 * x + 1.3 * Math.sin(2.3 * y)) * Math.sin(2.7 * y + 0.7 * x)
                + 1.4 * Math.sin(7.3 * x - 2.1 * y) * Math.sin(6.1 * y + 1.9 * Math.sin(3 * x))
                + 0.9 * Math.sin(13 * x + 5 * y) * Math.sin(11 * y - 4 * x);
    }

    private static int columns() {
        return (int) ((EAST_KM - WEST_KM) / KM_PER_DEGREE_EAST / CELL_DEGREES);
    }

    private static int rows() {
        return (int) ((NORTH_KM - SOUTH_KM) / KM_PER_DEGREE_NORTH / CELL_DEGREES);
    }

    private static double west() {
        return DemoWorld.LAUNCH.lon() + WEST_KM / KM_PER_DEGREE_EAST;
    }

    private static double south() {
        return DemoWorld.LAUNCH.lat() + SOUTH_KM / KM_PER_DEGREE_NORTH;
    }

    private double[] values() {
        double[] values = new double[columns() * rows()];
        for (int i = 0; i < values.length; i++) {
            double lon = west() + (i % columns() + 0.5) * CELL_DEGREES;
            double lat = south() + (rows() - i / columns() - 0.5) * CELL_DEGREES;
            values[i] = depth(
                    (lon - DemoWorld.LAUNCH.lon()) * KM_PER_DEGREE_EAST,
                    (lat - DemoWorld.LAUNCH.lat()) * KM_PER_DEGREE_NORTH);
        }
        return values;
    }

    /** The depths as an Esri ASCII grid. */
    String ascii() {
        StringBuilder text = new StringBuilder(String.format(
                        Locale.ROOT,
                        "ncols %d%nnrows %d%nxllcorner %.6f%nyllcorner %.6f%ncellsize %.5f%nNODATA_value -1%n",
                        columns(),
                        rows(),
                        west(),
                        south(),
                        CELL_DEGREES)
                .replace("\r", ""));
        double[] values = values();
        for (int i = 0; i < values.length; i++) {
            text.append(values[i] > 0 ? String.format(Locale.ROOT, "%.1f", values[i]) : "-1")
                    .append((i + 1) % columns() == 0 ? "\n" : " ");
        }
        return text.toString();
    }

    Lake lake() {
        List<List<Position>> rings = Contours.of(values(), columns(), 0).stream()
                .filter(l -> l.length > 12)
                .map(DemoLake::ring)
                .toList();
        List<Position> shore = rings.stream()
                .max((a, b) -> Double.compare(Math.abs(area(a)), Math.abs(area(b))))
                .orElseThrow();
        // Deeper water lies to the right of a line: what turns against the shore is land inside.
        List<List<Position>> islands = rings.stream()
                .filter(r -> r != shore && Math.signum(area(r)) != Math.signum(area(shore)))
                .toList();
        return new Lake(
                List.of(new Lake.Body(shore, islands)),
                List.of(
                        zone("Ferry harbour", 2.2, -0.75, -0.12, 0.28, 0.5),
                        zone("Causeway bridge", 2.2, -3.75, 3.95, -2.75, 4.3)),
                List.of(new Lake.OffLimits("Hatchery cove", box(-5.35, 6.5, -4.55, 7.25))),
                List.of(
                        cover(LakeCover.Kind.GRASS, box(-1.75, 1.85, -1.1, 2.3)),
                        cover(LakeCover.Kind.GRASS, box(-2.95, 3.35, -2.3, 3.85)),
                        cover(LakeCover.Kind.TIMBER, box(2.3, 4.15, 2.9, 4.7)),
                        cover(LakeCover.Kind.TIMBER, box(-4.75, 5.75, -4.1, 6.3)),
                        new LakeCover(
                                LakeCover.Kind.DOCKS,
                                null,
                                List.of(),
                                List.of(
                                        List.of(at(0.74, 0.98), at(0.88, 0.84)),
                                        List.of(at(-0.68, 0.45), at(-0.62, 0.2))))),
                LakeLevels.UNKNOWN,
                null);
    }

    private static LakeCover cover(LakeCover.Kind kind, List<Lake.Body> areas) {
        return new LakeCover(kind, null, areas, List.of());
    }

    private static Lake.SlowZone zone(String name, double mps, double west, double south, double east, double north) {
        return new Lake.SlowZone(name, mps, box(west, south, east, north));
    }

    private static List<Lake.Body> box(double west, double south, double east, double north) {
        return List.of(
                new Lake.Body(List.of(at(west, south), at(east, south), at(east, north), at(west, north)), List.of()));
    }

    private static Position at(double eastKm, double northKm) {
        return new Position(
                round(DemoWorld.LAUNCH.lat() + northKm / KM_PER_DEGREE_NORTH),
                round(DemoWorld.LAUNCH.lon() + eastKm / KM_PER_DEGREE_EAST));
    }

    private static double round(double degrees) {
        return Math.round(degrees * 1e5) / 1e5;
    }

    private static List<Position> ring(double[][] line) {
        List<Position> all = new ArrayList<>();
        for (double[] p : line) {
            all.add(new Position(
                    round(south() + (rows() - p[1] - 0.5) * CELL_DEGREES),
                    round(west() + (p[0] + 0.5) * CELL_DEGREES)));
        }
        int half = all.size() / 2;
        List<Position> simple = new ArrayList<>(simple(all.subList(0, half + 1)));
        simple.removeLast();
        simple.addAll(simple(all.subList(half, all.size())));
        return simple.getFirst().equals(simple.getLast()) ? simple.subList(0, simple.size() - 1) : simple;
    }

    /** Douglas and Peucker (1973). */
    private static List<Position> simple(List<Position> line) {
        Position a = line.getFirst();
        Position b = line.getLast();
        int far = 0;
        double most = SIMPLE_DEGREES;
        for (int i = 1; i < line.size() - 1; i++) {
            double off = off(line.get(i), a, b);
            if (off > most) {
                most = off;
                far = i;
            }
        }
        if (far == 0) {
            return List.of(a, b);
        }
        List<Position> both = new ArrayList<>(simple(line.subList(0, far + 1)));
        both.removeLast();
        both.addAll(simple(line.subList(far, line.size())));
        return both;
    }

    private static double off(Position p, Position a, Position b) {
        double dx = b.lon() - a.lon();
        double dy = b.lat() - a.lat();
        double length = Math.hypot(dx, dy);
        double x = p.lon() - a.lon();
        double y = p.lat() - a.lat();
        return length == 0 ? Math.hypot(x, y) : Math.abs(dx * y - dy * x) / length;
    }

    private static double area(List<Position> ring) {
        double sum = 0;
        for (int i = 0; i < ring.size(); i++) {
            Position a = ring.get(i);
            Position b = ring.get((i + 1) % ring.size());
            sum += a.lon() * b.lat() - b.lon() * a.lat();
        }
        return sum / 2;
    }
}
