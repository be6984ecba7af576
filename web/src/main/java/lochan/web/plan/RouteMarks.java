package lochan.web.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.planning.edits.DayRuns;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.quantity.Units;
import lochan.web.eventbook.EventKey;
import lochan.web.lake.MapMarks;
import lochan.web.lake.MapMarksBuilder;
import lochan.web.lake.SpotMarks;
import lochan.web.lake.SpotWorths;
import org.springframework.stereotype.Component;

/** A plan on the map: its stops, the runs between them with their minutes, and what the hours of its day bring. */
@Component
class RouteMarks {

    private final SpotWorths worths;

    RouteMarks(SpotWorths worths) {
        this.worths = worths;
    }

    /**
     * As the page carries it.
     *
     * @param event whose lake is known
     * @param legs  of the plan
     */
    String of(EventKey key, EventData event, Plan plan, DayRuns runs, List<PlanCheck.Leg> legs, Units units) {
        MapMarksBuilder marks = MapMarks.of(event, units);
        SpotMarks spots = worths.marks(key, event, plan.day(), units);
        marks.places(spots.ofTheDay());
        spots.putHours(marks);
        marks.beads(MapMarks.beads(plan.stops().stream()
                .map(s -> event.spot(s.spotId()).orElseThrow())
                .toList()));
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
}
