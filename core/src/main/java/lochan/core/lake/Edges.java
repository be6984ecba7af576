package lochan.core.lake;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.lake.LocalPlane.Point;

/** The edges of closed rings on the plane, in a grid of cells, so that a line meets only the edges near it. */
final class Edges {

    private static final int MOST_CELLS_PER_SIDE = 512;

    private final List<Point> from = new ArrayList<>();
    private final List<Point> to = new ArrayList<>();
    private final double west;
    private final double south;
    private final double cell;
    private final int columns;
    private final int rows;
    private final int[][] cells;

    Edges(List<List<Point>> rings) {
        for (List<Point> ring : rings) {
            for (int i = 0; i < ring.size(); i++) {
                from.add(ring.get(i));
                to.add(ring.get((i + 1) % ring.size()));
            }
        }
        west = from.stream().mapToDouble(Point::x).min().orElse(0);
        south = from.stream().mapToDouble(Point::y).min().orElse(0);
        double width = from.stream().mapToDouble(Point::x).max().orElse(0) - west;
        double height = from.stream().mapToDouble(Point::y).max().orElse(0) - south;
        double perSide = Math.clamp(Math.sqrt(from.size()) * 2, 1, MOST_CELLS_PER_SIDE);
        cell = Math.max(1, Math.max(width, height) / perSide);
        columns = (int) (width / cell) + 1;
        rows = (int) (height / cell) + 1;
        cells = new int[columns * rows][0];
        for (int i = 0; i < from.size(); i++) {
            int edge = i;
            walk(from.get(i), to.get(i), c -> {
                cells[c] = Arrays.copyOf(cells[c], cells[c].length + 1);
                cells[c][cells[c].length - 1] = edge;
                return false;
            });
        }
    }

    private interface Visit {
        /** @return whether to stop here */
        boolean cell(int cell);
    }

    /** Visits the cells that a line's box touches column by column, which holds every cell the line passes. */
    private boolean walk(Point a, Point b, Visit visit) {
        int first = column(Math.min(a.x(), b.x()));
        int last = column(Math.max(a.x(), b.x()));
        for (int c = first; c <= last; c++) {
            double left = west + c * cell;
            double y1 = at(a, b, left);
            double y2 = at(a, b, left + cell);
            int low = row(Math.min(y1, y2));
            int high = row(Math.max(y1, y2));
            for (int r = low; r <= high; r++) {
                if (visit.cell(r * columns + c)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Height of the line at x, kept between its ends. */
    private static double at(Point a, Point b, double x) {
        if (a.x() == b.x()) {
            return x <= a.x() ? Math.min(a.y(), b.y()) : Math.max(a.y(), b.y());
        }
        double t = Math.clamp((x - a.x()) / (b.x() - a.x()), 0, 1);
        return a.y() + t * (b.y() - a.y());
    }

    private int column(double x) {
        return Math.clamp((long) Math.floor((x - west) / cell), 0, columns - 1);
    }

    private int row(double y) {
        return Math.clamp((long) Math.floor((y - south) / cell), 0, rows - 1);
    }

    /** Whether a line meets any edge, touching included; a line of no length meets none. */
    boolean meets(Point a, Point b) {
        return !a.equals(b)
                && walk(a, b, c -> {
                    for (int edge : cells[c]) {
                        if (meets(a, b, from.get(edge), to.get(edge))) {
                            return true;
                        }
                    }
                    return false;
                });
    }

    private static boolean meets(Point a, Point b, Point c, Point d) {
        Point ab = b.minus(a);
        Point cd = d.minus(c);
        double c1 = ab.cross(c.minus(a));
        double d1 = ab.cross(d.minus(a));
        double a2 = cd.cross(a.minus(c));
        double b2 = cd.cross(b.minus(c));
        if (c1 == 0 && d1 == 0) {
            double span = ab.dot(ab);
            double t1 = c.minus(a).dot(ab);
            double t2 = d.minus(a).dot(ab);
            return Math.max(t1, t2) >= 0 && Math.min(t1, t2) <= span;
        }
        return c1 * d1 <= 0 && a2 * b2 <= 0;
    }

    /** Where a line crosses edges, as shares of its length, in no order. */
    List<Double> crossings(Point a, Point b) {
        List<Double> shares = new ArrayList<>();
        Point ab = b.minus(a);
        for (int i = 0; i < from.size(); i++) {
            Point cd = to.get(i).minus(from.get(i));
            double across = ab.cross(cd);
            if (across != 0) {
                double t = from.get(i).minus(a).cross(cd) / across;
                double u = from.get(i).minus(a).cross(ab) / across;
                if (t > 0 && t < 1 && u >= 0 && u <= 1) {
                    shares.add(t);
                }
            }
        }
        return shares;
    }

    /** Whether a point is inside, by the even-odd rule: rings within rings are holes. */
    boolean holds(Point p) {
        boolean inside = false;
        for (int i = 0; i < from.size(); i++) {
            Point a = from.get(i);
            Point b = to.get(i);
            if (a.y() > p.y() != b.y() > p.y() && p.x() < a.x() + (p.y() - a.y()) / (b.y() - a.y()) * (b.x() - a.x())) {
                inside = !inside;
            }
        }
        return inside;
    }

    /** The nearest point on any edge; there is one. */
    Point nearest(Point p) {
        return IntStream.range(0, from.size())
                .mapToObj(i -> nearest(p, from.get(i), to.get(i)))
                .min(Comparator.comparingDouble(on -> on.minus(p).length()))
                .orElseThrow();
    }

    /** The point of the segment a–b that is nearest to p. */
    static Point nearest(Point p, Point a, Point b) {
        Point ab = b.minus(a);
        double span = ab.dot(ab);
        double t = span == 0 ? 0 : Math.clamp(p.minus(a).dot(ab) / span, 0, 1);
        return a.plus(ab, t);
    }
}
