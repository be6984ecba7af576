package lochan.core.model.scenario;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import lochan.core.Assumptions;
import lochan.core.Lookup;
import lochan.core.eventdata.CompetitionStops;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Fetch;
import lochan.core.lake.Spot;
import lochan.core.lures.advice.LureAdvice;
import lochan.core.model.evidence.Bin;
import lochan.core.model.evidence.FishStanding;
import lochan.core.model.evidence.ObservedWeather;
import lochan.core.model.evidence.Situations;
import lochan.core.model.evidence.Slice;
import lochan.core.model.rate.BiteRates;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import lochan.core.model.rate.Pattern;
import lochan.core.model.rate.RatePriors;
import lochan.core.model.size.SizeModel;
import lochan.core.model.size.SpeciesMix;
import lochan.core.model.splits.Dispersion;
import lochan.core.model.splits.FinerPatterns;
import lochan.core.model.splits.PieceMaker;
import lochan.core.model.splits.Split;
import lochan.core.model.splits.Splits;
import lochan.core.notebook.KnownFish;
import lochan.core.notebook.Notebook;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Presentation;
import lochan.core.tackle.Lure;
import org.jspecify.annotations.Nullable;

/** What practice says of one competition day, learnt from its log ({@code model.md} §§1–4). */
public final class FittedDayModel implements DayModel {

    /** More known fish than these are not planned with: the ones that promise least are left out. */
    private static final int MOST_KNOWN_FISH = 8;
    /** A fish with less is not planned for: it is short, or never bites. */
    private static final double LEAST_CHANCE = 0.01;

    private final EventData event;
    private final int day;
    private final Assumptions assumptions;
    private final Map<Pattern, Double> strengths;
    private final List<Bin> bins;
    private final List<Slice> slices;
    private final Map<String, Spot> spots = new LinkedHashMap<>();
    private final Map<Integer, BiteRates> rates = new ConcurrentHashMap<>();
    /** By spot, then bin: every presentation of a spot asks. */
    private final Map<String, double[]> held = new ConcurrentHashMap<>();

    private final Map<String, LandingChance> landing = new HashMap<>();
    private final SpeciesMix mix;
    private final SizeModel sizes;
    private final List<KnownFishChance> knownFish;
    private final FishStanding fish;
    private final Situations situations;
    /** Made when first asked for. */
    private volatile @Nullable List<Split> splits;

    private volatile @Nullable FinerPatterns finer;

    private final Map<Integer, Map<Pattern, Double>> suitabilities = new ConcurrentHashMap<>();

    /** @throws IllegalArgumentException when the event has no such day */
    public FittedDayModel(EventData event, int day, Assumptions assumptions) {
        this(event, day, assumptions, Map.of());
    }

    /**
     * @param strengths what is left of the bite rate of patterns that are supposed to do worse, or better, than practice says
     * @throws IllegalArgumentException when the event has no such day
     */
    public FittedDayModel(EventData event, int day, Assumptions assumptions, Map<Pattern, Double> strengths) {
        this.strengths = Map.copyOf(strengths);
        this.event = ObservedWeather.filled(CompetitionStops.before(event, day));
        this.day = day;
        this.assumptions = assumptions;
        this.bins = List.copyOf(Bin.ofDay(event, day, assumptions));
        this.slices = Slice.of(this.event, assumptions);
        this.fish = new FishStanding(this.event, assumptions);
        this.situations = new Situations(this.event, fish, assumptions);
        event.spots().forEach(s -> spots.put(s.id(), s));
        event.presentations()
                .forEach(p -> landing.put(
                        p.id(),
                        LandingChance.of(
                                p,
                                this.event.stops(),
                                event.notebook().changes(),
                                assumptions.landing(),
                                assumptions.notebook().rerigged())));
        this.mix = new SpeciesMix(this.event, assumptions.size());
        this.sizes = SizeModel.fit(this.event, mix, assumptions);
        this.knownFish = event.notebook().fishThere().stream()
                .filter(f -> f.kind() != KnownFish.Kind.SCHOOL
                        && spots.containsKey(f.spotId())
                        && !event.offLimits(Lookup.of(spots, f.spotId())))
                .map(f -> KnownFishChance.of(f, event, sizes, assumptions))
                .filter(f -> f.chance() > LEAST_CHANCE)
                .sorted(Comparator.comparingDouble(f -> -f.chance() * f.grams()))
                .limit(MOST_KNOWN_FISH)
                .toList();
    }

    /** The model in numbers, of which {@link RestoredDayModel} makes one that answers alike. */
    public DayNumbers numbers() {
        return DayNumbers.of(this, strengths);
    }

    @Override
    public EventData event() {
        return event;
    }

    @Override
    public DayModel withLightning(List<ForecastPeriod> forecast) {
        return new RestoredDayModel(event.toBuilder().forecast(forecast).build(), day, assumptions, numbers());
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
        return bins;
    }

    public List<Slice> slices() {
        return slices;
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
        return Lookup.of(landing, presentationId);
    }

    @Override
    public GammaRate rate(Cell cell, int bin) {
        return rates(bin).rate(cell, pattern(cell));
    }

    @Override
    public double effectiveHours(Cell cell, int bin) {
        return rates(bin).evidence(cell).anglerHours();
    }

    /** Bite rates in a bin, computed when first asked for. */
    public BiteRates rates(int bin) {
        return rates.computeIfAbsent(
                bin, b -> BiteRates.in(bins.get(b), slices, this::pattern, assumptions, priors(b)));
    }

    private RatePriors priors(int bin) {
        Notebook.Priors wanted = event.notebook().priors();
        Map<String, Double> seasons = new HashMap<>();
        if (wanted.byHistory()) {
            event.notebook().carried().forEach(c -> seasons.put(c.presentationId(), c.ratio()));
        }
        return new RatePriors(
                seasons, assumptions.notebook().historyHours(), p -> suitability(p, bin), s -> finer(s, bin));
    }

    /** By what the prior of a spot's cells is multiplied in a bin by the splits that the angler lets in; 1 without any. */
    public double finer(String spotId, int bin) {
        List<String> chosen = event.notebook().priors().finer();
        if (chosen.isEmpty()) {
            return 1;
        }
        FinerPatterns patterns = finer;
        if (patterns == null) {
            patterns = new FinerPatterns(splits(), chosen, answers());
            finer = patterns;
        }
        return patterns.factor(spot(spotId), bins.get(bin));
    }

    /** What bites have in common, the surest first. */
    public List<Split> splits() {
        List<Split> known = splits;
        if (known == null) {
            int middle = bins.size() / 2;
            known = Splits.of(
                    answers().pieces(slices, c -> rates(middle).patternMean(pattern(c))),
                    dispersion().phi(),
                    assumptions.splits());
            splits = known;
        }
        return known;
    }

    /** How much the bites of practice come in clumps. */
    public Dispersion dispersion() {
        return Dispersion.of(slices, assumptions.splits());
    }

    private PieceMaker answers() {
        return new PieceMaker(event, situations);
    }

    /**
     * By what the rules of advice multiply the prior of a pattern never tried, in a bin: the mean over the spots of its class; 1 unless the angler
     * wants it.
     */
    public double suitability(Pattern pattern, int bin) {
        Optional<Lure> lure = priorOn(pattern.presentationId());
        return lure.isEmpty()
                ? 1
                : suitabilities
                        .computeIfAbsent(bin, b -> new ConcurrentHashMap<>())
                        .computeIfAbsent(pattern, p -> {
                            Bin of = bins.get(bin);
                            return event.spots().stream()
                                    .filter(s -> s.spotType().equals(p.spotType()))
                                    .mapToDouble(s -> LureAdvice.of(
                                                    lure.get(),
                                                    situations.at(s, of.start()),
                                                    event.notebook().priors().weights(),
                                                    assumptions.advice())
                                            .suitability(assumptions.advice()))
                                    .average()
                                    .orElse(1);
                        });
    }

    private Optional<Lure> priorOn(String presentationId) {
        Notebook.Priors wanted = event.notebook().priors();
        return wanted.byAdvice()
                ? wanted.lures().stream().filter(l -> l.isOf(presentationId)).findFirst()
                : Optional.empty();
    }

    @Override
    public List<KnownFishChance> knownFish() {
        return knownFish;
    }

    @Override
    public double strength(Pattern pattern) {
        return strengths.getOrDefault(pattern, 1.0);
    }

    /** 1, but less where a spot is open to a wind in which the boat cannot be held. Where the lake or the direction is unknown, every spot is taken as sheltered. */
    @Override
    public double leftByWind(String spotId, int bin) {
        return held.computeIfAbsent(spotId, x -> {
            Spot spot = spot(x);
            return bins.stream().mapToDouble(b -> held(spot, b)).toArray();
        })[bin];
    }

    @Override
    public double standing(String spotId, int bin) {
        return fish.factor(spotId, bins.get(bin).start());
    }

    /** How fish were seen to stand. */
    public FishStanding fish() {
        return fish;
    }

    private double held(Spot spot, Bin bin) {
        Instant middle =
                bin.start().plus(Duration.between(bin.start(), bin.end()).dividedBy(2));
        Double most = event.boat().maxWindMps();
        boolean blown = most != null
                && event.lake() != null
                && event.forecast().stream()
                        .filter(f -> f.holds(middle))
                        .anyMatch(f -> f.windMps() != null
                                && f.windMps() > most
                                && f.windFromDeg() != null
                                && Fetch.isOver(
                                        event.lake(),
                                        spot.position(),
                                        f.windFromDeg(),
                                        assumptions.planning().exposedFetchM()));
        return blown ? assumptions.day().blownFactor() : 1;
    }

    /**
     * Every spot × every presentation with evidence on its pattern, in the order of the event; besides, what was tried for a known fish, and
     * pairs never tried that the lure advice values, where the angler wants its prior.
     */
    @Override
    public List<Cell> cells() {
        Set<Pattern> fished = new LinkedHashSet<>();
        slices.forEach(s -> fished.add(pattern(new Cell(s.spotId(), s.presentationId()))));
        List<Cell> cells = new ArrayList<>();
        for (Spot spot : event.spots()) {
            for (Presentation presentation : event.presentations()) {
                if (fished.contains(new Pattern(spot.spotType(), presentation.id()))
                        || isForKnownFish(spot, presentation.id())
                        || isSuggested(spot, presentation.id())) {
                    cells.add(new Cell(spot.id(), presentation.id()));
                }
            }
        }
        return cells;
    }

    /**
     * Returns every spot with every presentation, in the order of the event: the choices where practice has tried
     * nothing.
     */
    List<Cell> pairs() {
        return event.spots().stream()
                .flatMap(s -> event.presentations().stream().map(p -> new Cell(s.id(), p.id())))
                .toList();
    }

    private boolean isForKnownFish(Spot spot, String presentationId) {
        return knownFish.stream()
                .map(KnownFishChance::fish)
                .filter(f -> f.spotId().equals(spot.id()))
                .anyMatch(f -> f.tries().isEmpty()
                        ? presentationId.equals(event.presentations().getFirst().id())
                        : presentationId.equals(f.tries().getLast().presentationId()));
    }

    private boolean isSuggested(Spot spot, String presentationId) {
        return priorOn(presentationId)
                .filter(l -> suitability(new Pattern(spot.spotType(), presentationId), 0) > 1)
                .isPresent();
    }
}
