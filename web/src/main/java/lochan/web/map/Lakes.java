package lochan.web.map;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.Runs;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.DepthGrid;
import lochan.core.lake.structure.LakeDepths;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.planning.edits.DayRuns;
import lochan.core.quantity.Units;
import lochan.eventformat.LakeText;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import tools.jackson.core.JacksonException;

/**
 * The lakes of events, their depths and the runs on them. All take a while to make, so the latest are kept: they are pure values of what
 * they are made of.
 */
@Service
@Order(EventPart.REST)
public class Lakes implements EventPart {

    private static final Logger LOG = LoggerFactory.getLogger(Lakes.class);
    private static final int KEPT = 10;
    private static final int MOST_OF_A_KIND = 300;
    /** Cells per side of the grid that is drawn and searched. */
    private static final int SURVEY_CELLS = 600;

    private record RunsKey(Lake lake, Boat boat) {}

    private record Sought(String checksum, StructureFinder.Filter wanted) {}

    private record PhoneKey(String checksum, Units.Depth unit) {}

    private record FrameKey(String checksum, Units.Depth unit, LakeMap.Frame frame) {}

    private final LakeRepository lakeRepository;
    private final DepthRepository depthRepository;
    private final Cache<String, Lake> lakes =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<RunsKey, Runs> runs =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<String, DepthGrid> grids =
            Caffeine.newBuilder().maximumSize(2).build();
    private final Cache<String, DepthGrid> thinned =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<FrameKey, List<LakeMap.Line>> drawings =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<PhoneKey, LakeDepths> phones =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<Sought, List<Candidate>> structure =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    Lakes(LakeRepository lakeRepository, DepthRepository depthRepository) {
        this.lakeRepository = lakeRepository;
        this.depthRepository = depthRepository;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        event.lake(lake(key));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        putLake(key, event.lake());
    }

    /** The lake of an event; null when it is not known, or when what is stored of it cannot be read any more. */
    public @Nullable Lake lake(EventKey key) {
        return lakeRepository.geoJson(key).map(this::read).orElse(null);
    }

    private @Nullable Lake read(String text) {
        try {
            return lakes.get(text, LakeText::read);
        } catch (IllegalArgumentException | JacksonException e) {
            LOG.warn("a stored lake cannot be read and is left out: {}", e.getMessage());
            return null;
        }
    }

    /** Whether a lake is stored that cannot be read. */
    boolean isLakeBroken(EventKey key) {
        return lakeRepository.geoJson(key).isPresent() && lake(key) == null;
    }

    /** @param lake null leaves it unknown */
    @EventWrite
    public void putLake(EventKey key, @Nullable Lake lake) {
        if (lake != null) {
            lakeRepository.put(key, LakeText.of(lake));
        }
    }

    /** The runs of an event's boat on its lake. */
    public Runs runs(EventData event) {
        return runs(event.lake(), event.boat());
    }

    private Runs runs(@Nullable Lake lake, Boat boat) {
        return lake == null
                ? Runs.straight(boat, Assumptions.DEFAULTS.planning())
                : runs.get(new RunsKey(lake, boat), r -> Runs.of(r.lake(), r.boat(), Assumptions.DEFAULTS.planning()));
    }

    /** The same by the hour: at the boat's rough-water speed in hours of wind. */
    public DayRuns dayRuns(EventData event) {
        return DayRuns.of(
                event,
                Assumptions.DEFAULTS.planning(),
                runs(event),
                runs(event.lake(), DayRuns.inRoughWater(event.boat())));
    }

    public Optional<DepthGrid> depths(EventKey key) {
        return depthRepository.checksum(key).map(sum -> grids.get(sum, s -> depthRepository.grid(key)));
    }

    /** @param grid in degrees */
    @EventWrite
    public void putDepths(EventKey key, DepthGrid grid) {
        depthRepository.put(key, grid);
    }

    /** The depths in cells that are large enough to be drawn and searched in a moment; by these cells candidates are known. */
    Optional<DepthGrid> survey(EventKey key) {
        return depthRepository.checksum(key).map(sum -> survey(key, sum));
    }

    private DepthGrid survey(EventKey key, String sum) {
        return thinned.get(
                sum, s -> grids.get(s, c -> depthRepository.grid(key)).thinned(SURVEY_CELLS));
    }

    /** Lines of depth for a drawing, made once for each grid, unit and frame. */
    List<LakeMap.Line> lines(EventKey key, LakeMap.Frame frame, double size, Units units) {
        return depthRepository
                .checksum(key)
                .map(sum -> drawings.get(
                        new FrameKey(sum, units.depth(), frame),
                        d -> DepthLines.of(survey(key, sum), frame, size, units)))
                .orElse(List.of());
    }

    /** The depths as a phone takes them along; empty where none are known. */
    public Optional<LakeDepths> depthsForPhone(EventKey key, Units units) {
        return depthRepository
                .checksum(key)
                .map(sum -> phones.get(new PhoneKey(sum, units.depth()), k -> LakeDepths.of(survey(key, sum), units)));
    }

    /** What the shape of the bottom makes worth a look; empty without depths. */
    List<Candidate> structure(EventKey key, StructureFinder.Filter wanted) {
        return depthRepository
                .checksum(key)
                .map(sum -> structure.get(
                        new Sought(sum, wanted), s -> foremost(StructureFinder.find(survey(key, sum), wanted))))
                .orElse(List.of());
    }

    /** Of each kind those that stand out most: rough data shows tens of thousands. */
    private static List<Candidate> foremost(List<Candidate> all) {
        Map<Candidate.Kind, Integer> seen = new EnumMap<>(Candidate.Kind.class);
        return all.stream()
                .filter(c -> seen.merge(c.kind(), 1, Integer::sum) <= MOST_OF_A_KIND)
                .toList();
    }
}
