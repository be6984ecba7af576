package lochan.web.lake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.offline.plan.SpotWorth;
import org.springframework.stereotype.Component;

/** What spots are worth through a day, kept for as long as the day's model is: every page with a map asks for it. */
@Component
public class SpotWorths {

    private static final int KEPT = 20;

    private final Cache<DayModel, List<Map<String, SpotWorth.Best>>> all =
            Caffeine.newBuilder().weakKeys().maximumSize(KEPT).build();

    /** By bin, then by spot, with every lure. */
    List<Map<String, SpotWorth.Best>> of(EventData event, DayModel model) {
        return all.get(model, m -> computed(event, m, c -> true));
    }

    /** The same with some cells. */
    static List<Map<String, SpotWorth.Best>> computed(EventData event, DayModel model, Predicate<Cell> allowed) {
        List<Map<String, SpotWorth.Best>> best = new ArrayList<>();
        for (int bin = 0; bin < model.bins().size(); bin++) {
            best.add(SpotWorth.best(event, model, bin, allowed));
        }
        return best;
    }
}
