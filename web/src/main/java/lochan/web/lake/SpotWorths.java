package lochan.web.lake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.DayModel;
import lochan.core.quantity.Units;
import lochan.offline.plan.SpotWorth;
import lochan.web.eventbook.EventKey;
import lochan.web.modelling.DayModels;
import org.springframework.stereotype.Component;

/** What spots are worth through a day, kept for as long as the day's model is: every page with a map asks for it. */
@Component
public class SpotWorths {

    private static final int KEPT = 20;

    private final DayModels dayModels;
    private final Lakes lakes;
    private final Cache<DayModel, List<Map<String, SpotWorth.Best>>> all =
            Caffeine.newBuilder().weakKeys().maximumSize(KEPT).build();

    SpotWorths(DayModels dayModels, Lakes lakes) {
        this.dayModels = dayModels;
        this.lakes = lakes;
    }

    /**
     * The spots of an event through a day, with every lure; nothing is known of the day until something was fished.
     *
     * @param event whose lake is known
     * @param day   from 1
     */
    public SpotMarks marks(EventKey key, EventData event, int day, Units units) {
        if (event.stops().isEmpty() || event.presentations().isEmpty()) {
            return SpotMarks.of(event, units);
        }
        Predicate<Cell> every = c -> true;
        DayModel model = dayModels.of(key, event, day);
        return marks(event, new SpotMarks.Known(model, all.get(model, m -> computed(event, m, every)), every), units);
    }

    /**
     * Returns the marks for a model with some cells.
     *
     * @param event   whose lake is known
     * @param allowed which cells count
     */
    public SpotMarks marks(EventData event, DayModel model, Predicate<Cell> allowed, Units units) {
        return marks(event, new SpotMarks.Known(model, computed(event, model, allowed), allowed), units);
    }

    private SpotMarks marks(EventData event, SpotMarks.Known known, Units units) {
        return new SpotMarks(event, known, lakes.shoreWind(event.knownLake()), units);
    }

    private static List<Map<String, SpotWorth.Best>> computed(
            EventData event, DayModel model, Predicate<Cell> allowed) {
        return IntStream.range(0, model.bins().size())
                .mapToObj(bin -> SpotWorth.best(event, model, bin, allowed))
                .toList();
    }
}
