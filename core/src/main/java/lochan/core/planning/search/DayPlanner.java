package lochan.core.planning.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import lochan.core.model.evidence.Bin;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.ScenarioSet;
import lochan.core.plan.PlanStop;
import lochan.core.planning.runs.DayRuns;
import lochan.core.planning.runs.RunTable;
import lochan.core.planning.valuation.FishVisits;
import lochan.core.planning.valuation.PlanValuer;
import lochan.core.planning.valuation.Schedule;
import lochan.core.planning.valuation.Strategy;

/**
 * Finds the plan of a competition day that is best by a strategy: a search on some of the scenarios by two workers, whose best tours are made
 * better on more of them after 1, 3, 9, 27, … rounds; the best of all those on all scenarios. The same seed and rounds give the same plan,
 * and more rounds never a worse one.
 */
public final class DayPlanner {

    private static final int WORKERS = 2;
    private static final int LOOK_FACTOR = 3;
    private static final int SEARCHED_SCENARIOS = 32;
    private static final int POLISHED_SCENARIOS = 160;
    private static final int ROUGHLY_POLISHED_SCENARIOS = 48;
    /** Cells looked at, the best by an hour there: a plan has room for few. */
    private static final int CANDIDATES = 48;

    private final ScenarioSet scenarios;
    private final RunTable runs;
    private final Wishes wishes;
    private final DayStart begin;
    private final long seed;
    /** Scenarios on which the best tours are made better. */
    private final int polished;

    /**
     * The angler's wishes.
     *
     * @param locked stops that stay as they are, in their order
     * @param usable what else may be planned
     */
    public record Wishes(Strategy strategy, List<PlanStop> locked, Predicate<Cell> usable) {

        public Wishes {
            locked = List.copyOf(locked);
        }

        /** Everything may be planned, nothing is locked. */
        public static Wishes of(Strategy strategy) {
            return new Wishes(strategy, List.of(), c -> true);
        }

        /** @param avoid spots not to be planned */
        public static Wishes avoiding(Strategy strategy, List<PlanStop> locked, Set<String> avoid) {
            Set<String> spots = Set.copyOf(avoid);
            return new Wishes(strategy, locked, c -> !spots.contains(c.spotId()));
        }
    }

    public DayPlanner(ScenarioSet scenarios, DayRuns runs, Wishes wishes, long seed) {
        this(scenarios, new RunTable(scenarios.model().event(), runs), wishes, seed);
    }

    /** Plans what is left of a day. */
    public DayPlanner(ScenarioSet scenarios, DayRuns runs, DayStart begin, Wishes wishes, long seed) {
        this(
                scenarios,
                new RunTable(scenarios.model().event(), runs, begin.from()),
                begin,
                wishes,
                seed,
                POLISHED_SCENARIOS);
    }

    public DayPlanner(ScenarioSet scenarios, RunTable runs, Wishes wishes, long seed) {
        this(scenarios, runs, wishes, seed, POLISHED_SCENARIOS);
    }

    /** One whose plans are made better on few scenarios: good enough to compare days with each other. */
    public static DayPlanner rough(ScenarioSet scenarios, RunTable runs, Wishes wishes, long seed) {
        return new DayPlanner(scenarios, runs, wishes, seed, ROUGHLY_POLISHED_SCENARIOS);
    }

    private DayPlanner(ScenarioSet scenarios, RunTable runs, Wishes wishes, long seed, int polishedScenarios) {
        this(scenarios, runs, DayStart.of(scenarios.model()), wishes, seed, polishedScenarios);
    }

    private DayPlanner(
            ScenarioSet scenarios, RunTable runs, DayStart begin, Wishes wishes, long seed, int polishedScenarios) {
        this.begin = begin;
        this.scenarios = scenarios;
        this.runs = runs;
        this.wishes = wishes;
        this.seed = seed;
        this.polished = polishedScenarios;
    }

    /**
     * So many rounds are done when so many are asked for: those after the last look at what was found would be in vain.
     *
     * @param rounds 1 or more
     */
    public static int done(int rounds) {
        int last = 1;
        while (LOOK_FACTOR * last <= rounds) {
            last *= LOOK_FACTOR;
        }
        return last;
    }

    /**
     * The best plan after so many rounds of each worker, as {@link #done} has it.
     *
     * @param goOn asked before each round by its number; false ends the search with what was found so far
     * @throws IllegalArgumentException when the locked stops cannot all be kept
     */
    public List<PlanStop> plan(int rounds, IntPredicate goOn) {
        Candidates candidates = candidates();
        // Drawn before workers share them, as the candidates were.
        wishes.locked().forEach(s -> scenarios.cell(Cell.of(s)));
        List<List<Visit>> found = IntStream.range(0, WORKERS)
                .boxed()
                .parallel()
                .map(w -> searched(candidates, seed + w, rounds, goOn))
                .flatMap(List::stream)
                .toList();
        DayTours all = tours(candidates, scenarios.count());
        return all.stops(found.stream()
                .map(all::calmed)
                .max(Comparator.comparingDouble(all::value))
                .orElseThrow());
    }

    /** Whether the locked stops can all be kept. */
    public boolean keepsLocked() {
        DayTours tours = tours(new Candidates(List.of(), new double[0]), 1);
        return tours.slack(tours.given()) >= 0;
    }

    /** The tours that a worker found, one for each look. */
    private List<List<Visit>> searched(Candidates candidates, long workerSeed, int rounds, IntPredicate goOn) {
        DayTours few =
                tours(candidates, candidates.cells().size() <= DayTours.FEW_CELLS ? polished : SEARCHED_SCENARIOS);
        DayTours more = tours(candidates, polished);
        TourSearch search = new TourSearch(few, few.given(), workerSeed);
        Set<List<Visit>> rough = new LinkedHashSet<>();
        List<List<Visit>> found = new ArrayList<>();
        int done = 0;
        for (int look = 1; look <= done(rounds); look *= LOOK_FACTOR) {
            int before = done;
            // However little time there is, there is a plan: the first round is always done.
            search.rounds(look - before, i -> before + i == 0 || goOn.test(before + i));
            done = look;
            if (rough.add(search.best().tour())) {
                int last = done;
                found.add(TourSearch.polished(more, search.best().tour(), seed, () -> goOn.test(last))
                        .tour());
            }
        }
        return found;
    }

    private DayTours tours(Candidates of, int count) {
        return new DayTours(
                scenarios, begin, of.cells(), of.promises(), wishes.locked(), wishes.strategy(), count, runs);
    }

    /** Cells to plan with, the most promising first; promises are sharpened, since most cells are never worth a stop. */
    private record Candidates(List<Cell> cells, double[] promises) {}

    private Candidates candidates() {
        PlanValuer valuer = new PlanValuer(scenarios, begin.bag());
        FishVisits fishVisits = FishVisits.of(scenarios.model());
        List<Bin> bins = scenarios.model().bins();
        int first = (int) bins.stream()
                .limit(bins.size() - 1L)
                .takeWhile(b -> !b.end().isAfter(begin.at()))
                .count();
        int[] looked = {first, first + (bins.size() - first) / 2};
        double nothing = score(valuer, List.of());
        record Candidate(Cell cell, double promise) {}
        List<Candidate> best = scenarios.model().cells().stream()
                .filter(wishes.usable())
                .filter(scenarios.model()::isOpen)
                .map(c -> new Candidate(
                        c,
                        promise(c, looked, nothing, valuer)
                                + fishVisits.promise(c.spotId()).orElse(0)))
                .sorted(Comparator.comparingDouble(Candidate::promise).reversed())
                .limit(CANDIDATES)
                .toList();
        return new Candidates(
                best.stream().map(Candidate::cell).toList(),
                best.stream()
                        .mapToDouble(b -> b.promise() * b.promise() * b.promise())
                        .toArray());
    }

    /** Returns what an hour there adds at the better of some bins of the rest of the day. */
    private double promise(Cell cell, int[] looked, double nothing, PlanValuer valuer) {
        return Arrays.stream(looked)
                .mapToDouble(bin -> score(valuer, List.of(new Schedule.Segment(cell, bin, 1))) - nothing)
                .reduce(0, Math::max);
    }

    private double score(PlanValuer valuer, List<Schedule.Segment> fishing) {
        return wishes.strategy()
                .score(
                        valuer.outcomes(
                                fishing,
                                Math.min(SEARCHED_SCENARIOS, scenarios.count()),
                                wishes.strategy().needsSpread()),
                        scenarios.model().event().rules().targetGrams());
    }
}
