package lochan.core.model.scenario;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Lookup;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Spot;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.rate.Pattern;
import lochan.core.model.size.SizeModel;
import lochan.core.model.size.SpeciesMix;
import lochan.core.practice.ForecastPeriod;

/** A day's model made of its numbers: it answers as the model did that they are of. */
public final class RestoredDayModel implements DayModel {

    private final EventData event;
    private final int day;
    private final Assumptions assumptions;
    private final DayNumbers numbers;
    private final Map<String, Spot> spots = new HashMap<>();
    private final SpeciesMix mix;
    private final SizeModel sizes;

    /** @param event with the spots, presentations and rules that the numbers are of; its practice is not asked for */
    public RestoredDayModel(EventData event, int day, Assumptions assumptions, DayNumbers numbers) {
        this.event = event;
        this.day = day;
        this.assumptions = assumptions;
        this.numbers = numbers;
        event.spots().forEach(s -> spots.put(s.id(), s));
        this.mix = SpeciesMix.of(event.rules(), numbers.mix(), assumptions.size());
        this.sizes = SizeModel.of(event, numbers.sizes(), assumptions.size());
    }

    @Override
    public EventData event() {
        return event;
    }

    @Override
    public DayModel withLightning(List<ForecastPeriod> forecast) {
        return new RestoredDayModel(event.toBuilder().forecast(forecast).build(), day, assumptions, numbers);
    }

    @Override
    public int day() {
        return day;
    }

    @Override
    public Assumptions assumptions() {
        return assumptions;
    }

    @Override
    public List<Bin> bins() {
        return numbers.bins();
    }

    @Override
    public SpeciesMix mix() {
        return mix;
    }

    @Override
    public SizeModel sizes() {
        return sizes;
    }

    @Override
    public Spot spot(String id) {
        return Lookup.of(spots, id);
    }

    @Override
    public LandingChance landing(String presentationId) {
        return Lookup.of(numbers.landing(), presentationId);
    }

    @Override
    public GammaRate rate(Cell cell, int bin) {
        double[] finer = numbers.finer().get(cell.spotId());
        double mean = numbers.mean(pattern(cell))[bin] * (finer == null ? 1 : finer[bin]);
        return BiteRates.rate(evidence(cell, bin), mean, assumptions.biteRate());
    }

    @Override
    public double effectiveHours(Cell cell, int bin) {
        return evidence(cell, bin).anglerHours();
    }

    private BiteRates.Evidence evidence(Cell cell, int bin) {
        List<BiteRates.Evidence> own = numbers.evidence().get(cell);
        return own == null ? BiteRates.Evidence.NONE : own.get(bin);
    }

    @Override
    public double strength(Pattern pattern) {
        return numbers.strengths().getOrDefault(pattern, 1.0);
    }

    @Override
    public List<KnownFishChance> knownFish() {
        return numbers.knownFish();
    }

    @Override
    public double leftByWind(String spotId, int bin) {
        double[] left = numbers.leftByWind().get(spotId);
        return left == null ? 1 : left[bin];
    }

    @Override
    public double standing(String spotId, int bin) {
        double[] factors = numbers.standing().get(spotId);
        return factors == null ? 1 : factors[bin];
    }

    @Override
    public List<Cell> cells() {
        return numbers.cells();
    }
}
