package lochan.core.lake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Violation;
import lochan.core.event.Extent;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * The water: its shores, islands, slow zones, what is off limits, what grows and stands in it, how high it is.
 *
 * @param bodies    pieces of water that do not touch
 * @param slowZones where the boat may not run at its own speed
 * @param offLimits where the event's rules let nobody fish; runs go round it
 * @param covers    timber, grass and docks
 * @param levels    how high the water stood
 * @param depthsFile the file that its depths are in; null: none is named
 */
public record Lake(
        List<Body> bodies,
        List<SlowZone> slowZones,
        List<OffLimits> offLimits,
        List<LakeCover> covers,
        LakeLevels levels,
        @Nullable DepthsFile depthsFile) {

    private static final int LEAST_CORNERS = 3;

    public Lake {
        bodies = List.copyOf(bodies);
        slowZones = List.copyOf(slowZones);
        offLimits = List.copyOf(offLimits);
        covers = List.copyOf(covers);
    }

    public Lake(List<Body> bodies, List<SlowZone> slowZones, List<OffLimits> offLimits) {
        this(bodies, slowZones, offLimits, List.of(), LakeLevels.UNKNOWN, null);
    }

    public Lake(List<Body> bodies, List<SlowZone> slowZones) {
        this(bodies, slowZones, List.of());
    }

    /** Returns the lake with other levels. */
    public Lake withLevels(LakeLevels others) {
        return new Lake(bodies, slowZones, offLimits, covers, others, depthsFile);
    }

    /** Returns the lake with other cover. */
    public Lake withCovers(List<LakeCover> others) {
        return new Lake(bodies, slowZones, offLimits, others, levels, depthsFile);
    }

    /** Returns the lake with its depths in another file. */
    public Lake withDepthsFile(@Nullable DepthsFile other) {
        return new Lake(bodies, slowZones, offLimits, covers, levels, other);
    }

    /** Returns the lake with other shores. */
    public Lake withBodies(List<Body> others) {
        return new Lake(others, slowZones, offLimits, covers, levels, depthsFile);
    }

    /**
     * A file that holds the depths of a lake.
     *
     * @param name   of the file
     * @param sha256 of the depths in it, as the program keeps them; by it they are known again
     */
    public record DepthsFile(String name, String sha256) {}

    /** How far its shores reach. It has at least one body. */
    public Extent extent() {
        return Extent.of(bodies.stream().flatMap(b -> b.shore().stream()).toList());
    }

    /** Whether a place lies on the water. */
    public boolean holds(Position place) {
        return bodies.stream().anyMatch(b -> b.holds(place));
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

        /** Its shore, then its islands. */
        public List<List<Position>> rings() {
            List<List<Position>> rings = new ArrayList<>();
            rings.add(shore);
            rings.addAll(islands);
            return rings;
        }

        /** Whether a place lies in it and on no island: a line from there to the north crosses its rings an odd number of times. */
        public boolean holds(Position p) {
            boolean inside = false;
            for (List<Position> ring : rings()) {
                for (int i = 0; i < ring.size(); i++) {
                    Position a = ring.get(i);
                    Position b = ring.get((i + 1) % ring.size());
                    if (a.lon() > p.lon() != b.lon() > p.lon()
                            && p.lat() < a.lat() + (p.lon() - a.lon()) / (b.lon() - a.lon()) * (b.lat() - a.lat())) {
                        inside = !inside;
                    }
                }
            }
            return inside;
        }
    }

    /**
     * Water with a speed of its own.
     *
     * @param name  what it is called; null: nothing
     * @param mps   greatest speed there, m/s, more than 0
     * @param areas what it covers; islands are left out of it
     */
    public record SlowZone(@Nullable String name, double mps, List<Body> areas) {

        public SlowZone {
            areas = List.copyOf(areas);
        }

        List<List<Position>> rings() {
            return areas.stream().flatMap(a -> a.rings().stream()).toList();
        }
    }

    /**
     * Water that the event's rules put off limits.
     *
     * @param name what it is called; null: nothing
     */
    public record OffLimits(@Nullable String name, List<Body> areas) {

        public OffLimits {
            areas = List.copyOf(areas);
        }
    }

    /** The water off limits that holds a place. */
    public Optional<OffLimits> offLimitsAt(Position place) {
        return offLimits.stream()
                .filter(o -> o.areas().stream().anyMatch(a -> a.holds(place)))
                .findFirst();
    }

    /** Returns the lake's violations; fields are those of the event file below {@code lake}. */
    public List<Violation> check() {
        List<Violation> found = new ArrayList<>();
        if (bodies.isEmpty()) {
            found.add(new Violation("outline", LakeProblem.NO_WATER));
        }
        for (int i = 0; i < bodies.size(); i++) {
            for (List<Position> ring : bodies.get(i).rings()) {
                if (ring.stream().distinct().count() < LEAST_CORNERS) {
                    found.add(new Violation("outline", LakeProblem.RING_CORNERS, i + 1));
                }
            }
        }
        for (int i = 0; i < slowZones.size(); i++) {
            if (!(slowZones.get(i).mps() > 0)) {
                found.add(new Violation(
                        "slowZones/features/" + i + "/properties/mps",
                        LakeProblem.SLOW_ZONE_SPEED,
                        slowZones.get(i).mps()));
            }
        }
        found.addAll(levels.check());
        return List.copyOf(found);
    }
}
