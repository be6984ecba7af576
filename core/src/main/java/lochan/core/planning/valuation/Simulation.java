package lochan.core.planning.valuation;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Randoms;
import lochan.core.competition.Fish;
import lochan.core.event.Event;
import lochan.core.event.Species;
import lochan.core.event.SpeciesRule;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.size.LegalShare;
import org.apache.commons.rng.UniformRandomProvider;
import org.apache.commons.rng.sampling.distribution.PoissonSampler;
import org.apache.commons.rng.sampling.distribution.ZigguratSampler;
import org.jspecify.annotations.Nullable;

/**
 * Draws competition days fish by fish: Poisson bites, landed or not, species, size, legal or not, kept or not. Species limits are
 * counted exactly; fish do not die.
 */
final class Simulation {

    private static final int ROOM = 1024;
    /** Fish that a bag has room for at first. */
    private static final int FISH = 8;

    private final Event event;
    private final LegalShare[] legal;
    private final double[] startGrams;
    private final int[] startSpecies;
    private final UniformRandomProvider random;
    private final ZigguratSampler.NormalizedGaussian normal;
    private final int hours;
    /** By day, then hour: the bag at its end. */
    private double[] byHour;

    private double[] totals = new double[ROOM];
    private double[] lightest = new double[ROOM];
    private final Keepers keepers;
    private int days;
    private int limits;

    Simulation(Event event, List<Fish> start, int hours, long seed, Assumptions.Size a) {
        this.event = event;
        this.legal =
                event.rules().species().stream().map(r -> LegalShare.of(r, a)).toArray(LegalShare[]::new);
        this.startGrams = start.stream().mapToDouble(Fish::grams).toArray();
        this.startSpecies = start.stream()
                .mapToInt(f -> event.rules().species().stream()
                        .map(SpeciesRule::species)
                        .toList()
                        .indexOf(f.species()))
                .toArray();
        this.random = Randoms.of(seed);
        this.normal = ZigguratSampler.NormalizedGaussian.of(random);
        this.keepers = new Keepers();
        this.hours = hours;
        this.byHour = new double[ROOM * hours];
    }

    /** Fish that are caught in a scenario whatever else is, in the order of their hours. */
    record Sure(List<Caught> fish) {

        /** @param species null: unknown */
        record Caught(int hour, double grams, @Nullable Species species) {}
    }

    /** Simulates days of one scenario, given the expected bites of each segment and the hour it lies in. */
    void days(
            int count,
            CellScenarios[] cells,
            double[] bites,
            int[] hourOf,
            Sure sure,
            int scenario,
            Assumptions.Size a) {
        for (int day = 0; day < count; day++) {
            makeRoom();
            keepers.empty();
            for (int i = 0; i < startGrams.length; i++) {
                keepers.take(startGrams[i], startSpecies[i]);
            }
            int hour = 0;
            int known = 0;
            for (int i = 0; i < cells.length; i++) {
                for (; hour < hourOf[i]; hour++) {
                    byHour[days * hours + hour] = keepers.grams();
                }
                for (; known < sure.fish().size() && sure.fish().get(known).hour() <= hourOf[i]; known++) {
                    keepers.take(
                            sure.fish().get(known).grams(),
                            number(sure.fish().get(known).species()));
                }
                fish(cells[i], bites[i], scenario, a);
            }
            for (; known < sure.fish().size(); known++) {
                keepers.take(
                        sure.fish().get(known).grams(),
                        number(sure.fish().get(known).species()));
            }
            for (; hour < hours; hour++) {
                byHour[days * hours + hour] = keepers.grams();
            }
            record();
        }
    }

    private int number(@Nullable Species species) {
        return event.rules().species().stream()
                .map(SpeciesRule::species)
                .toList()
                .indexOf(species);
    }

    private void fish(CellScenarios cell, double expected, int scenario, Assumptions.Size a) {
        if (!(expected > 0)) {
            return;
        }
        for (int left = PoissonSampler.of(random, expected).sample(); left > 0; left--) {
            if (random.nextDouble() < cell.landing(scenario)) {
                int species = species(cell);
                double lnGrams = cell.meanLnGrams(scenario, species) + a.fishSd() * normal.sample();
                if (isLegal(species, lnGrams)) {
                    keepers.take(Math.exp(lnGrams), species);
                }
            }
        }
    }

    private int species(CellScenarios cell) {
        double u = random.nextDouble();
        int k = 0;
        while (k < cell.species() - 1 && (u -= cell.mix(k)) > 0) {
            k++;
        }
        return k;
    }

    private boolean isLegal(int species, double lnGrams) {
        LegalShare rule = legal[species];
        return rule.isForAll() || rule.holds(lnGrams + rule.spread() * normal.sample());
    }

    private void record() {
        totals[days] = keepers.grams();
        if (keepers.count() >= event.rules().countingFish()) {
            limits++;
            lightest[days] = keepers.lightest();
        }
        days++;
    }

    private void makeRoom() {
        if (days == totals.length) {
            totals = Arrays.copyOf(totals, 2 * days);
            lightest = Arrays.copyOf(lightest, 2 * days);
            byHour = Arrays.copyOf(byHour, 2 * days * hours);
        }
    }

    /** The days in the order drawn. */
    DrawnDays drawn() {
        double[][] hourly = new double[days][];
        Arrays.setAll(hourly, d -> Arrays.copyOfRange(byHour, d * hours, (d + 1) * hours));
        return new DrawnDays(Arrays.copyOf(totals, days), Arrays.copyOf(lightest, days), hourly);
    }

    /** @param factor by which every weight is scaled */
    PlanValue result(double formulaGrams, double factor) {
        double[] sorted =
                Arrays.stream(totals, 0, days).map(t -> factor * t).sorted().toArray();
        double mean = Arrays.stream(sorted).average().orElse(0);
        double variance =
                Arrays.stream(sorted).map(t -> (t - mean) * (t - mean)).sum() / Math.max(1, days - 1);
        Double target = event.rules().targetGrams();
        Double chanceOfTarget = target == null
                ? null
                : Double.valueOf(Arrays.stream(sorted).filter(t -> t >= target).count() / (double) days);
        return PlanValueBuilder.builder()
                .formulaGrams(factor * formulaGrams)
                .simulatedGrams(mean)
                .standardError(Math.sqrt(variance / days))
                .p10(Quantile.of(sorted, 0.1))
                .p50(Quantile.of(sorted, 0.5))
                .p90(Quantile.of(sorted, 0.9))
                .chanceOfLimit(limits / (double) days)
                .chanceOfTarget(chanceOfTarget)
                .byHour(IntStream.range(0, hours)
                        .mapToObj(h -> factor
                                * IntStream.range(0, days)
                                        .mapToDouble(d -> byHour[d * hours + h])
                                        .sum()
                                / days)
                        .toList())
                .build();
    }

    /** The bag of one simulated day: filled and culled millions of times. */
    private final class Keepers {

        private double[] grams = new double[Math.min(event.rules().countingFish(), FISH)];
        private int[] species = new int[grams.length];
        private int count;

        void empty() {
            count = 0;
        }

        void take(double fishGrams, int fishSpecies) {
            Integer most = fishSpecies < 0
                    ? null
                    : event.rules().species().get(fishSpecies).bagLimit();
            int rivals = 0;
            int lightest = -1;
            int lightestRival = -1;
            for (int i = 0; i < count; i++) {
                lightest = lightest < 0 || grams[i] < grams[lightest] ? i : lightest;
                if (species[i] == fishSpecies) {
                    rivals++;
                    lightestRival = lightestRival < 0 || grams[i] < grams[lightestRival] ? i : lightestRival;
                }
            }
            boolean speciesIsFull = most != null && rivals >= most;
            int out = speciesIsFull ? lightestRival : lightest;
            if (!speciesIsFull && count < event.rules().countingFish()) {
                add(fishGrams, fishSpecies);
            } else if (out >= 0 && grams[out] < fishGrams) {
                grams[out] = fishGrams;
                species[out] = fishSpecies;
            }
        }

        private void add(double fishGrams, int fishSpecies) {
            if (count == grams.length) {
                grams = Arrays.copyOf(grams, 2 * count);
                species = Arrays.copyOf(species, 2 * count);
            }
            grams[count] = fishGrams;
            species[count++] = fishSpecies;
        }

        double grams() {
            double sum = 0;
            for (int i = 0; i < count; i++) {
                sum += grams[i];
            }
            return sum;
        }

        double lightest() {
            double least = count == 0 ? 0 : Double.POSITIVE_INFINITY;
            for (int i = 0; i < count; i++) {
                least = Math.min(least, grams[i]);
            }
            return least;
        }

        int count() {
            return count;
        }
    }
}
