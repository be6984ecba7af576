package lochan.web.water;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.event.Boat;
import lochan.core.water.Lake;
import lochan.core.water.Runs;
import lochan.web.brief.EventKey;
import lochan.web.eventfile.LakeText;
import org.springframework.stereotype.Service;

/** The lakes of events, and the runs on them. Both take a while to make, so the latest are kept: they are pure values of what they are made of. */
@Service
public class Waters {

    private static final int LAKES_KEPT = 20;

    private record Running(Lake lake, Boat boat) { }

    private final LakeRepository repository;
    private final Cache<String, Lake> lakes = Caffeine.newBuilder().maximumSize(LAKES_KEPT).build();
    private final Cache<Running, Runs> runs = Caffeine.newBuilder().maximumSize(LAKES_KEPT).build();

    Waters(LakeRepository repository) {
        this.repository = repository;
    }

    /** The lake of an event; null when it is not known. */
    public Lake lake(EventKey key) {
        return repository.geoJson(key).map(text -> lakes.get(text, LakeText::read)).orElse(null);
    }

    /** @param lake null leaves it unknown */
    public void putLake(EventKey key, Lake lake) {
        if (lake != null) {
            repository.put(key, LakeText.of(lake));
        }
    }

    /** The runs of an event's boat on its lake. */
    public Runs runs(EventData event) {
        return event.lake() == null ? Runs.straight(event.boat(), Assumptions.DEFAULTS.planning())
                : runs.get(new Running(event.lake(), event.boat()), r -> Runs.of(r.lake(), r.boat(), Assumptions.DEFAULTS.planning()));
    }
}
