package lochan.web.plan;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Runs;
import lochan.core.plan.Plan;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.planning.runs.DayRuns;
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
            routes(runs, legs, marks);
        }
        return marks.build().json();
    }

    private static void routes(DayRuns runs, List<PlanCheck.Leg> legs, MapMarksBuilder marks) {
        List<MapMarks.Route> routes = new ArrayList<>();
        List<MapMarks.Leg> words = new ArrayList<>();
        for (PlanCheck.Leg leg : legs) {
            for (PlanCheck.Passage p : leg.runs()) {
                Optional<List<Position>> way =
                        runs.route(p.start(), p.end(), p.leaving()).filter(w -> w.size() > 1);
                way.ifPresent(w -> routes.add(new MapMarks.Route(MapMarks.way(w), runs.isRough(p.leaving()))));
                if (way.isPresent() && leg.needed() != null) {
                    words.add(new MapMarks.Leg(words(leg, p, runs), MapMarks.way(List.of(middle(way.get())))));
                }
            }
        }
        marks.routes(routes).legs(words);
    }

    /** Minutes of a run; of one that is the whole way to a stop with set-up time, and what is missing. */
    private static String words(PlanCheck.Leg leg, PlanCheck.Passage run, DayRuns runs) {
        Duration time = leg.waits().isEmpty()
                ? leg.needed()
                : runs.between(run.start(), run.end(), run.leaving())
                        .map(Runs.Run::time)
                        .orElse(null);
        return (time == null ? "" : time.plusSeconds(59).toMinutes() + " min")
                + (leg.inLee() ? ", in the lee" : "")
                + (leg.shortMinutes() > 0 ? ", " + leg.shortMinutes() + " short" : "");
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
