package lochan.web.lake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Lake;
import lochan.core.lake.Runs;
import lochan.core.lake.ShoreWind;
import lochan.core.lake.depth.DepthGrid;
import lochan.core.lake.structure.Candidate;
import lochan.core.lake.structure.StructureFinder;
import lochan.core.planning.runs.DayRuns;
import lochan.eventformat.LakeText;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import lochan.web.shared.NotThereException;
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
    /** The file that a lake is exported in. */
    public static final String ZIP = "lake.zip";

    private static final int KEPT = 10;
    private static final int MOST_OF_A_KIND = 300;
    /** Cells per side of the grid that is drawn and searched. */
    private static final int SURVEY_CELLS = 600;

    /** Cells per side that a phone takes along. */
    private static final int PHONE_CELLS = 240;

    private record RunsKey(Lake lake, Boat boat) {}

    private record LeeKey(Lake lake, Boat boat, double fromDeg) {}

    private record Sought(String checksum, StructureFinder.Filter wanted) {}

    private final LakeRepository lakeRepository;
    private final DepthRepository depthRepository;
    private final Cache<String, Lake> lakes =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<RunsKey, Runs> runs =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<LeeKey, Runs> lees =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<Lake, ShoreWind> winds =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<String, DepthGrid> grids =
            Caffeine.newBuilder().maximumSize(2).build();
    private final Cache<String, DepthGrid> thinned =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<String, DepthGrid> phones =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<Sought, List<Candidate>> structure =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    Lakes(LakeRepository lakeRepository, DepthRepository depthRepository) {
        this.lakeRepository = lakeRepository;
        this.depthRepository = depthRepository;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        Lake lake = lake(key);
        // Depths are not in the event's file: it names the file that they are exported in.
        event.lake(
                lake == null
                        ? null
                        : lake.withDepthsFile(checksum(key)
                                .map(sum -> new Lake.DepthsFile(ZIP, sum))
                                .orElse(lake.depthsFile())));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        Lake lake = event.lake();
        putLake(key, lake);
        if (lake != null && lake.depthsFile() != null) {
            depthRepository.copy(key, lake.depthsFile().sha256());
        }
    }

    /** The lake of an event; null when it is not known, or when what is stored of it cannot be read any more. */
    public @Nullable Lake lake(EventKey key) {
        return lakeRepository.geoJson(key).map(this::read).orElse(null);
    }

    /** The lake that the last import replaced; null: none is kept. */
    @Nullable
    Lake former(EventKey key) {
        return lakeRepository.former(key).map(this::read).orElse(null);
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
    public boolean isLakeBroken(EventKey key) {
        return lakeRepository.geoJson(key).isPresent() && lake(key) == null;
    }

    /** @param lake null leaves it unknown */
    @EventWrite
    public void putLake(EventKey key, @Nullable Lake lake) {
        if (lake != null) {
            lakeRepository.put(key, LakeText.of(lake));
        }
    }

    @EventWrite
    void keepFormer(EventKey key, Instant now) {
        lakeRepository.keepFormer(key, now);
    }

    @EventWrite
    boolean takeFormer(EventKey key) {
        return lakeRepository.takeFormer(key);
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

    /** What winds do to the shore of a lake. */
    public ShoreWind shoreWind(Lake lake) {
        return winds.get(lake, l -> new ShoreWind(l, Assumptions.DEFAULTS.bank()));
    }

    /** Returns the runs by the hour: at the boat's rough-water speed in hours of wind. */
    public DayRuns dayRuns(EventData event) {
        return DayRuns.of(
                event,
                Assumptions.DEFAULTS.planning(),
                runs(event),
                runs(event.lake(), DayRuns.inRoughWater(event.boat())),
                from -> lees.get(
                        new LeeKey(event.knownLake(), event.boat(), from),
                        k -> DayRuns.inLee(k.lake(), k.boat(), k.fromDeg(), Assumptions.DEFAULTS.planning())));
    }

    /** What tells the depths of an event from others; empty where none are known. */
    Optional<String> checksum(EventKey key) {
        return depthRepository.checksum(key);
    }

    public Optional<DepthGrid> depths(EventKey key) {
        return depthRepository.checksum(key).map(sum -> grid(key, sum));
    }

    private DepthGrid grid(EventKey key, String sum) {
        return grids.get(
                sum, s -> depthRepository.grid(key, DepthRepository.Layer.ALL).orElseThrow(NotThereException::new));
    }

    /** The depths in cells that are large enough to be drawn and searched in a moment; by these cells candidates are known. */
    public Optional<DepthGrid> survey(EventKey key) {
        return depthRepository.checksum(key).map(sum -> survey(key, sum));
    }

    private DepthGrid survey(EventKey key, String sum) {
        return thinned.get(sum, s -> survey(grid(key, s)));
    }

    /** Depths in cells that are large enough to be drawn and searched in a moment. */
    public static DepthGrid survey(DepthGrid grid) {
        return grid.thinned(SURVEY_CELLS);
    }

    /** The depths as a phone takes them along; empty where none are known. */
    public Optional<DepthGrid> depthsForPhone(EventKey key) {
        return depthRepository
                .checksum(key)
                .map(sum -> phones.get(sum, k -> survey(key, sum).thinned(PHONE_CELLS)));
    }

    /** Returns structure worth a look; empty without depths. */
    public List<Candidate> structure(EventKey key, StructureFinder.Filter wanted) {
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
