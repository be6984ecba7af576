package lochan.core.lake;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import lochan.core.lake.LocalPlane.Point;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicMask;
import org.jspecify.annotations.Nullable;

/**
 * The quickest runs on the water: shortest paths on the visibility graph of the shore's corners (Lozano-Pérez and Wesley 1979), which are
 * exact where the speed is one; through slow zones by points set along their outlines, no more than {@value #ZONE_SPACING_M} m apart or
 * {@value #MOST_ZONE_POINTS} in all. Corners are passed {@value #OFF_SHORE_M} m off the shore, so that no run touches land. Runs go round water
 * off limits, and round what else is closed to them. Safe for use by several threads.
 */
public final class LakeRuns implements Runs {

    /** A place on land starts at the nearest water when that is no farther. */
    public static final double NEAR_WATER_M = 100;

    static final double OFF_SHORE_M = 0.5;
    static final double ZONE_SPACING_M = 60;
    static final int MOST_ZONE_POINTS = 400;
    private static final double LEAST_OFF_SHORE_M = 0.01;
    /** Corners straighter than this (sine of the turn) bend no run. */
    private static final double STRAIGHT = 1e-9;

    private final Boat boat;
    private final LocalPlane plane;
    private final Edges shores;
    private final List<Zone> zones;
    private final List<Closed> closed;
    /** Corners and points of zones, then nothing else: places are joined to them when asked for. */
    private final List<Node> nodes = new ArrayList<>();

    private final double[][] seconds;
    private final Map<Position, Optional<Place>> places = new ConcurrentHashMap<>();
    private final Map<Ends, Optional<Run>> known = new ConcurrentHashMap<>();

    private record Ends(Position from, Position to) {}

    /** Water with a speed of its own. */
    private record Zone(List<List<Point>> rings, Edges edges, double mps) {

        Zone(List<List<Point>> rings, double mps) {
            this(rings, new Edges(rings), mps);
        }
    }

    /**
     * Water that no run crosses.
     *
     * @param opens whether a place within may be left, and reached, straight on: a launch in water where nobody may fish
     */
    private record Closed(List<List<Point>> rings, Edges edges, boolean opens) {

        Closed(List<List<Point>> rings, boolean opens) {
            this(rings, new Edges(rings), opens);
        }
    }

    /**
     * A point where a run may turn.
     *
     * @param before, after its neighbours on the shore; null: not on a shore
     */
    private record Node(
            Point at, @Nullable Point before, @Nullable Point after) {

        /** Whether a run along a line through it may bend around it: its shore lies on one side. */
        boolean maySupport(Point other) {
            if (before == null || after == null) {
                return true;
            }
            Point line = other.minus(at);
            return line.cross(before.minus(at)) * line.cross(after.minus(at)) >= 0;
        }
    }

    /**
     * A place with its quickest ways to every node.
     *
     * @param around  closed water that it does not lie in
     * @param seconds to each node, infinite when there is none
     * @param last    node before each on the way; −1: straight from the place
     */
    private record Place(Point at, List<Closed> around, double[] direct, double[] seconds, int[] last) {}

    /** Runs around what is off limits. */
    public LakeRuns(Lake lake, Boat boat) {
        this(lake, boat, List.of());
    }

    /** @param open water that the boat does not enter either, open to the wind; a place in it has no runs */
    public LakeRuns(Lake lake, Boat boat, List<Lake.Body> open) {
        this.boat = boat;
        this.plane = new LocalPlane(lake.bodies().getFirst().shore().getFirst());
        List<List<Point>> rings = lake.bodies().stream()
                .flatMap(b -> b.rings().stream())
                .map(this::points)
                .toList();
        this.shores = new Edges(rings);
        this.zones = lake.slowZones().stream()
                .filter(z -> z.mps() < boat.runMps())
                .map(z -> new Zone(z.rings().stream().map(this::points).toList(), z.mps()))
                .toList();
        this.closed = Stream.concat(
                        lake.offLimits().stream()
                                .flatMap(o -> o.areas().stream())
                                .map(a -> new Closed(rings(a), true)),
                        open.stream().map(a -> new Closed(rings(a), false)))
                .toList();
        rings.forEach(this::addCorners);
        closed.forEach(c -> c.rings().forEach(this::addCorners));
        addZonePoints();
        this.seconds = join();
    }

    private List<List<Point>> rings(Lake.Body body) {
        return body.rings().stream().map(this::points).toList();
    }

    /** Whether a run may turn there: water that is not closed. */
    private boolean isFree(Point p) {
        return shores.holds(p) && closed.stream().noneMatch(c -> c.edges().holds(p));
    }

    /** Whether a line meets a shore or the edge of closed water. */
    private boolean meets(Point a, Point b, List<Closed> around) {
        if (shores.meets(a, b)) {
            return true;
        }
        for (Closed c : around) {
            if (c.edges().meets(a, b)) {
                return true;
            }
        }
        return false;
    }

    private List<Point> points(List<Position> ring) {
        return ring.stream().distinct().map(plane::point).toList();
    }

    /** The corners where land, or closed water, juts into the water. */
    private void addCorners(List<Point> ring) {
        for (int i = 0; i < ring.size(); i++) {
            Point at = ring.get(i);
            Point before = ring.get((i + ring.size() - 1) % ring.size());
            Point after = ring.get((i + 1) % ring.size());
            Point in = unit(at.minus(before));
            Point out = unit(after.minus(at));
            if (Math.abs(in.cross(out)) > STRAIGHT) {
                // From the corner's land, or closed water, outwards: against the sum of the ways to its neighbours.
                Point away = unit(new Point(in.x() - out.x(), in.y() - out.y()));
                offShore(at, away).ifPresent(p -> nodes.add(new Node(p, before, after)));
            }
        }
    }

    private static Point unit(Point p) {
        return new Point(p.x() / p.length(), p.y() / p.length());
    }

    /** A point a little way off a corner; empty when that is land. */
    private Optional<Point> offShore(Point corner, Point away) {
        for (double off = OFF_SHORE_M; off >= LEAST_OFF_SHORE_M; off /= 4) {
            Point p = corner.plus(away, off);
            if (isFree(p) && !meets(corner.plus(away, off / 100), p, closed)) {
                return Optional.of(p);
            }
        }
        return Optional.empty();
    }

    /** Points just outside the zones' outlines, where a run may enter, leave or pass by. */
    private void addZonePoints() {
        double around = zones.stream()
                .flatMap(z -> z.rings().stream())
                .mapToDouble(LakeRuns::around)
                .sum();
        double spacing = Math.max(ZONE_SPACING_M, around / MOST_ZONE_POINTS);
        for (Zone zone : zones) {
            for (List<Point> ring : zone.rings()) {
                for (int i = 0; i < ring.size(); i++) {
                    Point from = ring.get(i);
                    Point way = ring.get((i + 1) % ring.size()).minus(from);
                    Point before = ring.get((i + ring.size() - 1) % ring.size());
                    Point along = unit(way);
                    Point corner = unit(from.minus(before)).plus(along, -1);
                    int parts = (int) Math.ceil(way.length() / spacing);
                    for (int k = 0; k < parts; k++) {
                        Point across =
                                k == 0 && corner.length() > STRAIGHT ? unit(corner) : new Point(-along.y(), along.x());
                        outside(zone, from.plus(way, k / (double) parts), across)
                                .ifPresent(p -> nodes.add(new Node(p, null, null)));
                    }
                }
            }
        }
    }

    private Optional<Point> outside(Zone zone, Point on, Point across) {
        return Stream.of(on.plus(across, OFF_SHORE_M), on.plus(across, -OFF_SHORE_M))
                .filter(p -> !zone.edges().holds(p) && isFree(p))
                .findFirst();
    }

    private static double around(List<Point> ring) {
        double sum = 0;
        for (int i = 0; i < ring.size(); i++) {
            sum += ring.get((i + 1) % ring.size()).minus(ring.get(i)).length();
        }
        return sum;
    }

    private double[][] join() {
        double[][] table = new double[nodes.size()][nodes.size()];
        for (int i = 0; i < table.length; i++) {
            for (int j = 0; j < i; j++) {
                Node a = nodes.get(i);
                Node b = nodes.get(j);
                boolean joined = a.maySupport(b.at()) && b.maySupport(a.at()) && !meets(a.at(), b.at(), closed);
                table[i][j] = joined ? secondsAlong(a.at(), b.at()) : Double.POSITIVE_INFINITY;
                table[j][i] = table[i][j];
            }
        }
        return table;
    }

    /** Time along a line over water, at most at the speed of each zone it passes. */
    private double secondsAlong(Point a, Point b) {
        double metres = b.minus(a).length();
        if (zones.isEmpty()) {
            return metres / boat.runMps();
        }
        List<Double> cuts = new ArrayList<>(List.of(0.0, 1.0));
        zones.forEach(z -> cuts.addAll(z.edges().crossings(a, b)));
        double[] sorted =
                cuts.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        double sum = 0;
        for (int i = 1; i < sorted.length; i++) {
            double share = sorted[i] - sorted[i - 1];
            if (share > 0) {
                sum += share * metres / speedAt(a.plus(b.minus(a), (sorted[i] + sorted[i - 1]) / 2));
            }
        }
        return sum;
    }

    private double speedAt(Point p) {
        return zones.stream()
                .filter(z -> z.edges().holds(p))
                .mapToDouble(Zone::mps)
                .min()
                .orElse(boat.runMps());
    }

    @Override
    public Duration setUpTime() {
        return Runs.seconds(60 * boat.setUpMinutes());
    }

    @Override
    public Optional<Run> between(Position from, Position to) {
        // Planners ask for the same few runs again and again.
        return known.computeIfAbsent(new Ends(from, to), e -> way(from, to)
                .map(way -> new Run(metres(way.points()), Runs.seconds(way.seconds()))));
    }

    @Override
    public Optional<List<Position>> route(Position from, Position to) {
        return way(from, to).map(Way::points);
    }

    private record Way(List<Position> points, double seconds) {}

    private Optional<Way> way(Position from, Position to) {
        Optional<Place> start = place(from);
        Optional<Place> end = place(to);
        return start.isEmpty() || end.isEmpty() ? Optional.empty() : way(start.get(), end.get());
    }

    private Optional<Way> way(Place from, Place to) {
        List<Closed> between =
                from.around().stream().filter(to.around()::contains).toList();
        double best = meets(from.at(), to.at(), between) ? Double.POSITIVE_INFINITY : secondsAlong(from.at(), to.at());
        int via = -1;
        for (int i = 0; i < nodes.size(); i++) {
            double time = from.seconds()[i] + to.direct()[i];
            if (time < best) {
                best = time;
                via = i;
            }
        }
        if (Double.isInfinite(best)) {
            return Optional.empty();
        }
        List<Position> points = new ArrayList<>(List.of(plane.position(to.at())));
        for (int i = via; i >= 0; i = from.last()[i]) {
            points.add(plane.position(nodes.get(i).at()));
        }
        points.add(plane.position(from.at()));
        return Optional.of(new Way(points.reversed(), best));
    }

    private static double metres(List<Position> points) {
        double sum = 0;
        for (int i = 1; i < points.size(); i++) {
            Position a = points.get(i - 1);
            Position b = points.get(i);
            sum += Geodesic.WGS84.Inverse(a.lat(), a.lon(), b.lat(), b.lon(), GeodesicMask.DISTANCE).s12;
        }
        return sum;
    }

    private Optional<Place> place(Position position) {
        return places.computeIfAbsent(position, p -> onWater(plane.point(p))
                .filter(at ->
                        closed.stream().allMatch(c -> c.opens() || !c.edges().holds(at)))
                .map(this::spread));
    }

    /** The point itself, or the nearest water to one on land. */
    private Optional<Point> onWater(Point p) {
        if (shores.holds(p)) {
            return Optional.of(p);
        }
        Point shore = shores.nearest(p);
        Point in = shore.minus(p);
        if (in.length() > NEAR_WATER_M) {
            return Optional.empty();
        }
        Point ahead = in.length() > 0 ? unit(in) : new Point(1, 0);
        return Stream.of(
                        ahead,
                        new Point(-ahead.y(), ahead.x()),
                        new Point(ahead.y(), -ahead.x()),
                        new Point(-ahead.x(), -ahead.y()))
                .map(way -> shore.plus(way, OFF_SHORE_M))
                .filter(shores::holds)
                .findFirst();
    }

    /** Dijkstra's algorithm from a place over all nodes. */
    private Place spread(Point at) {
        List<Closed> around = closed.stream().filter(c -> !c.edges().holds(at)).toList();
        int n = nodes.size();
        double[] direct = new double[n];
        for (int i = 0; i < n; i++) {
            Node node = nodes.get(i);
            direct[i] = node.maySupport(at) && !meets(at, node.at(), around)
                    ? secondsAlong(at, node.at())
                    : Double.POSITIVE_INFINITY;
        }
        double[] time = direct.clone();
        int[] last = new int[n];
        Arrays.fill(last, -1);
        boolean[] done = new boolean[n];
        for (int next = nearest(time, done); next >= 0; next = nearest(time, done)) {
            done[next] = true;
            for (int i = 0; i < n; i++) {
                if (!done[i] && time[next] + seconds[next][i] < time[i]) {
                    time[i] = time[next] + seconds[next][i];
                    last[i] = next;
                }
            }
        }
        return new Place(at, around, direct, time, last);
    }

    private static int nearest(double[] time, boolean[] done) {
        int best = -1;
        for (int i = 0; i < time.length; i++) {
            if (!done[i] && time[i] < Double.POSITIVE_INFINITY && (best < 0 || time[i] < time[best])) {
                best = i;
            }
        }
        return best;
    }
}
