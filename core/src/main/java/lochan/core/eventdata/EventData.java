package lochan.core.eventdata;

import java.util.List;
import java.util.Optional;
import lochan.core.competition.Entry;
import lochan.core.event.Boat;
import lochan.core.event.Brief;
import lochan.core.plan.Plan;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Presentation;
import lochan.core.water.Lake;
import lochan.core.water.Spot;

/**
 * The whole of one event: its brief, the water, what practice and the forecast say, plans, and the log of the competition.
 *
 * @param lake        the water; null: not known, runs are straight lines lengthened
 * @param competition the append-only log in the order it was written
 */
public record EventData(Brief brief, Boat boat, Lake lake, List<Spot> spots, List<Presentation> presentations, List<PracticeStop> stops,
                        List<ForecastPeriod> forecast, List<Plan> plans, List<Entry> competition) {

    public EventData {
        spots = List.copyOf(spots);
        presentations = List.copyOf(presentations);
        stops = List.copyOf(stops);
        forecast = List.copyOf(forecast);
        plans = List.copyOf(plans);
        competition = List.copyOf(competition);
    }

    public Optional<Spot> spot(String id) {
        return spots.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    public Optional<Presentation> presentation(String id) {
        return presentations.stream().filter(p -> p.id().equals(id)).findFirst();
    }
}
