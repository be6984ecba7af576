package lochan.core.lake;

import java.util.List;
import java.util.Optional;
import lochan.core.Coded;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * What stands or grows in the water, as maps draw it.
 *
 * @param name  what it is called; null: nothing
 * @param areas what it covers
 * @param lines along which it stands, as docks along a shore; a line of one place is a single piece
 */
public record LakeCover(Kind kind, @Nullable String name, List<Lake.Body> areas, List<List<Position>> lines) {

    /** A place this near to a line or a single piece is at it, m. */
    private static final double BESIDE_M = 30;

    /** Lists the kinds of cover. */
    public enum Kind implements Coded {
        TIMBER("timber"),
        GRASS("grass"),
        DOCKS("docks");

        private final String code;

        Kind(String code) {
            this.code = code;
        }

        @Override
        public String code() {
            return code;
        }
    }

    public LakeCover {
        areas = List.copyOf(areas);
        lines = lines.stream().map(List::copyOf).toList();
    }

    /** The cover of some at a place. */
    public static Optional<Kind> at(List<LakeCover> covers, Position place) {
        return covers.stream().filter(c -> c.holds(place)).map(LakeCover::kind).findFirst();
    }

    private boolean holds(Position place) {
        return areas.stream().anyMatch(a -> a.holds(place))
                || lines.stream().anyMatch(l -> metres(l, place) <= BESIDE_M);
    }

    private static double metres(List<Position> line, Position place) {
        LocalPlane plane = new LocalPlane(place);
        LocalPlane.Point here = plane.point(place);
        double nearest = plane.point(line.getFirst()).minus(here).length();
        for (int i = 0; i + 1 < line.size(); i++) {
            LocalPlane.Point on = Edges.nearest(here, plane.point(line.get(i)), plane.point(line.get(i + 1)));
            nearest = Math.min(nearest, on.minus(here).length());
        }
        return nearest;
    }
}
