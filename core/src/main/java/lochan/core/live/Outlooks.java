package lochan.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lochan.core.Randoms;
import lochan.core.competition.Bag;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.valuation.DrawnDays;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Quantile;
import lochan.core.quantity.Hours;
import org.apache.commons.rng.sampling.ListSampler;
import org.apache.commons.statistics.distribution.PoissonDistribution;

/**
 * Outlooks of a competition day ({@code model.md} §10): scenarios weighed by what was seen, w_j ∝ Π over efforts Poisson(seen | n_j), days drawn
 * fish by fish in them as often as they weigh. Where few of them carry all the weight, more are drawn. The scenarios are kept from one asking to the next. Not for several
 * threads at once.
 */
public final class Outlooks {

    /** Scenarios of a set that say it to about a hundredth. */
    public static final int ENOUGH_SCENARIOS = 20_000;

    private static final int MOST_SETS = 2;
    /** For each day drawn for an outlook, so many scenarios are weighed. */
    private static final int SCENARIOS_PER_DAY = 4;

    private static final double ENOUGH = 1000;
    /** A bag that is less heavier is the same bag summed in another order. */
    private static final double HELPS_GRAMS = 1e-3;

    private final DayModel model;
    private final int scenarios;
    private final long seed;
    private final List<ScenarioSet> sets = new ArrayList<>();

    /**
     * @param scenarios of a set
     * @param seed      the same seed gives the same outlook
     */
    public Outlooks(DayModel model, int scenarios, long seed) {
        this.model = model;
        this.scenarios = scenarios;
        this.seed = seed;
    }

    private ScenarioSet set(int number) {
        if (number == sets.size()) {
            sets.add(new ScenarioSet(model, scenarios, seed + number));
        }
        return sets.get(number);
    }

    /** Draws beforehand all that may be needed. */
    public void ready() {
        set(0);
        set(1);
    }

    /** The first of the kept sets, to tell how usual something is. */
    public ScenarioSet scenarios() {
        return set(0);
    }

    /**
     * What an outlook is of.
     *
     * @param rest   stops still to be fished
     * @param bag    as it is now
     * @param fish   weights of fish to ask for what one more of them adds, g
     * @param factor by which what is to come is scaled: c of {@code model.md} §7, 1 for the scenarios as they are
     */
    public record Question(List<PlanStop> rest, Bag bag, List<Double> fish, double factor) {

        public Question {
            rest = List.copyOf(rest);
            fish = List.copyOf(fish);
        }
    }

    /** Computes one. */
    public Outlook of(Today today, Question asked) {
        Sample drawn = drawn(today, today, asked);
        return summed(drawn.totals(), added(drawn.lightest(), asked.fish()), asked, drawn.weights());
    }

    /**
     * What a day might have come to had it gone on otherwise from some time on.
     *
     * @param chanceOfMore  that the bag would have been heavier than it was
     * @param p10MoreGrams  g more that one such day in ten stays below; less than 0: it would have been lighter
     * @param meanMoreGrams on average
     * @param p90MoreGrams  that one in ten is above
     */
    public record Hindsight(double chanceOfMore, double p10MoreGrams, double meanMoreGrams, double p90MoreGrams) {}

    /**
     * Looks back on a day, by all that was seen on it.
     *
     * @param whole       what was done on the whole day
     * @param until       what was done by the time of the other way
     * @param other       the other way from then on, with the bag of then
     * @param actualGrams what the day came to
     */
    public Hindsight had(Today whole, Today until, Question other, double actualGrams) {
        double[] totals = drawn(whole, until, other).totals();
        double[] more = Arrays.stream(totals).map(t -> t - actualGrams).sorted().toArray();
        return new Hindsight(
                Arrays.stream(more).filter(m -> m > HELPS_GRAMS).count() / (double) more.length,
                Quantile.of(more, 0.1),
                Arrays.stream(more).average().orElse(0),
                Quantile.of(more, 0.9));
    }

    private record Sample(double[] totals, double[] lightest, double[] weights) {}

    /**
     * @param seen   what scenarios are weighed by
     * @param bitten whose fish are gone
     */
    private Sample drawn(Today seen, Today bitten, Question asked) {
        double[] logs = {};
        double[] weights = {};
        int used = 0;
        for (; used < MOST_SETS && (used == 0 || effective(weights) < ENOUGH); used++) {
            logs = joined(logs, logLikelihoods(set(used), seen));
            weights = weights(logs);
        }
        int[] days = days(weights, scenarios / SCENARIOS_PER_DAY);
        double[] totals = {};
        double[] lightest = {};
        for (int k = 0; k < used; k++) {
            DrawnDays drawn = new PlanValuer(after(set(k), bitten), asked.bag())
                    .drawn(asked.rest(), Arrays.copyOfRange(days, k * scenarios, (k + 1) * scenarios));
            totals = joined(totals, drawn.totals());
            lightest = joined(lightest, drawn.lightest());
        }
        return new Sample(totals, lightest, weights);
    }

    /** By the scenarios as they are, without asking for any more fish. */
    public Outlook of(Today today, List<PlanStop> rest, Bag bag) {
        return of(today, new Question(rest, bag, List.of(), 1));
    }

    private static List<Double> added(double[] lightest, List<Double> fish) {
        return fish.stream()
                .map(g -> Arrays.stream(lightest)
                        .map(l -> Math.max(0, g - l))
                        .average()
                        .orElse(0))
                .toList();
    }

    /**
     * A sample of a day's scenarios as likely as what was seen makes them, with the fish gone that bit: to plan the rest of the day in.
     *
     * @param drawn scenarios weighed
     * @param kept  size of the sample
     */
    public static ScenarioSet likely(DayModel model, Today today, int drawn, int kept, long seed) {
        ScenarioSet set = new ScenarioSet(model, drawn, seed);
        int[] days = days(weights(logLikelihoods(set, today)), kept);
        List<Integer> numbers = new ArrayList<>(IntStream.range(0, drawn)
                .flatMap(j -> IntStream.generate(() -> j).limit(days[j]))
                .boxed()
                .toList());
        ListSampler.shuffle(Randoms.of(seed), numbers);
        return after(set, today).only(numbers.stream().mapToInt(j -> j).toArray());
    }

    /** How many days to draw in each scenario so that together they stand for all of them by their weights: systematic resampling (Carpenter, Clifford and Fearnhead 1999). */
    private static int[] days(double[] weights, int count) {
        int[] days = new int[weights.length];
        double step = Arrays.stream(weights).sum() / count;
        double next = step / 2;
        double below = 0;
        for (int j = 0; j < weights.length; j++) {
            below += weights[j];
            for (; next < below; next += step) {
                days[j]++;
            }
        }
        return days;
    }

    private static double[] joined(double[] a, double[] b) {
        return IntStream.range(0, a.length + b.length)
                .mapToDouble(i -> i < a.length ? a[i] : b[i - a.length])
                .toArray();
    }

    private static double effective(double[] w) {
        double sum = Arrays.stream(w).sum();
        return sum * sum / Arrays.stream(w).map(x -> x * x).sum();
    }

    /** Returns the scenarios without the fish that bit today. */
    private static ScenarioSet after(ScenarioSet set, Today today) {
        Map<String, double[]> missing = new HashMap<>();
        for (Today.Bite s : today.bites()) {
            missing.computeIfAbsent(s.cell().spotId(), spot -> {
                int had = (int) today.bites().stream()
                        .filter(x -> x.cell().spotId().equals(spot))
                        .count();
                double[] undiminished = new double[set.count()];
                Arrays.fill(undiminished, set.cell(s.cell()).undiminished(had));
                return undiminished;
            });
        }
        return missing.isEmpty()
                ? set
                : set.after(missing, new int[set.model().knownFish().size()]);
    }

    /** Weights of scenarios, the likeliest 1; all alike where none of them can be true. */
    private static double[] weights(double[] logs) {
        double most = Arrays.stream(logs).max().orElse(0);
        return Arrays.stream(logs)
                .map(l -> Double.isInfinite(most) ? 1 : Math.exp(l - most))
                .toArray();
    }

    /** ln of how likely each scenario makes what was seen, but for what is the same in all. */
    private static double[] logLikelihoods(ScenarioSet set, Today today) {
        double[] logs = new double[set.count()];
        Map<String, double[]> fished = new HashMap<>();
        for (Today.Effort e : today.efforts()) {
            CellScenarios cell = set.cell(e.cell());
            double[] before = fished.computeIfAbsent(e.cell().spotId(), x -> new double[logs.length]);
            int seen = (int) today.bites().stream()
                    .filter(s -> s.cell().equals(e.cell()) && !s.at().isBefore(e.from()) && s.at().isBefore(e.to()))
                    .count();
            double[] hours = hours(set.model().bins(), e.from(), e.to());
            for (int j = 0; j < logs.length; j++) {
                double more = undiminished(cell, hours, j);
                double n = cell.bites(before[j] + more) - cell.bites(before[j]);
                before[j] += more;
                logs[j] += seen == 0 ? -n : n > 0 ? seen * Math.log(n) - n : Double.NEGATIVE_INFINITY;
            }
        }
        return logs;
    }

    private static double undiminished(CellScenarios cell, double[] hours, int scenario) {
        double sum = 0;
        for (int bin = 0; bin < hours.length; bin++) {
            sum += hours[bin] == 0 ? 0 : cell.bitesPerHour(scenario, bin) * hours[bin];
        }
        return sum;
    }

    /** Hours of [from, to) that lie in each bin; what is before the first or after the last counts there. */
    static double[] hours(List<Bin> bins, Instant from, Instant to) {
        double[] hours = new double[bins.size()];
        for (int i = 0; i < hours.length; i++) {
            Instant begins = i == 0 || from.isAfter(bins.get(i).start())
                    ? from
                    : bins.get(i).start();
            Instant ends = i == hours.length - 1 || to.isBefore(bins.get(i).end())
                    ? to
                    : bins.get(i).end();
            hours[i] = ends.isAfter(begins) ? Hours.between(begins, ends) : 0;
        }
        return hours;
    }

    private Outlook summed(double[] drawn, List<Double> adds, Question asked, double[] weights) {
        double now = asked.bag().weighedGrams();
        double more = Arrays.stream(drawn).filter(t -> t > now + HELPS_GRAMS).count() / (double) drawn.length;
        Double target = model.event().rules().targetGrams();
        double[] totals = Arrays.stream(drawn)
                .map(t -> now + asked.factor() * (t - now))
                .sorted()
                .toArray();
        Double reached = target == null
                ? null
                : Double.valueOf(Arrays.stream(totals).filter(t -> t >= target).count() / (double) totals.length);
        return new Outlook(
                Quantile.of(totals, 0.1),
                Quantile.of(totals, 0.5),
                Quantile.of(totals, 0.9),
                reached,
                more,
                adds,
                effective(weights),
                weights.length);
    }

    /** Returns the rest of a plan's stops from a time on. */
    public static List<PlanStop> rest(List<PlanStop> plan, Instant now) {
        List<PlanStop> rest = new ArrayList<>();
        for (PlanStop s : plan) {
            if (s.leave().isAfter(now)) {
                rest.add(s.arrive().isBefore(now) ? s.during(now, s.leave()) : s);
            }
        }
        return rest;
    }

    /** Bites to be expected of an undisturbed spot. */
    public static double expectedBites(ScenarioSet set, Cell of, Instant from, Instant to) {
        CellScenarios cell = set.cell(of);
        double[] hours = hours(set.model().bins(), from, to);
        return IntStream.range(0, set.count())
                .mapToDouble(j -> cell.bites(undiminished(cell, hours, j)))
                .average()
                .orElse(0);
    }

    /**
     * How often an effort gives so few bites.
     *
     * @param seen or fewer
     */
    public static double chanceOfSoFew(ScenarioSet set, Cell of, Instant from, Instant to, int seen) {
        CellScenarios cell = set.cell(of);
        double[] hours = hours(set.model().bins(), from, to);
        double sum = 0;
        for (int j = 0; j < set.count(); j++) {
            double n = cell.bites(undiminished(cell, hours, j));
            sum += n > 0 ? PoissonDistribution.of(n).cumulativeProbability(seen) : 1;
        }
        return sum / set.count();
    }
}
