package lochan.core.water;

import java.util.ArrayList;
import java.util.List;
import lochan.core.Violation;
import lochan.core.event.Position;

/**
 * The water: its shores, islands and slow zones.
 *
 * @param bodies    pieces of water that do not touch
 * @param slowZones where the boat may not run at its own speed
 */
public record Lake(List<Body> bodies, List<SlowZone> slowZones) {

    private static final int LEAST_CORNERS = 3;

    public Lake {
        bodies = List.copyOf(bodies);
        slowZones = List.copyOf(slowZones);
    }

    /**
     * One piece of water. Rings are not closed: the last corner is joined to the first.
     *
     * @param shore   its outer shore
     * @param islands rings of land in it
     */
    public record Body(List<Position> shore, List<List<Position>> islands) {

        public Body {
            shore = List.copyOf(shore);
            islands = islands.stream().map(List::copyOf).toList();
        }

        List<List<Position>> rings() {
            List<List<Position>> rings = new ArrayList<>();
            rings.add(shore);
            rings.addAll(islands);
            return rings;
        }
    }

    /**
     * Water with a speed of its own.
     *
     * @param name  what it is called; null: nothing
     * @param mps   greatest speed there, m/s, more than 0
     * @param areas what it covers; islands are left out of it
     */
    public record SlowZone(String name, double mps, List<Body> areas) {

        public SlowZone {
            areas = List.copyOf(areas);
        }

        List<List<Position>> rings() {
            return areas.stream().flatMap(a -> a.rings().stream()).toList();
        }
    }

    /** What is wrong with it; fields are those of the event file below {@code lake}. */
    public List<Violation> check() {
        List<Violation> found = new ArrayList<>();
        if (bodies.isEmpty()) {
            found.add(new Violation("outline", "The outline has no water in it: draw one polygon at least."));
        }
        for (int i = 0; i < bodies.size(); i++) {
            for (List<Position> ring : bodies.get(i).rings()) {
                if (ring.stream().distinct().count() < LEAST_CORNERS) {
                    found.add(new Violation("outline", "A ring of polygon " + (i + 1) + " has fewer than three corners: draw it whole or leave it out."));
                }
            }
        }
        for (int i = 0; i < slowZones.size(); i++) {
            if (!(slowZones.get(i).mps() > 0)) {
                found.add(new Violation("slowZones/features/" + i + "/properties/mps",
                        "The speed of a slow zone is " + slowZones.get(i).mps() + " m/s: expected more than 0."));
            }
        }
        return List.copyOf(found);
    }
}
