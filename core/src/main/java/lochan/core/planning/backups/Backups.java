package lochan.core.planning.backups;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.CellScenarios;
import lochan.core.model.scenario.DayModel;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.Departures;
import lochan.core.planning.runs.Passages;
import lochan.core.planning.runs.RunTable;
import lochan.core.planning.search.DayPlanner;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Schedule;
import lochan.core.planning.valuation.Strategy;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.jspecify.annotations.Nullable;

/**
 * What to do when the main pattern dies ({@code model.md} §9). The main pattern is the one of the plan with the largest worth. Over the
 * quarter of scenarios where its day effect is lowest, every other pattern is ranked by the best plan on it alone; each gets a trigger at each stop of
 * the main pattern: the time by which, with fewer bites, going there is better than going on, the scenarios being weighed by what was seen.
 */
public final class Backups {

    private static final int FAILING_SHARE = 4;
    private static final int MOST_TRIED = 8;
    private static final int MOST = 4;
    private static final int MOST_LEADING = 3;
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final int MOST_BITES = 6;

    private final ScenarioSet all;
    private final PlanValuer valuer;
    private final DayModel model;
    private final RunTable runs;
    private final Passages passages;
    private final Departures departures;
    private final long lastMillis;
    private final List<PlanStop> main;
    private final long seed;
    private final int rounds;

    /**
     * Go over to the backup when, at a time, a stop of the main pattern had fewer bites.
     *
     * @param bitesBelow 1 or more
     */
    public record Trigger(String spotId, Instant at, int bitesBelow) {}

    /**
     * Another pattern to live on.
     *
     * @param grams    V of its best plan over the scenarios where the main pattern fails
     * @param stops    that plan, from the start of the day
     * @param triggers one at most for each stop of the main pattern, in the order of the day
     */
    public record Backup(Pattern pattern, double grams, List<PlanStop> stops, List<Trigger> triggers) {}

    /**
     * Where to go, rung by rung.
     *
     * @param main    the pattern that is taken to fail; null where there is nothing to back up
     * @param backups best first
     */
    public record Ladder(@Nullable Pattern main, List<Backup> backups) {

        public Ladder {
            backups = List.copyOf(backups);
        }
    }

    private final BooleanSupplier goOn;
    private final BooleanSupplier inTime;

    private Backups(
            ScenarioSet all,
            DayRuns runs,
            List<PlanStop> main,
            long seed,
            int rounds,
            BooleanSupplier goOn,
            BooleanSupplier inTime) {
        this.goOn = goOn;
        this.inTime = inTime;
        this.all = all;
        this.valuer = new PlanValuer(all);
        this.model = all.model();
        this.runs = new RunTable(model.event(), runs);
        this.passages = new Passages(model.event(), model.assumptions().planning(), this.runs, Instant.EPOCH, 1);
        this.departures =
                new Departures(model.event(), model.day(), model.assumptions().planning(), runs);
        this.lastMillis = model.event().day(model.day()).checkIn().toEpochMilli();
        this.main = main;
        this.seed = seed;
        this.rounds = rounds;
    }

    /**
     * The best backups of a plan; none for a plan without stops, or where nothing else was ever fished.
     *
     * @param rounds of the search for each plan that is compared
     */
    public static Ladder of(ScenarioSet scenarios, DayRuns runs, List<PlanStop> main, long seed, int rounds) {
        return of(scenarios, runs, main, seed, rounds, () -> true);
    }

    /**
     * Returns the ladder, as long as someone waits for it.
     *
     * @param goOn asked again and again
     * @throws CancellationException once it says no
     */
    public static Ladder of(
            ScenarioSet scenarios, DayRuns runs, List<PlanStop> main, long seed, int rounds, BooleanSupplier goOn) {
        return main.isEmpty()
                ? new Ladder(null, List.of())
                : new Backups(scenarios, runs, main, seed, rounds, goOn, () -> true).ranked();
    }

    /**
     * As many as there is time for, one at least where there is any.
     *
     * @param inTime asked before each pattern; those that come too late are left out
     */
    public static Ladder within(
            BooleanSupplier inTime, ScenarioSet scenarios, DayRuns runs, List<PlanStop> main, long seed, int rounds) {
        return main.isEmpty()
                ? new Ladder(null, List.of())
                : new Backups(scenarios, runs, main, seed, rounds, () -> true, inTime).ranked();
    }

    /** A backup's stops when it is gone to from a spot at a time, as long as the day allows; none where there is no way or no time. */
    public static List<PlanStop> goneTo(Backup backup, String here, Instant at, ScenarioSet scenarios, DayRuns runs) {
        return new Backups(scenarios, runs, List.of(), scenarios.seed(), 1, () -> true, () -> true)
                .from(here, at, backup.stops());
    }

    private Ladder ranked() {
        Pattern group = mainPattern();
        ScenarioSet failing = failing(group);
        PlanValuer whenFailing = new PlanValuer(failing);
        record Guess(Pattern pattern, double grams) {}
        List<Pattern> others = model.cells().stream()
                .map(model::pattern)
                .distinct()
                .filter(p -> !p.equals(group))
                .map(p -> new Guess(p, hours(p, failing, whenFailing)))
                .sorted(Comparator.comparingDouble(Guess::grams).reversed())
                .limit(MOST_TRIED)
                .map(Guess::pattern)
                .toList();
        return new Ladder(
                group,
                IntStream.range(0, others.size())
                        .parallel()
                        .filter(i -> i == 0 || inTime.getAsBoolean())
                        .mapToObj(others::get)
                        .map(p -> {
                            List<PlanStop> stops =
                                    best(failing, c -> model.pattern(c).equals(p));
                            return new Backup(p, whenFailing.formula(stops), stops, triggers(group, stops));
                        })
                        .filter(b -> !b.stops().isEmpty())
                        .sorted(Comparator.comparingDouble(Backup::grams).reversed())
                        .limit(MOST)
                        .toList());
    }

    /** Returns the worth of the best plan without one of the plan's patterns. */
    private record Without(int pattern, double grams) {}

    /** The pattern of the plan that the day loses most without. */
    private Pattern mainPattern() {
        // Those that the current plan loses most without: one of them is what the day loses most without.
        List<Pattern> used = main.stream()
                .map(this::pattern)
                .distinct()
                .sorted(Comparator.comparingDouble(p -> valuer.formula(
                        main.stream().filter(s -> !pattern(s).equals(p)).toList())))
                .limit(MOST_LEADING)
                .toList();
        return used.size() == 1
                ? used.getFirst()
                : used.get(IntStream.range(0, used.size())
                        .boxed()
                        .parallel()
                        .map(i -> new Without(i, valuer.formula(best(all, c -> !model.pattern(c)
                                .equals(used.get(i))))))
                        .min(Comparator.comparingDouble(Without::grams).thenComparingInt(Without::pattern))
                        .orElseThrow()
                        .pattern());
    }

    private List<PlanStop> best(ScenarioSet scenarios, Predicate<Cell> usable) {
        if (!goOn.getAsBoolean()) {
            throw new CancellationException();
        }
        return DayPlanner.rough(scenarios, runs, new DayPlanner.Wishes(Strategy.BALANCED, List.of(), usable), seed)
                .plan(rounds, i -> true);
    }

    private Pattern pattern(PlanStop stop) {
        return model.pattern(Cell.of(stop));
    }

    private ScenarioSet failing(Pattern group) {
        double[] effect = all.dayEffect(group);
        int[] worst = IntStream.range(0, effect.length)
                .boxed()
                .sorted(Comparator.comparingDouble(j -> effect[j]))
                .limit(Math.max(1, effect.length / FAILING_SHARE))
                .mapToInt(j -> j)
                .sorted()
                .toArray();
        return all.only(worst);
    }

    /**
     * Returns what the best cell of a pattern gives in two hours at midday, which decides which patterns are worth a
     * plan.
     */
    private double hours(Pattern pattern, ScenarioSet failing, PlanValuer whenFailing) {
        int bin = model.bins().size() / 2;
        return model.cells().stream()
                .filter(c -> model.pattern(c).equals(pattern) && model.isOpen(c))
                .mapToDouble(c -> whenFailing
                        .outcomes(List.of(new Schedule.Segment(c, bin, 2)), failing.count(), false)
                        .mean())
                .max()
                .orElse(0);
    }

    private List<Trigger> triggers(Pattern group, List<PlanStop> backup) {
        List<Trigger> triggers = new ArrayList<>();
        for (int i = 0; i < main.size(); i++) {
            if (pattern(main.get(i)).equals(group)) {
                trigger(i, backup).ifPresent(triggers::add);
            }
        }
        return triggers;
    }

    /** The first time at which a blank makes the backup better, with the bites under which it is. */
    private Optional<Trigger> trigger(int index, List<PlanStop> backup) {
        PlanStop stop = main.get(index);
        for (Instant t = stop.arrive().plus(STEP); !t.isAfter(stop.leave()); t = t.plus(STEP)) {
            int under = 0;
            while (under < MOST_BITES && isBetter(index, t, under, backup)) {
                under++;
            }
            if (under > 0) {
                return Optional.of(new Trigger(stop.spotId(), t, under));
            }
        }
        return Optional.empty();
    }

    private boolean isBetter(int index, Instant time, int bites, List<PlanStop> backup) {
        PlanStop stop = main.get(index);
        Cell cell = Cell.of(stop);
        List<PlanStop> rest = new ArrayList<>(main.subList(index + 1, main.size()));
        if (stop.leave().isAfter(time)) {
            rest.addFirst(new PlanStop(stop.spotId(), stop.presentationId(), time, stop.leave()));
        }
        List<PlanStop> instead = from(stop.spotId(), time, backup);
        double[] weights = weights(stop, time, bites, all.cell(cell));
        return !instead.isEmpty() && mean(instead, cell, bites, weights) > mean(rest, cell, bites, weights);
    }

    /** How likely each scenario is to have given so many bites by then. */
    private double[] weights(PlanStop stop, Instant time, int bites, CellScenarios cell) {
        List<Schedule.Segment> seen = Schedule.segments(
                List.of(new PlanStop(stop.spotId(), stop.presentationId(), stop.arrive(), time)), model.bins());
        double[] weights = new double[all.count()];
        for (int j = 0; j < weights.length; j++) {
            double undiminished = 0;
            for (Schedule.Segment s : seen) {
                undiminished += cell.bitesPerHour(j, s.bin()) * s.hours();
            }
            double expected = cell.bites(undiminished);
            weights[j] = expected <= 0
                    ? bites == 0 ? 1 : 0
                    : PoissonDistribution.of(expected).probability(bites);
        }
        return weights;
    }

    private double mean(List<PlanStop> stops, Cell bitten, int bites, double[] weights) {
        double[] grams = valuer.outcomesAfter(bitten, bites, stops).grams();
        double sum = 0;
        double weight = 0;
        for (int j = 0; j < grams.length; j++) {
            sum += weights[j] * grams[j];
            weight += weights[j];
        }
        return weight == 0 ? 0 : sum / weight;
    }

    /**
     * The stops of a backup gone to at a time, one after the other as long as the day, and lightning that comes, allow; the last for all that is left.
     */
    private List<PlanStop> from(String here, Instant time, List<PlanStop> backup) {
        List<PlanStop> stops = new ArrayList<>();
        int place = runs.place(here);
        long now = time.toEpochMilli();
        for (PlanStop b : backup) {
            int there = runs.place(b.spotId());
            long arrive = passages.begin(place, now, there, now, 0, null);
            long latest = departures
                    .from(model.spot(b.spotId()).position(), Instant.ofEpochMilli(Math.min(arrive, lastMillis)))
                    .map(l -> l.at().toEpochMilli())
                    .orElse(0L);
            long leave = Math.min(
                    latest, arrive + Duration.between(b.arrive(), b.leave()).toMillis());
            if (leave <= arrive) {
                break;
            }
            stops.add(new PlanStop(
                    b.spotId(), b.presentationId(), Instant.ofEpochMilli(arrive), Instant.ofEpochMilli(leave)));
            now = leave;
            place = there;
        }
        if (!stops.isEmpty()) {
            PlanStop last = stops.removeLast();
            Instant until = departures
                    .from(model.spot(last.spotId()).position(), last.arrive())
                    .map(Departures.LeaveBy::at)
                    .orElse(last.leave());
            stops.add(last.during(last.arrive(), until));
        }
        return stops;
    }
}
