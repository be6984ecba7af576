package lochan.web.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.plan.Plan;
import lochan.core.planning.edits.DayRuns;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.quantity.Units;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.Lakes;
import lochan.web.lake.MapMarks;
import lochan.web.lake.MapMarksBuilder;
import lochan.web.lake.SpotMarks;
import lochan.web.lake.SpotWorths;
import lochan.web.modelling.DayModels;
import org.springframework.stereotype.Component;

/** A plan on the map: its stops, the runs between them with their minutes, and what the hours of its day bring. */
@Component
class RouteMarks {

    private final SpotWorths worths;
    private final Lakes lakes;
    private final DayModels dayModels;

    RouteMarks(Lakes lakes, DayModels dayModels, SpotWorths worths) {
        this.worths = worths;
        this.lakes = lakes;
        this.dayModels = dayModels;
    }

    /**
     * As the page carries it.
     *
     * @param event whose lake is known
     * @param legs  of the plan
     */
    String of(EventKey key, EventData event, Plan plan, DayRuns runs, List<PlanCheck.Leg> legs, Units units) {
        MapMarksBuilder marks = MapMarks.of(event, units);
        SpotMarks spots = SpotMarks.of(
                event,
                event.stops().isEmpty() || event.presentations().isEmpty()
                        ? null
                        : dayModels.of(key, event, plan.day()),
                worths,
                units);
        marks.places(spots.ofTheDay()).hours(spots.hours(lakes.shoreWind(event.knownLake())));
        marks.shore(MapMarks.way(lakes.shoreWind(event.knownLake()).places()));
        marks.beads(beads(event, plan));
        if (!plan.stops().isEmpty()) {
            routes(event, plan, runs, legs, marks);
        }
        return marks.build().json();
    }

    private static void routes(
            EventData event, Plan plan, DayRuns runs, List<PlanCheck.Leg> legs, MapMarksBuilder marks) {
        List<MapMarks.Route> routes = new ArrayList<>();
        List<MapMarks.Leg> words = new ArrayList<>();
        List<PlanCheck.Passage> passages = PlanCheck.passages(event, plan);
        for (int i = 0; i < passages.size(); i++) {
            PlanCheck.Passage p = passages.get(i);
            Optional<List<Position>> way =
                    runs.at(p.leaving()).route(p.start(), p.end()).filter(w -> w.size() > 1);
            if (way.isPresent()) {
                routes.add(new MapMarks.Route(MapMarks.way(way.get()), runs.isRough(p.leaving())));
                PlanCheck.Leg leg = legs.get(i);
                if (leg.needed() != null) {
                    String late = leg.shortMinutes() > 0 ? ", " + leg.shortMinutes() + " short" : "";
                    words.add(new MapMarks.Leg(
                            leg.needed().plusSeconds(59).toMinutes() + " min" + late,
                            MapMarks.way(List.of(middle(way.get())))));
                }
            }
        }
        marks.routes(routes).legs(words);
    }

    /** The place half way along. */
    private static Position middle(List<Position> way) {
        double half = 0;
        for (int i = 1; i < way.size(); i++) {
            half += way.get(i - 1).metresTo(way.get(i)) / 2;
        }
        for (int i = 1; i < way.size(); i++) {
            Position a = way.get(i - 1);
            Position b = way.get(i);
            double metres = a.metresTo(b);
            if (half <= metres && metres > 0) {
                double share = half / metres;
                return new Position(a.lat() + share * (b.lat() - a.lat()), a.lon() + share * (b.lon() - a.lon()));
            }
            half -= metres;
        }
        return way.getLast();
    }

    /** One for each spot, with the numbers of its stops; its id is the number of its first stop, from 0. */
    private static List<MapMarks.Bead> beads(EventData event, Plan plan) {
        Map<String, String> numbers = new LinkedHashMap<>();
        Map<String, Integer> first = new LinkedHashMap<>();
        for (int i = 0; i < plan.stops().size(); i++) {
            String spot = plan.stops().get(i).spotId();
            numbers.merge(spot, Integer.toString(i + 1), (a, b) -> a + "·" + b);
            first.putIfAbsent(spot, i);
        }
        List<MapMarks.Bead> beads = new ArrayList<>();
        numbers.forEach((id, words) -> {
            Spot spot = event.spot(id).orElseThrow();
            beads.add(new MapMarks.Bead(
                    String.valueOf(first.get(id)),
                    spot.position().lat(),
                    spot.position().lon(),
                    words));
        });
        return beads;
    }
}
