package lochan.core.rehearsal;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import lochan.core.Assumptions;
import lochan.core.Randoms;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.KnownFishChance;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.model.size.LegalShare;
import lochan.core.model.size.StandardWeight;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.FishVisits;
import lochan.core.planning.valuation.Schedule;
import lochan.core.quantity.Hours;
import lochan.core.quantity.Instants;
import org.apache.commons.rng.UniformRandomProvider;
import org.apache.commons.rng.sampling.distribution.ZigguratSampler;
import org.jspecify.annotations.Nullable;

/**
 * A competition day as it really is in one scenario: which patterns live, which spots others are on, how large fish run, and every fish in its place. At a spot
 * bites come when the expected bites n(I) of {@code model.md} §6 pass the sums of exponential draws, so that fishing
 * there as long gives as many, whatever
 * he did elsewhere: two ways through one day are compared fish by fish. What was fished stays fished. Not for several threads.
 */
public final class HiddenDay {

    private static final long FNV_PRIME = 0x100000001b3L;
    private static final double LN_10 = Math.log(10);

    private final DayModel model;
    private final ScenarioSet truth;
    private final int scenario;
    private final long seed;
    private final List<SpeciesRule> rules;
    private final List<LegalShare> legal;
    private final Assumptions.Size size;
    private final Map<String, Place> places = new HashMap<>();
    private final FishVisits fishVisits;
    private final boolean[] knownCaught;
    private final List<PlanStop> stays = new ArrayList<>();

    /** A spot: what was fished of it, and the fish still to come. */
    private final class Place {

        private final UniformRandomProvider random;
        private final ZigguratSampler.Exponential exponential;
        private final ZigguratSampler.NormalizedGaussian normal;
        private double undiminished;
        private double next;

        Place(String spotId) {
            long mixed = seed;
            for (int i = 0; i < spotId.length(); i++) {
                mixed = (mixed ^ spotId.charAt(i)) * FNV_PRIME;
            }
            random = Randoms.of(mixed);
            exponential = ZigguratSampler.Exponential.of(random);
            normal = ZigguratSampler.NormalizedGaussian.of(random);
            next = exponential.sample();
        }
    }

    /**
     * A bite.
     *
     * @param landed the fish; null: it was lost
     */
    public record Bitten(Cell cell, Instant at, @Nullable Landed landed) {}

    /**
     * A fish in the boat.
     *
     * @param species as the rules have it
     * @param mm      its length, by which it is legal or not
     */
    public record Landed(Species species, double grams, double mm) {}

    /**
     * @param truth    scenarios of the day
     * @param scenario number of the one that is true
     * @param seed     of the fish
     */
    public HiddenDay(ScenarioSet truth, int scenario, long seed) {
        this.model = truth.model();
        this.truth = truth;
        this.scenario = scenario;
        this.seed = seed;
        this.size = model.assumptions().size();
        this.rules = model.event().rules().species();
        this.legal = rules.stream().map(r -> LegalShare.of(r, size)).toList();
        this.fishVisits = FishVisits.of(model);
        this.knownCaught = new boolean[fishVisits.count()];
    }

    /** Fishes a cell for a time that follows all times before; gives the bites in their order. */
    public List<Bitten> fish(Cell cell, Instant from, Instant to) {
        Place place = places.computeIfAbsent(cell.spotId(), Place::new);
        CellScenarios rates = truth.cell(cell);
        List<Bitten> bites = new ArrayList<>();
        Instant now = from;
        for (Schedule.Segment s : Schedule.segments(
                List.of(new PlanStop(cell.spotId(), cell.presentationId(), from, to)), model.bins())) {
            Instant end = Instants.earlier(to, end(s.bin()));
            double perHour = rates.bitesPerHour(scenario, s.bin());
            double after = place.undiminished + perHour * s.hours();
            while (place.next <= rates.bites(after)) {
                double hours = (rates.undiminished(place.next) - place.undiminished) / perHour;
                Instant at = now.plus(Duration.ofMillis((long) (3_600_000 * Math.max(0, hours))));
                bites.add(new Bitten(cell, Instants.earlier(at, end), landed(place, rates)));
                place.next += place.exponential.sample();
            }
            place.undiminished = after;
            now = end;
        }
        bites.addAll(known(cell, from, to));
        return bites;
    }

    /** Bites per hour of all lines at a cell before any was caught, on average over the hours of the day. */
    public double perHour(Cell cell) {
        CellScenarios rates = truth.cell(cell);
        return overTheDay(model, bin -> rates.bitesPerHour(scenario, bin));
    }

    /** Returns the expected bites an hour, given what is known of the day. */
    public static double expectedPerHour(DayModel known, Cell cell) {
        return overTheDay(
                known,
                bin -> known.rate(cell, bin).mean()
                        * known.ofTheHour(cell.spotId(), bin)
                        * known.strength(known.pattern(cell))
                        * known.event().anglers());
    }

    private static double overTheDay(DayModel model, IntToDoubleFunction perHour) {
        double bites = 0;
        double hours = 0;
        for (int i = 0; i < model.bins().size(); i++) {
            double h = Hours.between(
                    model.bins().get(i).start(), model.bins().get(i).end());
            bites += h * perHour.applyAsDouble(i);
            hours += h;
        }
        return bites / hours;
    }

    /** Whether another boat got to a spot first. */
    public boolean isOccupied(String spotId) {
        return truth.isOccupied(spotId, scenario);
    }

    private Instant end(int bin) {
        List<Bin> bins = model.bins();
        return bin == bins.size() - 1 ? Instant.MAX : bins.get(bin).end();
    }

    /** Every bite draws as much, landed or not: the next one is the same. */
    private @Nullable Landed landed(Place place, CellScenarios rates) {
        double hold = place.random.nextDouble();
        double kind = place.random.nextDouble();
        double weight = place.normal.sample();
        double length = place.normal.sample();
        if (hold >= rates.landing(scenario)) {
            return null;
        }
        int k = 0;
        while (k < rates.species() - 1 && (kind -= rates.mix(k)) > 0) {
            k++;
        }
        double lnGrams = rates.meanLnGrams(scenario, k) + size.fishSd() * weight;
        Species species = rules.get(k).species();
        double lnByLength = lnGrams + legal.get(k).spread() * length;
        double lnMm = (lnByLength - Math.log(size.relativeWeight()) - species.intercept() * LN_10) / species.slope();
        return new Landed(species, Math.exp(lnGrams), Math.exp(lnMm));
    }

    /** Known fish that a visit there catches, once it has been long enough and often enough. */
    private List<Bitten> known(Cell cell, Instant from, Instant to) {
        if (fishVisits.none()) {
            return List.of();
        }
        PlanStop last = stays.isEmpty() ? null : stays.getLast();
        boolean goesOn = last != null
                && last.spotId().equals(cell.spotId())
                && last.presentationId().equals(cell.presentationId())
                && last.leave().equals(from);
        if (goesOn && last != null) {
            stays.removeLast();
            stays.add(last.during(last.arrive(), to));
        } else {
            stays.add(new PlanStop(cell.spotId(), cell.presentationId(), from, to));
        }
        int[] visits = fishVisits.of(stays);
        List<Bitten> caught = new ArrayList<>();
        for (int i = 0; i < visits.length; i++) {
            if (!knownCaught[i] && visits[i] > 0 && visits[i] >= truth.visitsNeeded(i, scenario)) {
                knownCaught[i] = true;
                KnownFishChance fish = model.knownFish().get(i);
                Species species = fish.fish().species() == null
                        ? rules.getFirst().species()
                        : fish.fish().species();
                caught.add(new Bitten(cell, to, new Landed(species, fish.grams(), mm(species, fish.grams()))));
            }
        }
        return caught;
    }

    private double mm(Species species, double grams) {
        double one = StandardWeight.lnGrams(species, 1, size);
        return Math.exp((Math.log(grams) - one) / species.slope());
    }
}
