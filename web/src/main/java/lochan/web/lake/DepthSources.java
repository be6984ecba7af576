package lochan.web.lake;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.Sounding;
import lochan.core.lake.sounding.SoundingGrid;
import lochan.core.lake.sounding.SoundingRules;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Builds the depths of a lake from a map that came as a file and from the angler's own soundings, which refine it. */
@Service
public class DepthSources {

    private static final int TRIES = 3;

    private final DepthRepository depths;
    private final SoundingRepository surveys;
    private final Lakes lakes;
    private final DepthWrites writes;
    private final Events events;
    private final Clock clock;

    DepthSources(
            DepthRepository depths,
            SoundingRepository surveys,
            Lakes lakes,
            DepthWrites writes,
            Events events,
            Clock clock) {
        this.writes = writes;
        this.events = events;
        this.depths = depths;
        this.surveys = surveys;
        this.lakes = lakes;
        this.clock = clock;
    }

    /**
     * The soundings of one file.
     *
     * @param takenOn null: not told
     * @param leftOut spikes, fixes off the water, depths that cannot be
     */
    public record Survey(
            String code, String fileName, @Nullable LocalDate takenOn, int count, int leftOut) {}

    /** The file that the map's depths came from; empty where there are none. */
    public Optional<String> map(EventKey key) {
        return depths.source(key, DepthRepository.Layer.MAP);
    }

    public List<Survey> surveys(EventKey key) {
        return surveys.surveys(key);
    }

    /** Keeps the depths of a map where there are none yet. */
    public void keepMap(EventKey key, DepthGrid grid, String source) {
        writes.change(key, () -> writes.putMap(key, grid, source), () -> grid);
    }

    /**
     * Replaces the lake, its depths or both by what an import gives. What was there is kept for undo.
     *
     * @param lake   null: as it is
     * @param grid   depths of its map; null: as they are
     * @param source the file
     * @throws BadGridException when what comes of it cannot be stored or computed on; nothing is changed then
     */
    public void replace(EventKey key, @Nullable Lake lake, @Nullable DepthGrid grid, String source)
            throws BadGridException {
        MapTrial.of(lake == null ? lakes.lake(key) : lake, grid);
        change(
                key,
                () -> writes.replace(key, lake, grid, source, clock.instant()),
                () -> combined(
                        lake == null ? lakes.lake(key) : lake,
                        grid == null ? map(key, DepthRepository.Layer.MAP) : grid,
                        surveys.soundings(key)));
    }

    /** Takes back the lake and the depths that the last import replaced. */
    public void undoReplace(EventKey key) {
        change(
                key,
                () -> writes.undoReplace(key),
                () -> combined(lakes.former(key), map(key, DepthRepository.Layer.FORMER), surveys.soundings(key)));
    }

    /**
     * Keeps soundings.
     *
     * @param soundings cleaned, at the lake's reference level
     * @throws BadGridException when they do not lie on the lake
     */
    public void keepSurvey(EventKey key, Survey survey, List<Sounding> soundings) throws BadGridException {
        Lake lake = lakes.lake(key);
        if (lake == null || soundings.stream().noneMatch(s -> lake.holds(s.position()))) {
            throw new BadGridException(MapProblem.SOUNDINGS_OFF_LAKE);
        }
        change(key, () -> writes.addSurvey(key, survey, soundings, clock.instant()), () -> {
            List<Sounding> all = new ArrayList<>(surveys.soundings(key));
            all.addAll(soundings);
            return combined(lakes.lake(key), map(key, DepthRepository.Layer.MAP), all);
        });
    }

    public void deleteSurvey(EventKey key, String code) {
        change(
                key,
                () -> writes.setDeleted(key, code, clock.instant()),
                () -> combined(key, surveys.soundingsBut(key, code)));
    }

    public void restoreSurvey(EventKey key, String code) {
        change(key, () -> writes.setDeleted(key, code, null), () -> combined(key, surveys.soundingsAnd(key, code)));
    }

    /** @param all the depths that come of the change, as long as nothing else changes */
    private void change(EventKey key, Runnable change, Supplier<@Nullable DepthGrid> all) {
        for (int tried = 0; tried < TRIES; tried++) {
            long seen = events.writes(key);
            if (writes.change(key, seen, change, all.get())) {
                return;
            }
        }
        // Somebody writes to the event all the time.
        writes.change(key, change, all);
    }

    private @Nullable DepthGrid map(EventKey key, DepthRepository.Layer layer) {
        return depths.grid(key, layer).orElse(null);
    }

    private @Nullable DepthGrid combined(EventKey key, List<Sounding> soundings) {
        return combined(lakes.lake(key), map(key, DepthRepository.Layer.MAP), soundings);
    }

    private static @Nullable DepthGrid combined(
            @Nullable Lake lake, @Nullable DepthGrid map, List<Sounding> soundings) {
        if (lake == null || soundings.isEmpty()) {
            return map;
        }
        try {
            return SoundingGrid.of(lake, soundings, map, SoundingRules.USUAL);
        } catch (BadGridException e) {
            // The outline is another now: what the soundings were of lies beyond it.
            return map;
        }
    }
}
