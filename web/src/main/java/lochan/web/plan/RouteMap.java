package lochan.web.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import lochan.core.eventdata.EventData;
import lochan.core.plan.Plan;
import lochan.core.planning.edits.DayRuns;
import lochan.core.planning.edits.PlanCheck;
import lochan.core.quantity.Units;
import lochan.web.map.LakeMap;

/**
 * The way of a plan on the lake's drawing.
 *
 * @param water the lake with all spots, without depths
 * @param viewBox the part of it that holds the launch and the stops
 * @param runs  paths of the runs, the way home last
 * @param stops places of the stops; one for each spot, with the numbers of its stops
 */
record RouteMap(LakeMap water, String viewBox, List<String> runs, List<Stop> stops) {

    /** Room around the stops, as a share of how far they reach. */
    private static final double MARGIN = 0.22;

    private static final double LEAST_M = 1500;

    record Stop(String spotId, String name, String numbers, double x, double y) {}

    /** @param event whose lake is known */
    static RouteMap of(EventData event, Plan plan, DayRuns runs, Units units) {
        LakeMap.Frame frame = LakeMap.frame(event.knownLake());
        List<String> paths = new ArrayList<>();
        List<Stop> stops = new ArrayList<>();
        for (int i = 0; i < plan.stops().size(); i++) {
            String spot = plan.stops().get(i).spotId();
            number(
                    stops,
                    spot,
                    event,
                    i + 1,
                    frame.point(event.spot(spot).orElseThrow().position()));
        }
        if (!plan.stops().isEmpty()) {
            PlanCheck.passages(event, plan).forEach(p -> runs.at(p.leaving())
                    .route(p.start(), p.end())
                    .filter(way -> way.size() > 1)
                    .ifPresent(way -> paths.add(LakeMap.way(way, frame))));
        }
        LakeMap water = LakeMap.of(event, units);
        return new RouteMap(water, viewBox(water, stops), paths, stops);
    }

    private static String viewBox(LakeMap water, List<Stop> stops) {
        if (stops.isEmpty()) {
            return "0 0 " + water.width() + " " + water.height();
        }
        double[] x = DoubleStream.concat(
                        stops.stream().mapToDouble(Stop::x),
                        DoubleStream.of(water.launch().x()))
                .sorted()
                .toArray();
        double[] y = DoubleStream.concat(
                        stops.stream().mapToDouble(Stop::y),
                        DoubleStream.of(water.launch().y()))
                .sorted()
                .toArray();
        double around = MARGIN * Math.max(LEAST_M, Math.max(x[x.length - 1] - x[0], y[y.length - 1] - y[0]));
        return (x[0] - around) + " " + (y[0] - around) + " " + (x[x.length - 1] - x[0] + 2 * around) + " "
                + (y[y.length - 1] - y[0] + 2 * around);
    }

    private static void number(List<Stop> stops, String spotId, EventData event, int number, LakeMap.Point at) {
        int known = stops.stream().map(Stop::spotId).toList().indexOf(spotId);
        String numbers = known < 0 ? Integer.toString(number) : stops.get(known).numbers() + "·" + number;
        Stop stop = new Stop(spotId, event.spot(spotId).orElseThrow().name(), numbers, at.x(), at.y());
        if (known < 0) {
            stops.add(stop);
        } else {
            stops.set(known, stop);
        }
    }
}
