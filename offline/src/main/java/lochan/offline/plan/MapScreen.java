package lochan.offline.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import lochan.core.event.Position;
import org.jspecify.annotations.Nullable;

/**
 * The places and the route the Map screen draws on the lake.
 *
 * @param places the spots, the nearest first
 * @param route  corners of what is left of the day's plan from where the boat is; none: nothing is planned
 * @param beads  stops of that plan
 */
public record MapScreen(List<Place> places, List<Position> route, List<Bead> beads) {

    public MapScreen {
        places = List.copyOf(places);
        route = List.copyOf(route);
        beads = List.copyOf(beads);
    }

    /**
     * A spot.
     *
     * @param stones  how much evidence there is, 1 to 5
     * @param share   what an hour there brings now, as a share of the best spot's, 0 to 1
     * @param kind    its type and depth, in words
     * @param best    the best lure now and what it brings, in words; null: practice says nothing
     * @param fished  what practice and today brought, in words
     * @param run     how long to run there from where the boat is, in words; null: there is no way by water
     * @param caution why not to fish it; null: nothing is known
     * @param lure    id of the best lure; null: none
     */
    @RecordBuilder
    public record Place(
            String id,
            String name,
            Position position,
            int stones,
            double share,
            String kind,
            @Nullable String best,
            String fished,
            @Nullable String run,
            @Nullable String caution,
            @Nullable String lure) {}

    /** A stop of the plan. */
    public record Bead(Position position, String clock) {}
}
