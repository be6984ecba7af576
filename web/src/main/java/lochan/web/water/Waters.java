package lochan.web.water;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import lochan.core.Assumptions;
import lochan.core.event.Boat;
import lochan.core.eventdata.EventData;
import lochan.core.planning.DayRuns;
import lochan.core.structure.Candidate;
import lochan.core.structure.DepthGrid;
import lochan.core.structure.StructureFinder;
import lochan.core.water.Lake;
import lochan.core.water.Runs;
import lochan.web.brief.EventKey;
import lochan.web.eventfile.LakeText;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The lakes of events, their depths and the runs on them. All take a while to make, so the latest are kept: they are pure values of what
 * they are made of.
 */
@Service
public class Waters {

    private static final int KEPT = 10;

    private record Running(Lake lake, Boat boat) { }

    private record Sought(String checksum, StructureFinder.Wanted wanted) { }

    private final LakeRepository lakeRepository;
    private final DepthRepository depthRepository;
    private final Cache<String, Lake> lakes = Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<Running, Runs> runs = Caffeine.newBuilder().maximumSize(KEPT).build();
    private final Cache<String, DepthGrid> grids = Caffeine.newBuilder().maximumSize(2).build();
    private final Cache<Sought, List<Candidate>> structure = Caffeine.newBuilder().maximumSize(KEPT).build();

    Waters(LakeRepository lakeRepository, DepthRepository depthRepository) {
        this.lakeRepository = lakeRepository;
        this.depthRepository = depthRepository;
    }

    /** The lake of an event; null when it is not known. */
    public Lake lake(EventKey key) {
        return lakeRepository.geoJson(key).map(text -> lakes.get(text, LakeText::read)).orElse(null);
    }

    /** @param lake null leaves it unknown */
    @Transactional
    public void putLake(EventKey key, Lake lake) {
        if (lake != null) {
            lakeRepository.put(key, LakeText.of(lake));
        }
    }

    /** The runs of an event's boat on its lake. */
    public Runs runs(EventData event) {
        return runs(event.lake(), event.boat());
    }

    private Runs runs(Lake lake, Boat boat) {
        return lake == null ? Runs.straight(boat, Assumptions.DEFAULTS.planning())
                : runs.get(new Running(lake, boat), r -> Runs.of(r.lake(), r.boat(), Assumptions.DEFAULTS.planning()));
    }

    /** The same by the hour: at the boat's rough-water speed in hours of wind. */
    public DayRuns dayRuns(EventData event) {
        return DayRuns.of(event, Assumptions.DEFAULTS.planning(), runs(event), runs(event.lake(), DayRuns.inRoughWater(event.boat())));
    }

    public Optional<DepthGrid> depths(EventKey key) {
        return depthRepository.checksum(key).map(sum -> grids.get(sum, s -> depthRepository.grid(key)));
    }

    /** @param grid in degrees */
    @Transactional
    public void putDepths(EventKey key, DepthGrid grid) {
        depthRepository.put(key, grid);
    }

    /** What the shape of the bottom makes worth a look; empty without depths. */
    List<Candidate> structure(EventKey key, StructureFinder.Wanted wanted) {
        return depthRepository.checksum(key).map(sum -> structure.get(new Sought(sum, wanted),
                s -> StructureFinder.find(grids.get(sum, c -> depthRepository.grid(key)), wanted))).orElse(List.of());
    }
}
