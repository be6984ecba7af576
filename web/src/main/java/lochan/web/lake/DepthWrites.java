package lochan.web.lake;

import java.util.function.Supplier;
import lochan.core.lake.depth.DepthGrid;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.Events;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Stores what depths rest on together with the depths that come of it, which take seconds to compute and are computed before the event is held. */
@Component
class DepthWrites {

    private final DepthRepository depths;
    private final Events events;

    DepthWrites(DepthRepository depths, Events events) {
        this.depths = depths;
        this.events = events;
    }

    /**
     * Makes a change, unless the event was written to since its depths were computed.
     *
     * @param seen how often the event was written to by then
     * @param all  the depths that come of the change; null: none
     * @return whether it was made
     */
    @EventWrite
    boolean change(EventKey key, long seen, Runnable change, @Nullable DepthGrid all) {
        // This write itself is one.
        if (events.writes(key) != seen + 1) {
            return false;
        }
        change(key, change, () -> all);
        return true;
    }

    /** Makes a change with depths that are computed while the event is held. */
    @EventWrite
    void change(EventKey key, Runnable change, Supplier<@Nullable DepthGrid> all) {
        change.run();
        depths.put(key, DepthRepository.Layer.ALL, all.get(), "");
    }
}
