package lochan.core.scenario;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import lochan.core.Assumptions;
import lochan.core.evidence.Bin;
import lochan.core.evidence.Slice;
import lochan.core.eventdata.EventData;
import lochan.core.practice.Presentation;
import lochan.core.rate.Cell;
import lochan.core.rate.LandingChance;
import lochan.core.rate.Pattern;
import lochan.core.rate.StrikeRates;
import lochan.core.size.SizeModel;
import lochan.core.size.SpeciesMix;
import lochan.core.water.Spot;

/** What practice says of one competition day: rates by bin, landing chances, sizes and species ({@code model.md} §§1–4). */
public final class DayModel {

    private final EventData event;
    private final int day;
    private final Assumptions assumptions;
    private final List<Bin> bins;
    private final List<Slice> slices;
    private final Map<String, Spot> spots = new LinkedHashMap<>();
    private final Map<Integer, StrikeRates> rates = new ConcurrentHashMap<>();
    private final Map<String, LandingChance> landing = new HashMap<>();
    private final SpeciesMix mix;
    private final SizeModel sizes;

    /** @throws IllegalArgumentException when the event has no such day */
    public DayModel(EventData event, int day, Assumptions assumptions) {
        this.event = event;
        this.day = day;
        this.assumptions = assumptions;
        this.bins = List.copyOf(Bin.ofDay(event, day, assumptions));
        this.slices = Slice.of(event, assumptions);
        event.spots().forEach(s -> spots.put(s.id(), s));
        event.presentations().forEach(p -> landing.put(p.id(), LandingChance.of(p, event.stops(), assumptions.landing())));
        this.mix = new SpeciesMix(event, assumptions.size());
        this.sizes = SizeModel.fit(event, mix, assumptions);
    }

    public EventData event() {
        return event;
    }

    public int day() {
        return day;
    }

    public Assumptions assumptions() {
        return assumptions;
    }

    public List<Bin> bins() {
        return bins;
    }

    public List<Slice> slices() {
        return slices;
    }

    public SpeciesMix mix() {
        return mix;
    }

    public SizeModel sizes() {
        return sizes;
    }

    public Spot spot(String id) {
        return spots.get(id);
    }

    public Pattern pattern(Cell cell) {
        return new Pattern(spots.get(cell.spotId()).placeClass(), cell.presentationId());
    }

    public LandingChance landing(String presentationId) {
        return landing.get(presentationId);
    }

    /** Strike rates in a bin, reckoned when first asked for. */
    public StrikeRates rates(int bin) {
        return rates.computeIfAbsent(bin, b -> StrikeRates.in(bins.get(b), slices, this::pattern, assumptions));
    }

    /** Whether a cell's spot may be fished by the event's brief. */
    public boolean isOpen(Cell cell) {
        return !event.offLimits(spots.get(cell.spotId()));
    }

    /** Every marked spot × every presentation with evidence on its pattern, in the order of the event. */
    public List<Cell> cells() {
        Set<Pattern> fished = new LinkedHashSet<>();
        slices.forEach(s -> fished.add(pattern(new Cell(s.spotId(), s.presentationId()))));
        List<Cell> cells = new ArrayList<>();
        for (Spot spot : event.spots()) {
            for (Presentation presentation : event.presentations()) {
                if (fished.contains(new Pattern(spot.placeClass(), presentation.id()))) {
                    cells.add(new Cell(spot.id(), presentation.id()));
                }
            }
        }
        return cells;
    }
}
