package lochan.web.modelling;

import java.util.Arrays;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.competition.Entry;
import lochan.core.eventdata.EventData;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.notebook.Notebook;
import lochan.core.plan.Plan;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.Kept;
import org.springframework.stereotype.Component;

/** What practice says of a competition day, computed again only when something it rests on has changed. */
@Component
public class DayModels {

    private static final int KEPT = 8;

    private final Kept<DayKey, FittedDayModel> models = new Kept<>(KEPT);

    /**
     * @param event the current event
     * @param day   competition day; one the event does not have is taken as the nearest
     */
    public FittedDayModel of(EventKey key, EventData event, int day) {
        int there = Math.clamp(day, 1, event.days().size());
        return models.get(
                new DayKey(key, there),
                basis(event, there),
                () -> new FittedDayModel(event, there, Assumptions.DEFAULTS));
    }

    /**
     * What a day's computation rests on: its own competition, waypoints on no spot, trials and runs of the boat say nothing of what practice says; of the competition days
     * before it the log does, and their plans where the log does not say what was fished.
     */
    public static List<Object> basis(EventData e, int day) {
        boolean later = day > 1 && !e.competition().isEmpty();
        List<Entry> before = later
                ? e.competition().stream()
                        .filter(x -> x.at().isBefore(
                                        e.day(Math.min(day, e.days().size())).start()))
                        .toList()
                : List.of();
        List<Plan> plans = later ? e.plans().stream().filter(p -> p.day() < day).toList() : List.of();
        Notebook n = e.notebook();
        return Arrays.asList(
                e.event(),
                e.boat(),
                e.lake(),
                e.spots(),
                e.presentations(),
                e.stops(),
                e.waypoints().stream().filter(w -> w.spotId() != null).toList(),
                e.forecast(),
                n.fish(),
                n.changes(),
                n.priors(),
                n.priors().byHistory() ? n.carried() : null,
                before,
                plans);
    }
}
