package lochan.core.lake;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.event.Position;
import lochan.core.lake.LocalPlane.Point;
import org.jspecify.annotations.Nullable;

/** What a wind does to the shore all around a lake, at places some way apart. */
public final class ShoreWind {

    /** So far off the shore lies the water that is asked about, m. */
    private static final double OFF_M = 6;
    /** Places that are asked about at the most: they then lie farther apart. */
    private static final int MOST = 400;

    private static final double LEAST_APART_M = 120;

    private final BankWind wind;
    private final List<Position> places;

    public ShoreWind(Lake lake, Assumptions.Bank a) {
        this.wind = new BankWind(lake, a);
        double length = lake.bodies().stream()
                .flatMap(b -> b.rings().stream())
                .mapToDouble(ShoreWind::length)
                .sum();
        this.places = new ArrayList<>();
        double apart = Math.max(LEAST_APART_M, length / MOST);
        for (Lake.Body body : lake.bodies()) {
            body.rings().forEach(ring -> add(ring, body, apart));
        }
    }

    private static double length(List<Position> ring) {
        double length = 0;
        for (int i = 0; i < ring.size(); i++) {
            length += ring.get(i).metresTo(ring.get((i + 1) % ring.size()));
        }
        return length;
    }

    private void add(List<Position> ring, Lake.Body body, double apart) {
        double left = apart / 2;
        for (int i = 0; i < ring.size(); i++) {
            Position from = ring.get(i);
            Position to = ring.get((i + 1) % ring.size());
            double metres = from.metresTo(to);
            for (; left < metres; left += apart) {
                Position off = off(from, to, left / metres, body);
                if (off != null) {
                    places.add(off);
                }
            }
            left -= metres;
        }
    }

    /** The water beside a place of a shore; null where both sides are land. */
    private static @Nullable Position off(Position from, Position to, double share, Lake.Body body) {
        LocalPlane plane = new LocalPlane(from);
        Point along = plane.point(to);
        double length = along.length();
        Point at = new Point(share * along.x(), share * along.y());
        Point across = new Point(-along.y() / length * OFF_M, along.x() / length * OFF_M);
        Position one = plane.position(at.plus(across, 1));
        if (body.holds(one)) {
            return one;
        }
        Position other = plane.position(at.plus(across, -1));
        return body.holds(other) ? other : null;
    }

    /** The places, in the order of the sides. */
    public List<Position> places() {
        return List.copyOf(places);
    }

    /** What a wind does to the bank of any place; null where it blows along, is unknown, or no bank is near. */
    public @Nullable BankSide side(Position place, @Nullable Double mps, @Nullable Double fromDeg) {
        return wind.side(place, mps, fromDeg);
    }

    /** What a wind does to the shore at each place; null where it blows along, or is unknown. */
    public List<@Nullable BankSide> sides(@Nullable Double mps, @Nullable Double fromDeg) {
        List<@Nullable BankSide> sides = new ArrayList<>();
        places.forEach(p -> sides.add(side(p, mps, fromDeg)));
        return sides;
    }
}
