package lochan.core.planning.valuation;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.plan.PlanStop;
import lochan.core.quantity.Hours;
import lochan.core.quantity.Instants;

/** A plan's stops cut where bins change, so that each segment has one rate and lies in one hour of the day. */
public final class Schedule {

    private Schedule() {}

    /**
     * @param cell  what is fished
     * @param bin   index of the bin
     * @param hours how long
     */
    public record Segment(Cell cell, int bin, double hours) {}

    public static List<Segment> segments(List<PlanStop> stops, List<Bin> bins) {
        List<Segment> segments = new ArrayList<>();
        for (PlanStop stop : stops) {
            Cell cell = Cell.of(stop);
            for (int i = 0; i < bins.size(); i++) {
                Instant from = i == 0
                        ? stop.arrive()
                        : Instants.later(stop.arrive(), bins.get(i).start());
                Instant to = i == bins.size() - 1
                        ? stop.leave()
                        : Instants.earlier(stop.leave(), bins.get(i).end());
                if (to.isAfter(from)) {
                    segments.add(new Segment(cell, i, Hours.between(from, to)));
                }
            }
        }
        return segments;
    }
}
