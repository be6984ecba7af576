package lochan.web.lake;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.lake.Spot;
import lochan.core.quantity.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** A fished day, on the map: its stops in their order and the ways between them. */
@Component
public class DayMarks {

    private final Lakes lakes;

    DayMarks(Lakes lakes) {
        this.lakes = lakes;
    }

    /**
     * As a page carries it.
     *
     * @param spots ids in the order they were fished
     * @return null where the lake is not known
     */
    public @Nullable String of(EventData event, List<String> spots, Units units) {
        if (event.lake() == null) {
            return null;
        }
        List<Spot> fished =
                spots.stream().flatMap(id -> event.spot(id).stream()).toList();
        return MapMarks.of(event, units)
                .places(SpotMarks.of(event, units).ofTheDay())
                .routes(routes(event, fished))
                .beads(MapMarks.beads(fished))
                .build()
                .json();
    }

    /** One spot of the lake. */
    public @Nullable String of(EventData event, Spot spot, Units units) {
        return of(event, List.of(spot.id()), units);
    }

    private List<MapMarks.Route> routes(EventData event, List<Spot> fished) {
        List<MapMarks.Route> routes = new ArrayList<>();
        Runs runs = lakes.runs(event);
        for (int i = 1; i < fished.size(); i++) {
            Position from = fished.get(i - 1).position();
            Position to = fished.get(i).position();
            if (!from.equals(to)) {
                runs.route(from, to).ifPresent(way -> routes.add(new MapMarks.Route(MapMarks.way(way), false)));
            }
        }
        return routes;
    }
}
