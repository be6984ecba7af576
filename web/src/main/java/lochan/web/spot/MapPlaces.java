package lochan.web.spot;

import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.MapPlace;
import lochan.core.lake.structure.StructureFinder;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Lists the places on an event's map. */
@Component
class MapPlaces {

    private final Lakes lakes;

    MapPlaces(Lakes lakes) {
        this.lakes = lakes;
    }

    /** @param place null: unknown */
    MapPlace of(EventKey key, @Nullable Position place) {
        if (place == null) {
            return new MapPlace(null, null);
        }
        DepthGrid grid = lakes.survey(key).orElse(null);
        List<Candidate> candidates = grid == null ? List.of() : lakes.structure(key, StructureFinder.Filter.USUAL);
        return MapPlace.of(place, grid, candidates, lakes.lake(key));
    }
}
