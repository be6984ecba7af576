package lochan.web.standings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.notebook.Notebook;
import lochan.core.scenario.DayModel;
import lochan.web.brief.EventKey;
import org.springframework.stereotype.Component;

/** What practice says of a competition day, reckoned anew only when something it rests on has changed. */
@Component
public class DayModels {

    private static final int KEPT = 8;

    private final Cache<OfDay, DayModel> models = Caffeine.newBuilder().maximumSize(KEPT).build();

    private record OfDay(EventKey key, int day) { }

    /**
     * @param event the event as it stands
     * @param day   competition day; one the event does not have is taken as the nearest
     */
    public DayModel of(EventKey key, EventData event, int day) {
        int there = Math.clamp(day, 1, event.brief().days().size());
        DayModel known = models.getIfPresent(new OfDay(key, there));
        if (known == null || !basis(known.event()).equals(basis(event))) {
            known = new DayModel(event, there, Assumptions.DEFAULTS);
            models.put(new OfDay(key, there), known);
        }
        return known;
    }

    /** What a day's reckoning rests on: plans, competition, marks, trials and runs of the boat say nothing of what practice says. */
    public static List<Object> basis(EventData e) {
        Notebook n = e.notebook();
        return Arrays.asList(e.brief(), e.boat(), e.lake(), e.spots(), e.presentations(), e.stops(), e.forecast(), n.fish(), n.changes(), n.leanings(),
                n.leanings().byHistory() ? n.carried() : null);
    }
}
