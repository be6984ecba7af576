package lochan.web.lake;

import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.Sounding;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.eventbook.Events;
import lochan.web.shared.NotThereException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Stores what depths rest on together with the depths that come of it, which take seconds to compute and are computed before the event is held. */
@Component
class DepthWrites {

    private final DepthRepository depths;
    private final SoundingRepository surveys;
    private final Lakes lakes;
    private final Events events;

    DepthWrites(DepthRepository depths, SoundingRepository surveys, Lakes lakes, Events events) {
        this.depths = depths;
        this.surveys = surveys;
        this.lakes = lakes;
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

    @EventWrite
    void putMap(EventKey key, DepthGrid grid, String source) {
        depths.put(key, DepthRepository.Layer.MAP, grid, source);
    }

    /** Puts a lake and depths of its map in the place of those there are, which are kept for undo; null: as they are. */
    @EventWrite
    void replace(EventKey key, @Nullable Lake lake, @Nullable DepthGrid grid, String source, Instant now) {
        lakes.keepFormer(key, now);
        depths.copy(key, DepthRepository.Layer.MAP, DepthRepository.Layer.FORMER);
        if (lake != null) {
            lakes.putLake(key, lake);
        }
        if (grid != null) {
            depths.put(key, DepthRepository.Layer.MAP, grid, source);
        }
    }

    /** @throws NotThereException when nothing was kept for undo */
    @EventWrite
    void undoReplace(EventKey key) {
        if (!lakes.takeFormer(key)) {
            throw new NotThereException();
        }
        depths.move(key, DepthRepository.Layer.FORMER, DepthRepository.Layer.MAP);
    }

    @EventWrite
    void addSurvey(EventKey key, DepthSources.Survey survey, List<Sounding> soundings, Instant now) {
        surveys.add(key, survey, soundings, now);
    }

    /**
     * @param at null takes it back
     * @throws NotThereException when there is no such survey
     */
    @EventWrite
    void setDeleted(EventKey key, String code, @Nullable Instant at) {
        if (!surveys.setDeleted(key, code, at)) {
            throw new NotThereException();
        }
    }
}
