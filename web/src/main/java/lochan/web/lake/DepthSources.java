package lochan.web.lake;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.sounding.Sounding;
import lochan.core.lake.sounding.SoundingGrid;
import lochan.core.lake.sounding.SoundingRules;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.NotThereException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What the depths of a lake rest on: a map that came as a file, and the angler's own soundings, which refine it. */
@Service
public class DepthSources {

    private final DepthRepository depths;
    private final SoundingRepository surveys;
    private final Lakes lakes;
    private final Clock clock;

    DepthSources(DepthRepository depths, SoundingRepository surveys, Lakes lakes, Clock clock) {
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

    /**
     * Keeps the depths of a map in place of those of the map before; soundings refine them as they did those.
     *
     * @param grid in degrees, at the lake's reference level; null leaves none
     */
    @EventWrite
    public void keepMap(EventKey key, @Nullable DepthGrid grid, String source) {
        depths.put(key, DepthRepository.Layer.MAP, grid, source);
        again(key);
    }

    /**
     * Replaces the lake, its depths or both by what an import gives. What was there is kept for undo.
     *
     * @param lake   null: as it is
     * @param grid   depths of its map; null: as they are
     * @param source the file
     * @throws BadGridException when what comes of it cannot be stored or computed on; nothing is changed then
     */
    @EventWrite
    public void replace(EventKey key, @Nullable Lake lake, @Nullable DepthGrid grid, String source)
            throws BadGridException {
        MapTrial.of(lake == null ? lakes.lake(key) : lake, grid);
        lakes.keepFormer(key, clock.instant());
        depths.copy(key, DepthRepository.Layer.MAP, DepthRepository.Layer.FORMER);
        if (lake != null) {
            lakes.putLake(key, lake);
        }
        if (grid != null) {
            depths.put(key, DepthRepository.Layer.MAP, grid, source);
        }
        again(key);
    }

    /** Takes back the lake and the depths that the last import replaced. */
    @EventWrite
    public void undoReplace(EventKey key) {
        if (!lakes.takeFormer(key)) {
            throw new NotThereException();
        }
        depths.move(key, DepthRepository.Layer.FORMER, DepthRepository.Layer.MAP);
        again(key);
    }

    /**
     * Keeps soundings.
     *
     * @param soundings cleaned, at the lake's reference level
     * @throws BadGridException when they do not lie on the lake
     */
    @EventWrite
    public void keepSurvey(EventKey key, Survey survey, List<Sounding> soundings) throws BadGridException {
        Lake lake = lakes.lake(key);
        if (lake == null || soundings.stream().noneMatch(s -> lake.holds(s.position()))) {
            throw new BadGridException("none of the soundings lies on the lake");
        }
        surveys.add(key, survey, soundings, clock.instant());
        again(key);
    }

    @EventWrite
    public void deleteSurvey(EventKey key, String code) {
        if (!surveys.setDeleted(key, code, clock.instant())) {
            throw new NotThereException();
        }
        again(key);
    }

    @EventWrite
    public void restoreSurvey(EventKey key, String code) {
        if (!surveys.setDeleted(key, code, null)) {
            throw new NotThereException();
        }
        again(key);
    }

    /** Makes the depths again that everything else reads: what they rest on has changed. */
    @EventWrite
    public void again(EventKey key) {
        depths.put(key, DepthRepository.Layer.ALL, combined(key), "");
    }

    private @Nullable DepthGrid combined(EventKey key) {
        DepthGrid map = depths.grid(key, DepthRepository.Layer.MAP).orElse(null);
        List<Sounding> soundings = surveys.soundings(key);
        Lake lake = lakes.lake(key);
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
